import { randomUUID } from "node:crypto";
import type { ClassEvent } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import type { Knex } from "knex";
import { recordChange } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";
import { addClassSheet, type NewClassSheet } from "./class-sheets.ts";

/** A class without its script, which is some hundred kilobytes. */
export interface ClassSummary {
  readonly id: string;
  readonly planId: string;
  readonly day: string;
  /** Name of the group when the class began. */
  readonly groupName: string;
  readonly endedAt: string | null;
}

export interface TaughtClass extends Omit<ClassSummary, "groupName"> {
  readonly groupId: string;
  readonly script: ClassScript;
  /** How often the script was changed since the class began. */
  readonly scriptRevision: number;
}

export interface SummaryRow {
  id: string;
  plan_id: string;
  day: string;
  group_name: string;
  ended_at: Date | null;
}

export interface ClassRow extends Omit<SummaryRow, "group_name"> {
  group_id: string;
  script: ClassScript;
  script_revision: number;
}

export const toSummary = (row: SummaryRow): ClassSummary => ({
  id: row.id,
  planId: row.plan_id,
  day: row.day,
  groupName: row.group_name,
  endedAt: row.ended_at?.toISOString() ?? null,
});

export const toClass = (row: ClassRow): TaughtClass => ({
  id: row.id,
  planId: row.plan_id,
  groupId: row.group_id,
  day: row.day,
  script: row.script,
  scriptRevision: row.script_revision,
  endedAt: row.ended_at?.toISOString() ?? null,
});

/** The columns of a summary; all that is read of the script is one name. */
export const summaryColumns = ({ database }: Scope) =>
  ["id", "plan_id", "day", "ended_at", database.raw("script ->> 'groupName' as group_name")] as const;

export const classesOf = (scope: Scope) => scope.database("classes").where("organisation_id", scope.organisationId);

/** Classes that count: a withdrawn one stays on record only. */
export const countedClassesOf = (scope: Scope) => classesOf(scope).whereNull("withdrawn_at");

export async function findClass(scope: Scope, id: string): Promise<TaughtClass | null> {
  const row = await classesOf(scope).where({ id }).first<ClassRow>("*");
  return row ? toClass(row) : null;
}

/** The class of a plan, running or ended: a plan is taught once, again only when its class was withdrawn. */
export async function classOfPlan(scope: Scope, planId: string): Promise<ClassSummary | null> {
  const row = await countedClassesOf(scope)
    .where({ plan_id: planId })
    .first<SummaryRow>(...summaryColumns(scope));
  return row ? toSummary(row) : null;
}

/** Classes begun and not ended, newest first. */
export async function openClasses(scope: Scope): Promise<ClassSummary[]> {
  const rows = await classesOf(scope)
    .whereNull("ended_at")
    .orderBy("started_at", "desc")
    .select<SummaryRow[]>(...summaryColumns(scope));
  return rows.map(toSummary);
}

/** The condition that a class is for a person: they are among those whose variants it has. */
export const isFor = (personId: string) => (classes: Knex.QueryBuilder) =>
  void classes.whereRaw("script @> ?::jsonb", [JSON.stringify({ people: [{ id: personId }] })]);

/** Whether a person is in a class that has not ended. */
export const isInClass = async (scope: Scope, personId: string): Promise<boolean> =>
  (await classesOf(scope).whereNull("ended_at").where(isFor(personId)).first("id")) !== undefined;

/** Ended classes, newest first. */
export async function endedClasses(scope: Scope, most: number): Promise<ClassSummary[]> {
  const rows = await countedClassesOf(scope)
    .whereNotNull("ended_at")
    .orderBy("day", "desc")
    .limit(most)
    .select<SummaryRow[]>(...summaryColumns(scope));
  return rows.map(toSummary);
}

/** Names of everyone in a class, as they were when it was fitted, by id. */
export async function namesInClass(scope: Scope, classId: string): Promise<ReadonlyMap<string, string>> {
  const row = await classesOf(scope)
    .where({ id: classId })
    .first<{ ids: string[]; names: string[] }>(
      scope.database.raw("jsonb_path_query_array(script, '$.people[*].id') as ids"),
      scope.database.raw("jsonb_path_query_array(script, '$.people[*].name') as names"),
    );
  return new Map(row?.ids.map((id, i) => [id, row.names[i] ?? ""]));
}

/**
 * Begins a class with what was planned and fitted, which it keeps whatever changes later.
 *
 * @returns the new class's id, or that of the class someone else has begun with the same plan in the meantime
 */
export async function beginClass(
  scope: Scope,
  input: { readonly planId: string; readonly groupId: string; readonly day: string; readonly script: ClassScript },
): Promise<string> {
  const own = { organisation_id: scope.organisationId, plan_id: input.planId };
  return scope.database.transaction(async (database) => {
    const [begun] = await database("classes")
      .insert({
        ...own,
        id: randomUUID(),
        group_id: input.groupId,
        day: input.day,
        script: JSON.stringify(input.script),
        last_sequence: 0,
        started_by: scope.accountId,
        started_at: scope.now(),
      })
      .onConflict(database.raw("(organisation_id, plan_id) where withdrawn_at is null"))
      .ignore()
      .returning<{ id: string }[]>("id");
    if (begun) {
      const first = { number: 0, cause: "begun", fromItem: 0, script: input.script } as const;
      await addClassSheet({ ...scope, database }, begun.id, first);
      return begun.id;
    }
    const row = await database("classes").where(own).whereNull("withdrawn_at").first<{ id: string }>("id");
    return row.id;
  });
}

/** Records which movements and whose fits of a class's script were changed; the fits themselves are in the script. */
async function recordScript(scope: Scope, classId: string, before: ClassScript, after: ClassScript): Promise<void> {
  const earlier = new Map(before.people.map((person) => [person.id, JSON.stringify(person.cells)]));
  const fitted = after.people.filter(({ id, cells }) => earlier.get(id) !== JSON.stringify(cells)).map(({ id }) => id);
  const movements = ({ blocks }: ClassScript) => blocks.map(({ movement }) => movement.id);
  await recordChange(
    scope,
    { subject: "classScript", id: classId },
    { movements: movements(before), fitted: [] },
    { movements: movements(after), fitted },
  );
}

/** Why and from where on a class is led otherwise than before. */
export interface ScriptChange extends Pick<NewClassSheet, "cause" | "fromItem"> {
  /** @param script as it is, @returns as it is to be */
  readonly change: (script: ClassScript) => ClassScript;
}

/**
 * Changes a class's script under the lock of its row, so that two changes at once both count. Every script that the class had
 * stays on its list of session sheets.
 *
 * @returns the script as it is now, or null if the organisation has no such class
 */
export async function changeScript(
  scope: Scope,
  classId: string,
  { cause, fromItem, change }: ScriptChange,
): Promise<ClassScript | null> {
  return scope.database.transaction(async (transaction) => {
    const own = { organisation_id: scope.organisationId, id: classId };
    const row = await transaction("classes").where(own).forUpdate().first<ClassRow>("script", "script_revision");
    if (!row) return null;
    const script = change(row.script);
    const number = row.script_revision + 1;
    await transaction("classes")
      .where(own)
      .update({ script: JSON.stringify(script), script_revision: number });
    const within = { ...scope, database: transaction };
    await addClassSheet(within, classId, { number, cause, fromItem, script });
    await recordScript(within, classId, row.script, script);
    return script;
  });
}

/** Everything that happened in a class, in the order it was recorded. */
export async function listEvents(scope: Scope, classId: string): Promise<ClassEvent[]> {
  const rows = await scope
    .database("class_events")
    .where({ organisation_id: scope.organisationId, class_id: classId })
    .orderBy("sequence")
    .select<{ event: ClassEvent }[]>("event");
  return rows.map((row) => row.event);
}

/** What has happened in a class after the events that a device has already. */
export interface Progress {
  readonly events: readonly ClassEvent[];
  /** The number of the last event, to ask on from. */
  readonly last: number;
  readonly scriptRevision: number;
  readonly ended: boolean;
}

/**
 * @param after the number of the last event that the caller has; 0 for none
 * @returns null if the organisation has no such class
 */
export async function progressOf(scope: Scope, classId: string, after: number): Promise<Progress | null> {
  const taught = await classesOf(scope)
    .where({ id: classId })
    .first<{ script_revision: number; ended_at: Date | null }>("script_revision", "ended_at");
  if (!taught) return null;
  const rows = await scope
    .database("class_events")
    .where({ organisation_id: scope.organisationId, class_id: classId })
    .where("sequence", ">", after)
    .orderBy("sequence")
    .select<{ event: ClassEvent; sequence: number }[]>("event", "sequence");
  return {
    events: rows.map(({ event }) => event),
    last: rows.at(-1)?.sequence ?? after,
    scriptRevision: taught.script_revision,
    ended: taught.ended_at !== null,
  };
}
