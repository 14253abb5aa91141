import type { ClassEvent } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import type { Scope } from "../scope.ts";
import {
  type ClassRow,
  type ClassSummary,
  countedClassesOf,
  type SummaryRow,
  summaryColumns,
  type TaughtClass,
  toClass,
  toSummary,
} from "./classes.ts";

/** Everything that happened in some classes, in the order it was recorded, by the class's id. */
async function eventsByClass(scope: Scope, classIds: readonly string[]): Promise<ReadonlyMap<string, readonly ClassEvent[]>> {
  const rows = await scope
    .database("class_events")
    .where({ organisation_id: scope.organisationId })
    .whereIn("class_id", classIds)
    .orderBy(["class_id", "sequence"])
    .select<{ class_id: string; event: ClassEvent }[]>("class_id", "event");
  const events = new Map(classIds.map((id): [string, ClassEvent[]] => [id, []]));
  for (const { class_id, event } of rows) events.get(class_id)?.push(event);
  return events;
}

/** A class with what happened in it. */
export interface ClassRecord<Taught> {
  readonly taught: Taught;
  readonly events: readonly ClassEvent[];
}

async function withEvents<Taught extends { readonly id: string }>(
  scope: Scope,
  classes: readonly Taught[],
): Promise<ClassRecord<Taught>[]> {
  const eventsOf = await eventsByClass(
    scope,
    classes.map(({ id }) => id),
  );
  return classes.map((taught) => ({ taught, events: eventsOf.get(taught.id) ?? [] }));
}

/** What a noted sign is told with: the names and the items of a class, without anyone's variants. */
export interface NotedClass extends Pick<ClassSummary, "id" | "day" | "groupName"> {
  readonly blocks: ClassScript["blocks"];
  /** Names of everyone in the class, by id. */
  readonly names: ReadonlyMap<string, string>;
}

/**
 * Classes of a day or later, running or ended, in which something was noted of anyone, newest first.
 *
 * @param personId of this person alone, where it is given
 */
export async function classesWithNotes(scope: Scope, day: string, personId?: string): Promise<ClassRecord<NotedClass>[]> {
  const { database } = scope;
  const noted = database("class_events")
    .where({ organisation_id: scope.organisationId })
    .whereRaw("event->>'kind' = 'noted'")
    .select("class_id");
  if (personId !== undefined) void noted.whereRaw("event->>'personId' = ?", [personId]);
  const rows = await countedClassesOf(scope)
    .where("day", ">=", day)
    .whereIn("id", noted)
    .orderBy("day", "desc")
    .select<(SummaryRow & { blocks: ClassScript["blocks"]; ids: string[]; names: string[] })[]>(
      ...summaryColumns(scope),
      database.raw("script -> 'blocks' as blocks"),
      database.raw("jsonb_path_query_array(script, '$.people[*].id') as ids"),
      database.raw("jsonb_path_query_array(script, '$.people[*].name') as names"),
    );
  const classes = rows.map(({ id, day, group_name, blocks, ids, names }) => ({
    id,
    day,
    groupName: group_name,
    blocks,
    names: new Map(ids.map((id, i) => [id, names[i] ?? ""])),
  }));
  return withEvents(scope, classes);
}

const endedClassesOf = (scope: Scope, personId: string) =>
  countedClassesOf(scope)
    .whereNotNull("ended_at")
    .whereRaw("script->'people' @> ?::jsonb", [JSON.stringify([{ id: personId }])])
    .orderBy("day", "desc");

/** The last ended class that a person was planned into. */
export async function lastClassOf(scope: Scope, personId: string): Promise<ClassSummary | null> {
  const row = await endedClassesOf(scope, personId).first<SummaryRow>(...summaryColumns(scope));
  return row ? toSummary(row) : null;
}

/** All columns of a class; of the script's people only one, since the variants of the others are most of it. */
const columnsWithOnly = ({ database }: Scope, personId: string) =>
  [
    "id",
    "plan_id",
    "group_id",
    "day",
    "script_revision",
    "ended_at",
    database.raw(
      "jsonb_set(script, '{people}', jsonb_path_query_array(script, '$.people[*] \\? (@.id == $id)', jsonb_build_object('id', ?::text))) as script",
      [personId],
    ),
  ] as const;

/**
 * Ended classes that a person was planned into, oldest first, with what happened in each. Of the people in the script there is
 * only this one.
 *
 * @param most how many classes, the last ones
 */
export async function classesWithEvents(scope: Scope, personId: string, most: number): Promise<ClassRecord<TaughtClass>[]> {
  const rows = await endedClassesOf(scope, personId)
    .limit(most)
    .select<ClassRow[]>(...columnsWithOnly(scope, personId));
  return withEvents(scope, rows.reverse().map(toClass));
}

/**
 * The last ended classes of a group before a day in which something was held for some seconds, newest first, with what happened
 * in each. Of the scripts only the items are read.
 *
 * @param before ISO calendar day
 * @param most how many classes
 */
export async function classesWithHolds(
  scope: Scope,
  groupId: string,
  before: string,
  most: number,
): Promise<ClassRecord<{ readonly id: string; readonly blocks: ClassScript["blocks"] }>[]> {
  const rows = await countedClassesOf(scope)
    .whereNotNull("ended_at")
    .where({ group_id: groupId })
    .where("day", "<", before)
    .whereRaw("jsonb_path_exists(script, '$.blocks[*].timedHold')")
    .orderBy("day", "desc")
    .limit(most)
    .select<{ id: string; blocks: ClassScript["blocks"] }[]>("id", scope.database.raw("script -> 'blocks' as blocks"));
  return withEvents(scope, rows);
}
