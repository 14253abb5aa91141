import { subYears } from "date-fns";
import { recordAction, recordChange } from "../audit/audit.ts";
import { classSheetsOf } from "../classes/class-sheets.ts";
import { classesOf } from "../classes/classes.ts";
import { erasePerson } from "../people/erase.ts";
import { type Scope, today } from "../scope.ts";

/** Years for which something is kept; null: until someone erases it. */
export interface Retention {
  /** Participants, from the day they were archived. */
  readonly personYears: number | null;
  /** Class records, from the day of the class. */
  readonly classYears: number | null;
}

/** How long the organisation keeps what it recorded; until someone erases it, where it never said. */
export async function findRetention({ database, organisationId }: Scope): Promise<Retention> {
  const row = await database("retention")
    .where({ organisation_id: organisationId })
    .first<{ person_years: number | null; class_years: number | null } | undefined>("person_years", "class_years");
  return { personYears: row?.person_years ?? null, classYears: row?.class_years ?? null };
}

export async function changeRetention(scope: Scope, retention: Retention): Promise<void> {
  const before = await findRetention(scope);
  const columns = {
    person_years: retention.personYears,
    class_years: retention.classYears,
    changed_by: scope.accountId,
    changed_at: scope.now(),
  };
  await scope
    .database("retention")
    .insert({ organisation_id: scope.organisationId, ...columns })
    .onConflict("organisation_id")
    .merge(columns);
  await recordChange(scope, { subject: "retention", id: scope.organisationId }, { ...before }, { ...retention });
}

/** What is past the period that the organisation keeps it. */
export interface PastRetention {
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly classes: readonly { readonly id: string; readonly day: string; readonly groupName: string }[];
}

/** People who were archived, and classes that ended, longer ago than they are kept. */
export async function pastRetention(scope: Scope): Promise<PastRetention> {
  const { personYears, classYears } = await findRetention(scope);
  const people =
    personYears === null
      ? []
      : await scope
          .database("people")
          .where({ organisation_id: scope.organisationId })
          .where("archived_at", "<", subYears(scope.now(), personYears))
          .orderBy(["name", "id"])
          .select<{ id: string; name: string }[]>("id", "name");
  const classes =
    classYears === null
      ? []
      : await classesOf(scope)
          .whereNotNull("ended_at")
          .where("day", "<", subYears(today(scope), classYears))
          .orderBy(["day", "id"])
          .select<{ id: string; day: string; groupName: string }[]>(
            "id",
            "day",
            scope.database.raw(`script ->> 'groupName' as "groupName"`),
          );
  return { people, classes };
}

const deleteClass = (scope: Scope, classId: string): Promise<void> =>
  scope.database.transaction(async (database) => {
    const own = { organisation_id: scope.organisationId };
    await classSheetsOf({ ...scope, database })
      .where({ class_id: classId })
      .delete();
    await database("class_events")
      .where({ ...own, class_id: classId })
      .delete();
    await database("classes")
      .where({ ...own, id: classId })
      .delete();
    await recordAction({ ...scope, database }, "deleted", { subject: "class", id: classId });
  });

/** Erases what is past its period. @returns how many people and classes */
export async function erasePast(scope: Scope): Promise<{ readonly people: number; readonly classes: number }> {
  const { people, classes } = await pastRetention(scope);
  let erased = 0;
  for (const { id } of people) if ((await erasePerson(scope, id)) === "erased") erased += 1;
  for (const { id } of classes) await deleteClass(scope, id);
  return { people: erased, classes: classes.length };
}
