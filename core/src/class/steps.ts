import type { Movement } from "../movement/format.ts";
import { repetitions } from "../plan/time.ts";
import type { Side } from "../side.ts";

/** One thing done together in class: a block, or one side of it. */
export interface ClassStep {
  readonly blockIndex: number;
  /** The side that leads; null where both are done in turn within a round. */
  readonly side: Side | null;
  readonly rounds: number;
  /** Seconds of one round. */
  readonly roundSeconds: number;
}

/** The order of a class: each block, a sided one first on the right and then on the left. */
export function classSteps(
  blocks: readonly { readonly movement: Movement; readonly rounds: number }[],
  breathSeconds: number,
): ClassStep[] {
  return blocks.flatMap(({ movement, rounds }, blockIndex) => {
    const roundSeconds = movement.breaths * breathSeconds;
    const sides: readonly (Side | null)[] = movement.sided ? ["right", "left"] : [null];
    return sides.map((side) => ({ blockIndex, side, rounds: repetitions(movement, rounds) / sides.length, roundSeconds }));
  });
}
