import type { FitPlan } from "../fit/fit-plan.ts";
import type { FittedGroup } from "../fit/group.ts";
import type { FitMemory, FitPerson } from "../fit/session.ts";
import type { VariantCache } from "../fit/variant-cache.ts";
import type { LeadableFit } from "./leadable-fit.ts";
import { ledFitIncrementally } from "./led-fit.ts";

/** What changes for one person in one block. */
export interface CellChange {
  readonly personId: string;
  readonly blockId: string;
  /** How much of the movement was kept and would be, 0 to 1. */
  readonly before: number;
  readonly after: number;
}

const LESS_TO_SEE = 0.005;

/**
 * The cells that keep more or less in one fit of a group than in another, of the same people and plan.
 *
 * @param plan what is taught
 * @param before one fit
 * @param after the other
 */
export const changedCells = (plan: FitPlan, before: Pick<FittedGroup, "rows">, after: Pick<FittedGroup, "rows">): CellChange[] =>
  before.rows.flatMap((row, i) =>
    row.cells.flatMap(({ fidelity }, b): CellChange[] => {
      const then = after.rows[i]?.cells[b]?.fidelity ?? 0;
      if (Math.abs(then - fidelity) < LESS_TO_SEE) return [];
      return [{ personId: row.personId, blockId: plan.blocks[b]?.id ?? "", before: fidelity, after: then }];
    }),
  );

/**
 * Fits a group without one cap of one participant: for a talk with the person who set it. Nothing is switched off.
 *
 * @param plan what is taught
 * @param people the group
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 */
export function* withoutCapIncrementally(
  plan: FitPlan,
  people: readonly FitPerson[],
  { personId, capId }: { readonly personId: string; readonly capId: string },
  variants: VariantCache,
  memory: FitMemory,
): Generator<undefined, LeadableFit> {
  const freed = people.map((person) =>
    person.id === personId ? { ...person, caps: person.caps.filter(({ id }) => id !== capId) } : person,
  );
  return (yield* ledFitIncrementally(plan, freed, variants, memory)).led;
}
