import type { RoomChange } from "../fit/room-changes.ts";
import type { ChangeCost } from "../fit/session-rules.ts";

/** What changes between chair and feet cost a participant, shares of a plan item. */
export interface SheetCosts {
  /** With the room, in the same direction. */
  readonly withRoom: number;
  /** While the room does not change. */
  readonly alone: number;
  /** While the room changes the other way. */
  readonly against: number;
}

/**
 * Our own numbers. A change takes time and is a hazard even where everyone makes it: with less, a group stands up for its last
 * item only to sit down again for the way out. Alone it also takes the helper and everyone's eyes off the movement.
 */
export const SHEET_COSTS: SheetCosts = { withRoom: 0.05, alone: 0.12, against: 0.12 };

/**
 * What standing up and sitting down cost before an item.
 *
 * @param room how the room changes before it; null where it does not
 * @param costs of changes
 */
export const changeCostsOf = (room: RoomChange | null, { withRoom, alone, against }: SheetCosts): ChangeCost => {
  if (room === null) return { rise: alone, sit: alone };
  return room === "rise" ? { rise: withRoom, sit: against } : { rise: against, sit: withRoom };
};
