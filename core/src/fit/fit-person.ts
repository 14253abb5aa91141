import { runToCompletion } from "../run-to-completion.ts";
import type { FitPlan } from "./fit-plan.ts";
import { type FittedRow, rowOf } from "./fitted-row.ts";
import { createFitMemory, type FitMemory, type FitPerson, personOptionsIncrementally, selectOptions } from "./session.ts";
import { limitedResources } from "./support-options.ts";
import type { VariantCache } from "./variant-cache.ts";

/** Fits one person to every block of a plan, with the room to themselves, a block at a time. */
export function* fitPersonIncrementally(
  plan: FitPlan,
  person: FitPerson,
  library: VariantCache,
  memory: FitMemory = createFitMemory(),
): Generator<undefined, FittedRow> {
  const options = yield* personOptionsIncrementally(plan, person, limitedResources(plan.place, 1), library, memory);
  return rowOf(options, selectOptions(options));
}

/** Fits one person to every block of a plan in one go. */
export function fitPerson(plan: FitPlan, person: FitPerson, library: VariantCache, memory?: FitMemory): FittedRow {
  return runToCompletion(fitPersonIncrementally(plan, person, library, memory));
}
