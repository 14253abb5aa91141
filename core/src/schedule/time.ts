import type { Movement } from "../movement/format.ts";
import type { PlanItem } from "../plan/plan-item.ts";

/** How well a group knows a movement: from the record of what it was taught, and from the plan itself. */
export const FAMILIARITY = ["new", "second", "known", "again"] as const;
export type Familiarity = (typeof FAMILIARITY)[number];

/**
 * Showing a movement before it is done together: seconds of words, and repetitions shown at the pace they will have.
 * `again` is a movement that this session had before. Our own numbers, see docs/planning.md.
 */
export const DEMONSTRATION: Readonly<Record<Familiarity, { readonly words: number; readonly rounds: number }>> = {
  new: { words: 30, rounds: 2 },
  second: { words: 15, rounds: 1 },
  known: { words: 10, rounds: 0 },
  again: { words: 5, rounds: 0 },
};

/** Seconds of "and the other side". */
export const SIDE_CHANGE_WORDS = 3;
/** The end of every session: sit, calf pumps, rise in stages, light-headed? Seconds. */
export const LEAVE_SAFELY_SECONDS = 60;

/** @param times sessions in which the group was taught it before this one */
export const familiarityOf = (times: number): Familiarity => (times === 0 ? "new" : times === 1 ? "second" : "known");

/** Seconds before a movement is begun together; none where it runs straight on. */
export function demonstrationSeconds(familiarity: Familiarity, cycleSeconds: number, straight: boolean): number {
  if (straight) return 0;
  const { words, rounds } = DEMONSTRATION[familiarity];
  return words + rounds * cycleSeconds;
}

/**
 * Seconds of one breath in a block, without a pause: its own or the plan's, and never so short that a
 * repetition is quicker than the group's slowest may move. In half seconds, rounded up.
 *
 * @param slowestCycle the longest of the group's shortest movement cycles, seconds; 0 where no one has one
 */
export function breathOf(
  { breaths }: Pick<Movement, "breaths">,
  block: Pick<PlanItem, "breathSeconds">,
  planBreath: number,
  slowestCycle: number,
): number {
  const wanted = block.breathSeconds ?? planBreath;
  return Math.ceil(2 * Math.max(wanted, slowestCycle / breaths)) / 2;
}
