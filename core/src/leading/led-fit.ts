import type { FitPlan } from "../fit/fit-plan.ts";
import type { FittedRow } from "../fit/fitted-row.ts";
import { type FittedGroup, fitGroupIncrementally } from "../fit/group.ts";
import type { FitMemory, FitPerson } from "../fit/session.ts";
import type { VariantCache } from "../fit/variant-cache.ts";
import { type LeadableFit, leadableFitIncrementally } from "./leadable-fit.ts";

/** The fit of a group to a plan: as one person can lead it, and what it would be without that bound. */
export interface LedFit {
  readonly free: FittedGroup;
  readonly led: LeadableFit;
}

/**
 * Fits a group to a plan so that one person can lead it. Yields, so that other work may run.
 *
 * @param plan what is taught
 * @param people at most 60 participants
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 * @param known receives each row as fitted alone and without the bound, as soon as it is known
 */
export function* ledFitIncrementally(
  plan: FitPlan,
  people: readonly FitPerson[],
  variants: VariantCache,
  memory: FitMemory,
  known?: (row: FittedRow) => void,
): Generator<undefined, LedFit> {
  const free = yield* fitGroupIncrementally(plan, people, variants, memory, known);
  return { free, led: yield* leadableFitIncrementally(plan, people, free) };
}
