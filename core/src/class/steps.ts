import type { Movement } from "../movement/format.ts";
import { ALLOWANCES, planTime, repetitions } from "../plan/time.ts";
import type { Side } from "../side.ts";

/** One thing done together in class: a block, or one side of it. */
export interface ClassStep {
  readonly blockIndex: number;
  /** The side that leads; null where both are done in turn within a round. */
  readonly side: Side | null;
  readonly rounds: number;
  /** Seconds of one round. */
  readonly roundSeconds: number;
  /** Seconds before its rounds: showing it, or changing sides. */
  readonly lead: number;
  /** When it should begin, seconds from the start of the class. */
  readonly from: number;
}

/** The order of a class: each block, a sided one first on the right and then on the left. */
export function classSteps(
  blocks: readonly { readonly movement: Movement; readonly rounds: number }[],
  breathSeconds: number,
): ClassStep[] {
  const time = planTime(blocks, breathSeconds);
  return blocks.flatMap(({ movement, rounds }, blockIndex) => {
    const roundSeconds = movement.breaths * breathSeconds;
    const blockFrom = time.blocks[blockIndex]?.from ?? 0;
    const sides: readonly (Side | null)[] = movement.sided ? ["right", "left"] : [null];
    const roundsEach = repetitions(movement, rounds) / sides.length;
    return sides.map((side, turn) => ({
      blockIndex,
      side,
      rounds: roundsEach,
      roundSeconds,
      lead: turn === 0 ? ALLOWANCES.showing : ALLOWANCES.sideChange,
      from: blockFrom + turn * (ALLOWANCES.showing + roundsEach * roundSeconds),
    }));
  });
}

/**
 * Where the rounds of a step stand.
 *
 * @param seconds since the step began
 * @returns 0 while it is being shown, then the round from 1; after the last round it stays there
 */
export const roundAt = (step: ClassStep, seconds: number): number =>
  seconds < step.lead ? 0 : Math.min(step.rounds, Math.floor((seconds - step.lead) / step.roundSeconds) + 1);
