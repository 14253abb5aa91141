import { CHANGE_COST, type ChangeCost } from "./session-rules.ts";

/** The room stands up, or sits down. */
export type RoomChange = keyof ChangeCost;

/**
 * How a room changes between chair and feet before each item.
 *
 * @param onFeet whether it is on its feet in each
 */
export const roomChangesOf = (onFeet: readonly boolean[]): (RoomChange | null)[] =>
  onFeet.map((stands, i) => (i === 0 || stands === onFeet[i - 1] ? null : stands ? "rise" : "sit"));

const FREE: ChangeCost = { rise: 0, sit: 0 };
const ALONE: ChangeCost = { rise: CHANGE_COST, sit: CHANGE_COST };

/** What a change costs where none may be. */
export const NO_CHANGE: ChangeCost = { rise: Number.POSITIVE_INFINITY, sit: Number.POSITIVE_INFINITY };

/**
 * What a change costs where the room does as planned: nothing with it, and none may be within what goes straight on.
 *
 * @param room how the room changes before the item; null where it does not
 * @param runsOn whether the item goes straight on from the one before
 */
export const plannedChangeCost = (room: RoomChange | null, runsOn: boolean): ChangeCost =>
  room !== null ? FREE : runsOn ? NO_CHANGE : ALONE;
