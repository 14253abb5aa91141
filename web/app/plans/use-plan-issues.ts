import type { Movement } from "@able-tide/core/movement/format";
import { movementIdsOf } from "@able-tide/core/plan/plan-item";
import type { SessionTime } from "@able-tide/core/planner/fix-duration";
import type { Fix } from "@able-tide/core/planner/fixes";
import { findPlanIssues, type PlanIssue } from "@able-tide/core/planner/plan-issues";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { useCallback, useEffect, useMemo, useState } from "react";
import { PRIORITY } from "../../jobs/fit-runner.ts";
import type { FixesByCheck, FixesInput } from "../../jobs/planning-jobs.ts";
import { useStore } from "../kit/use-store.ts";
import { checksRunner } from "../workers/browser-runner.ts";
import { createLatestJob } from "../workers/latest-job.ts";
import type { LookedAt } from "./use-plan-look.ts";

export interface CheckedPlan {
  /** The checks that the plan does not pass. */
  readonly notes: readonly PlanIssue[];
  /** The fixes of a check; null while they are being found for the plan as it is. */
  readonly fixesOf: (note: PlanIssue) => readonly Fix[] | null;
}

/** A search for fixes that the instructor begins. */
export interface FindFixes {
  readonly find: () => void;
  /** Whether it stopped before it found any. */
  readonly again: boolean;
}

/** Checks of which some have fixes that are only looked for on request. */
export interface CheckedSession extends CheckedPlan {
  /** Looks for the fixes of a check; null where they come by themselves, or were asked for. */
  readonly findFixes: (note: PlanIssue) => FindFixes | null;
}

const NO_FIXES: readonly Fix[] = [];

/**
 * Checks a plan at once, and finds fixes in a worker, since each is tried on the whole plan.
 *
 * @param time that the session has, and how much of that goes into sitting down and standing up
 */
export function usePlanIssues(
  { draft, analysis, input: planInput }: LookedAt,
  movements: readonly Movement[],
  setting: PlanSetting,
  time: SessionTime,
): CheckedPlan {
  const { style } = planInput.context;
  const notes = useMemo(
    () => findPlanIssues(analysis, { ...time, purpose: draft.purpose, style }),
    [analysis, time, draft.purpose, style],
  );
  const input = useMemo((): FixesInput | null => {
    if (!notes.some(({ toFix }) => toFix !== null)) return null;
    const used = movementIdsOf(draft.blocks);
    return { content: draft, movements: movements.filter(({ id }) => used.has(id)), setting, time };
  }, [notes, draft, movements, setting, time]);
  const [finder] = useState(() => createLatestJob(checksRunner, "fixes", PRIORITY.fit));
  const found = useStore(finder);

  useEffect(() => {
    if (input) finder.request(input);
    return finder.stop;
  }, [finder, input]);

  const fixes: FixesByCheck | null = input !== null && found.input === input ? found.result : null;
  return {
    notes,
    fixesOf: useCallback(
      ({ id, toFix }) => (toFix === null ? NO_FIXES : fixes === null ? null : (fixes.get(id) ?? NO_FIXES)),
      [fixes],
    ),
  };
}
