import { runToCompletion } from "../run-to-completion.ts";
import type { FitPlan } from "./fit-plan.ts";
import { type FittedRow, rowOf } from "./fitted-row.ts";
import { createFitMemory, type FitMemory, type FitPerson, personOptionsIncrementally, selectOptions } from "./session.ts";
import { limitedResources } from "./support-options.ts";
import type { VariantCache } from "./variant-cache.ts";

/**
 * Fits one participant to every item of a plan, as if no one shared the venue. Yields between items.
 *
 * @param plan what is taught
 * @param person whom it is fitted to
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 */
export function* fitPersonIncrementally(
  plan: FitPlan,
  person: FitPerson,
  variants: VariantCache,
  memory: FitMemory = createFitMemory(),
): Generator<undefined, FittedRow> {
  const options = yield* personOptionsIncrementally(plan, person, limitedResources(plan.resources, 1), variants, memory);
  return rowOf(options, selectOptions(options));
}

/**
 * Runs `fitPersonIncrementally` to its end.
 *
 * @param plan what is taught
 * @param person whom it is fitted to
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 */
export function fitPerson(plan: FitPlan, person: FitPerson, variants: VariantCache, memory?: FitMemory): FittedRow {
  return runToCompletion(fitPersonIncrementally(plan, person, variants, memory));
}
