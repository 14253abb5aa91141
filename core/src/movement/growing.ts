import type { Movement } from "./format.ts";
import { rewriteKeys } from "./rewrite-keys.ts";

/** How far the first of several growing repetitions goes: share of the way. Our own number. */
const FIRST_SHARE = 0.5;

/**
 * How far a repetition goes where each goes a little further than the one before: half the way at first, all of it at last.
 *
 * @param number of the repetition, from 0
 * @param rounds repetitions of the turn; a single one goes all the way
 * @returns share of the way, evenly from one repetition to the next
 */
export const growthShare = (number: number, rounds: number): number =>
  rounds < 2 ? 1 : FIRST_SHARE + ((1 - FIRST_SHARE) * Math.min(number, rounds - 1)) / (rounds - 1);

/**
 * A movement that goes only so far from its first key pose. Its steps and its lifted foot are whole: a foot is on the floor or it is
 * not.
 *
 * @param movement as it is done in full
 * @param share of the way, above 0 up to 1
 */
export const partWay = (movement: Movement, share: number): Movement =>
  share >= 1
    ? movement
    : rewriteKeys(movement, (keys) => ({
        keys: keys.map((key, i) => (i === 0 ? key : { ...key, share: share * (key.share ?? 1) })),
        from: keys.map((_, i) => i),
      }));
