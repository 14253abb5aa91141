import type { FitPlan } from "../fit/fit-plan.ts";
import { createFitMemory, type FitPerson } from "../fit/session.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { type LedFit, ledFitIncrementally } from "./led-fit.ts";

const variants = createVariantCache();
const memory = createFitMemory();

/** Fits a group so that one person can lead it, with what was solved for earlier ones. */
export const ledFit = (plan: FitPlan, people: readonly FitPerson[]): LedFit =>
  runToCompletion(ledFitIncrementally(plan, people, variants, memory));
