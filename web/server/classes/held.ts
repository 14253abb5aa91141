import { type HoldRecord, holdRecords } from "@able-tide/core/class/clean-holds";
import { classState } from "@able-tide/core/class/events";
import type { Scope } from "../scope.ts";
import { type ClassRow, countedClassesOf, listEvents, toClass } from "./classes.ts";

/** Classes that are looked back on: more than three in a row, with some in which nothing was held. */
const LOOK_BACK = 8;

/**
 * How a group last held movements before a day, and how often in a row it did so cleanly; by the movement's id.
 *
 * @param before ISO calendar day
 */
export async function heldBefore(scope: Scope, groupId: string, before: string): Promise<Record<string, HoldRecord>> {
  const rows = await countedClassesOf(scope)
    .whereNotNull("ended_at")
    .where({ group_id: groupId })
    .where("day", "<", before)
    .whereRaw("jsonb_path_exists(script, '$.blocks[*].timedHold')")
    .orderBy("day", "desc")
    .limit(LOOK_BACK)
    .select<ClassRow[]>("*");
  const classes = await Promise.all(
    rows.map(toClass).map(async ({ id, script }) => ({ script, state: classState(await listEvents(scope, id)) })),
  );
  return holdRecords(classes);
}
