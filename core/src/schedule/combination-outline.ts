import type { Movement } from "../movement/format.ts";
import type { Combination } from "../plan/combination.ts";
import type { Pair } from "../side.ts";
import type { BodyState } from "./body-state.ts";
import { withMovements } from "./items-with-movements.ts";
import { type PlanContext, schedulePlan } from "./schedule-plan.ts";

/** A combination as a whole: how everyone stands when it begins and when it is over, and how long it takes. */
export interface CombinationOutline {
  readonly begins: BodyState;
  readonly ends: BodyState;
  /** Seconds from its first movement's explanation and demonstration to the end of its last repetition. */
  readonly seconds: number;
  /** Repetitions of all parts and passes on the left and the right. */
  readonly repetitions: Pair;
}

/**
 * Reads a combination as the only item of a plan. Its entry is that of its first part and its exit that of its last, whatever
 * happens in between.
 *
 * @param combination parts and passes
 * @param movements that are known
 * @param rounds repetitions of a pass that does not say its own
 * @param context venue, style, breath length and what the group knows
 * @returns null where the movement of a part is not known
 */
export function outlineCombination(
  combination: Combination,
  movements: readonly Movement[],
  rounds: number,
  context: PlanContext,
): CombinationOutline | null {
  const movementId = combination.parts[0]?.movementId ?? "";
  const items = withMovements([{ id: "b1", movementId, rounds, combined: combination }], movements);
  const { blocks, leaving } = schedulePlan(items, context);
  const [first] = blocks;
  const last = blocks.at(-1);
  if (!first || !last) return null;
  const sum = (i: 0 | 1): number => blocks.reduce((all, { repetitionsPerSide }) => all + repetitionsPerSide[i], 0);
  return {
    begins: first.transition.to,
    ends: leaving.from,
    seconds: last.to - first.from - first.parts.transition,
    repetitions: [sum(0), sum(1)],
  };
}
