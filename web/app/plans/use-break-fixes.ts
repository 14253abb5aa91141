import type { FitPerson } from "@able-tide/core/fit/session";
import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
import type { Fix } from "@able-tide/core/planner/fixes";
import { findBreakIssues, type PlanIssue } from "@able-tide/core/planner/plan-issues";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { useCallback, useEffect, useMemo, useState } from "react";
import { PRIORITY } from "../../jobs/fit-runner.ts";
import { useStore } from "../kit/use-store.ts";
import { boardRunner } from "../workers/browser-runner.ts";
import { createLatestJob } from "../workers/latest-job.ts";
import type { LookedAt } from "./use-plan-look.ts";

const NONE: readonly PlanIssue[] = [];

/** The check on sitting breaks with its fixes. */
export interface BreakFixes {
  readonly notes: readonly PlanIssue[];
  /** Whether fixes were asked for, for the plan as it is, and whether the search for them stopped. */
  readonly asked: boolean;
  readonly failed: boolean;
  /** Null until they are found. */
  readonly fixes: readonly Fix[] | null;
  /** Looks for fixes. */
  readonly find: () => void;
}

/**
 * Whether the room sits down between two stretches on its feet, and on request which small changes would save that. Each is
 * fitted with everyone, which takes the board's worker some seconds: they are not looked for unless someone asks.
 *
 * @param sheet how the plan is led; null until that is known
 */
export function useBreakFixes(
  { draft, timing }: LookedAt,
  setting: PlanSetting,
  people: readonly FitPerson[],
  sheet: SessionSheet | null,
): BreakFixes {
  const notes = useMemo(() => (sheet === null ? NONE : findBreakIssues(sheet)), [sheet]);
  const [finder] = useState(() => createLatestJob(boardRunner, "breakFixes", PRIORITY.draft));
  const found = useStore(finder);
  useEffect(() => (sheet === null ? undefined : finder.stop), [finder, sheet]);
  const asked = sheet !== null && found.input?.sheet === sheet;
  return {
    notes,
    asked: asked && !found.failed,
    failed: asked && found.failed,
    fixes: asked ? found.result : null,
    find: useCallback(() => {
      if (sheet !== null) finder.request({ content: draft, timing, setting, people, sheet });
    }, [finder, draft, timing, setting, people, sheet]),
  };
}
