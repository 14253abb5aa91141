import { type HoldRecord, holdRecords } from "@able-tide/core/class/clean-holds";
import { classState } from "@able-tide/core/class/events";
import type { Scope } from "../scope.ts";
import { classesWithHolds } from "./class-records.ts";

/** Classes that are looked back on: more than three in a row, with some in which nothing was held. */
const LOOK_BACK = 8;

/**
 * How a group last held movements before a day, and how often in a row it did so cleanly; by the movement's id.
 *
 * @param before ISO calendar day
 */
export async function heldBefore(scope: Scope, groupId: string, before: string): Promise<Record<string, HoldRecord>> {
  const classes = await classesWithHolds(scope, groupId, before, LOOK_BACK);
  return holdRecords(classes.map(({ taught, events }) => ({ script: taught, state: classState(events) })));
}
