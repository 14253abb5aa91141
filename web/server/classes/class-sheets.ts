import type { ClassScript } from "@able-tide/core/class/script";
import type { SheetCause } from "@able-tide/core/class/sheet-cause";
import type { Knex } from "knex";
import type { Scope } from "../scope.ts";

/** One of the session sheets that a class was taught by, without what it says. */
export interface ClassSheet {
  /** From 0; events name their sheet by it. */
  readonly number: number;
  readonly cause: SheetCause;
  /** The place of the first item that it can be different in. */
  readonly fromItem: number;
  /** When it was made, ISO instant, and by whom. */
  readonly madeAt: string;
  readonly by: string;
}

export const classSheetsOf = ({ database, organisationId }: { readonly database: Knex; readonly organisationId: string }) =>
  database("class_sheets").where("class_sheets.organisation_id", organisationId);

/** What is written down with a session sheet of a class. */
export interface NewClassSheet extends Pick<ClassSheet, "number" | "cause" | "fromItem"> {
  readonly script: ClassScript;
}

/** Adds a session sheet to the list of a class, within a transaction of the caller's. */
export async function addClassSheet(
  { database, organisationId, accountId, now }: Scope,
  classId: string,
  { number, cause, fromItem, script }: NewClassSheet,
): Promise<void> {
  await database("class_sheets").insert({
    organisation_id: organisationId,
    class_id: classId,
    number,
    cause,
    from_item: fromItem,
    script: JSON.stringify(script),
    made_by: accountId,
    made_at: now(),
  });
}

/** The session sheets that a class was taught by, in order. Nothing is ever taken off the list. */
export async function listClassSheets(scope: Scope, classId: string): Promise<ClassSheet[]> {
  const rows = await classSheetsOf(scope)
    .where({ class_id: classId })
    .join("accounts", "accounts.id", "class_sheets.made_by")
    .orderBy("number")
    .select<{ number: number; cause: SheetCause; from_item: number; made_at: Date; name: string }[]>(
      "number",
      "cause",
      "from_item",
      "made_at",
      "accounts.name",
    );
  return rows.map(({ number, cause, from_item, made_at, name }) => ({
    number,
    cause,
    fromItem: from_item,
    madeAt: made_at.toISOString(),
    by: name,
  }));
}
