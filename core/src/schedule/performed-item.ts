import { breathedMovement } from "../movement/breathing.ts";
import type { Movement } from "../movement/format.ts";
import { type HoldPiece, holdPieces as piecesOf, type TimedHold } from "../movement/timed-hold.ts";
import { isHeld, type PlanItem } from "../plan/plan-item.ts";
import { pauseOf, type TeachingStyle } from "../plan/style.ts";

/** How a plan item is performed: its movement repeated as it is written, breathed in another way, or held. */
export interface Performance {
  /** The movement as it is done here: a held one with its hold as one repetition. */
  readonly performed: Movement;
  /** Its levels where it is held; null where it is repeated. */
  readonly timedHold: TimedHold | null;
  /** The hold and the shorter ones that someone may do instead, longest first; empty where it is repeated. */
  readonly holdPieces: readonly HoldPiece[];
  /** Seconds for which each breath waits; 0 without a pause. */
  readonly pauseSeconds: number;
}

/**
 * How a plan item is performed. A hold breathes as it goes: it has no pause, and one breath to one.
 *
 * @param item what the plan says of it
 * @param movement that it names
 * @param style whose pause it has where the item has none
 * @param breathSeconds seconds of one breath, without a pause
 * @returns also the movement that is shown before: a hold as one repetition without it
 */
export function performanceOf(
  item: PlanItem,
  movement: Movement,
  style: TeachingStyle,
  breathSeconds: number,
): Performance & { readonly shown: Movement } {
  if (item.timedHold !== undefined && isHeld(item, movement)) {
    const pieces = piecesOf(movement, item.timedHold, breathSeconds);
    const performed = pieces[0]?.movement ?? movement;
    return { performed, timedHold: item.timedHold, holdPieces: pieces, pauseSeconds: 0, shown: movement };
  }
  const pause = pauseOf(style, item);
  const performed = breathedMovement(movement, { breathsToOne: item.breathsToOne ?? 1, pause }, breathSeconds);
  return { performed, timedHold: null, holdPieces: [], pauseSeconds: pause?.seconds ?? 0, shown: performed };
}

/**
 * The movement as one participant does it: with their own, shorter hold where they have one.
 *
 * @param item a scheduled item
 * @param holdSeconds seconds of their hold; the group's where it is left out
 * @returns the movement, and seconds of one repetition of it
 */
export function performedBy(
  {
    performed,
    cycleSeconds,
    holdPieces,
    breathSeconds,
  }: Pick<Performance, "performed" | "holdPieces"> & { readonly cycleSeconds: number; readonly breathSeconds: number },
  holdSeconds: number | undefined,
): { readonly movement: Movement; readonly cycleSeconds: number } {
  const piece = holdPieces.find(({ seconds }) => seconds === holdSeconds);
  return piece
    ? { movement: piece.movement, cycleSeconds: breathSeconds * piece.movement.breaths }
    : { movement: performed, cycleSeconds };
}
