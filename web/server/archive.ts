import { recordAction } from "./audit/audit.ts";
import { classesOf, isInClass } from "./classes/classes.ts";
import { archiveMovement, bringMovementBack, listArchivedMovements } from "./movements/archive-movement.ts";
import type { Scope } from "./scope.ts";

/** What can be put away and brought back. */
export const ARCHIVED_SUBJECTS = ["person", "group", "venue", "movement"] as const;
export type ArchivedSubject = (typeof ARCHIVED_SUBJECTS)[number];
/** Those that have a row with a mark of their own. */
type ArchivedRow = Exclude<ArchivedSubject, "movement">;

const TABLES: Readonly<Record<ArchivedRow, string>> = { person: "people", group: "groups", venue: "places" };

const rowsOf = ({ database, organisationId }: Scope, subject: ArchivedRow) =>
  database(TABLES[subject]).where({ organisation_id: organisationId });

/** Whether something is needed by what is not archived: a venue by a group that meets there, a person by a class under way. */
async function isNeeded(scope: Scope, subject: ArchivedRow, id: string): Promise<boolean> {
  if (subject === "venue")
    return (await rowsOf(scope, "group").whereNull("archived_at").where({ place_id: id }).first("id")) !== undefined;
  if (subject === "person") return isInClass(scope, id);
  return (await classesOf(scope).whereNull("ended_at").where({ group_id: id }).first("id")) !== undefined;
}

/**
 * Puts something away: it is listed no more, and all that was recorded of it stays.
 *
 * @returns "needed" while something that is not archived needs it
 */
export async function archive(scope: Scope, subject: ArchivedSubject, id: string): Promise<"archived" | "needed" | "unknown"> {
  if (subject === "movement") return archiveMovement(scope, id);
  if (await isNeeded(scope, subject, id)) return "needed";
  return scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    const changed = await rowsOf(within, subject).where({ id }).whereNull("archived_at").update({ archived_at: scope.now() });
    if (changed !== 1) return "unknown";
    await recordAction(within, "archived", { subject, id });
    return "archived";
  });
}

/** Brings something back as it was. @returns false for what is not archived */
export async function bringBack(scope: Scope, subject: ArchivedSubject, id: string): Promise<boolean> {
  if (subject === "movement") return bringMovementBack(scope, id);
  return scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    const changed = await rowsOf(within, subject).where({ id }).whereNotNull("archived_at").update({ archived_at: null });
    if (changed !== 1) return false;
    await recordAction(within, "broughtBack", { subject, id });
    return true;
  });
}

/** Something that was put away. */
export interface Archived {
  readonly subject: ArchivedSubject;
  readonly id: string;
  readonly name: string;
  /** ISO instant. */
  readonly at: string;
}

async function archivedOf(scope: Scope, subject: ArchivedSubject): Promise<{ id: string; name: string; at: Date }[]> {
  if (subject === "movement") return listArchivedMovements(scope);
  return rowsOf(scope, subject)
    .whereNotNull("archived_at")
    .orderBy(["name", "id"])
    .select<{ id: string; name: string; at: Date }[]>("id", "name", "archived_at as at");
}

/** What was put away, by kind and name. */
export async function listArchived(scope: Scope): Promise<Archived[]> {
  const found = ARCHIVED_SUBJECTS.map(async (subject) =>
    (await archivedOf(scope, subject)).map(({ at, ...row }): Archived => ({ subject, ...row, at: at.toISOString() })),
  );
  return (await Promise.all(found)).flat();
}
