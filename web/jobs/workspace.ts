import type { FitPlan } from "@able-tide/core/fit/fit-plan";
import type { FittedRow } from "@able-tide/core/fit/fitted-row";
import { createFitMemory, type FitMemory, type FitPerson } from "@able-tide/core/fit/session";
import { createVariantCache, type VariantCache } from "@able-tide/core/fit/variant-cache";
import { type PlanTiming, type TimedFit, timedFitIncrementally } from "@able-tide/core/leading/timed-fit";
import { LRUCache } from "lru-cache";

/** A plan and the participants who are fitted to it. */
export interface FitInput {
  readonly plan: FitPlan;
  readonly people: readonly FitPerson[];
  /** What the plan is timed with, so that the time of changes counts; left out where its times stay as they are. */
  readonly timing?: PlanTiming;
  /** Names this fit, so that later jobs can ask about its result; null where nothing is asked later. */
  readonly fitId: string | null;
}

/** Runs steps to their end; other jobs may run in between. @throws the signal's reason once the job is cancelled */
export type RunSteps = <Value>(steps: Generator<undefined, Value>) => Promise<Value>;

/** What one thread has solved, kept from job to job. */
export interface Workspace {
  readonly variants: VariantCache;
  readonly memory: FitMemory;
  /** The fit of a plan, from this thread's latest fits or fitted now. */
  fitted(input: FitInput, run: RunSteps, known?: (row: FittedRow) => void): Promise<TimedFit>;
}

/** Fits that later jobs may ask about. */
const MAX_FITS = 4;

export function createWorkspace(): Workspace {
  const variants = createVariantCache();
  const memory = createFitMemory();
  const fits = new LRUCache<string, Promise<TimedFit>>({ max: MAX_FITS });

  function begin({ plan, people, timing, fitId }: FitInput, run: RunSteps, known?: (row: FittedRow) => void): Promise<TimedFit> {
    const group = run(timedFitIncrementally(plan, people, timing ?? null, variants, memory, known));
    if (fitId === null) return group;
    fits.set(fitId, group);
    group.catch(() => {
      if (fits.get(fitId) === group) fits.delete(fitId);
    });
    return group;
  }

  return {
    variants,
    memory,
    async fitted(input, run, known) {
      const kept = input.fitId === null ? undefined : fits.get(input.fitId);
      if (kept === undefined) return begin(input, run, known);
      // The job that began the fit may be cancelled while this one still needs the result.
      return kept.catch(() => begin(input, run, known));
    },
  };
}
