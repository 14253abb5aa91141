import type { FitPerson } from "@able-tide/core/fit/session";
import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
import type { Fix } from "@able-tide/core/planner/fixes";
import { findBreakIssues, type PlanIssue } from "@able-tide/core/planner/plan-issues";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { useEffect, useMemo, useState } from "react";
import { PRIORITY } from "../../jobs/fit-runner.ts";
import { useStore } from "../kit/use-store.ts";
import { boardRunner } from "../workers/browser-runner.ts";
import { createLatestJob } from "../workers/latest-job.ts";
import type { LookedAt } from "./use-plan-look.ts";

/** Milliseconds after a fit before fixes are tried: an instructor who goes on planning changes the plan before. */
const QUIET = 1500;

const NONE: readonly PlanIssue[] = [];

/**
 * Whether the room sits down between two stretches on its feet, and which small changes would save that. They are tried in
 * the board's worker, which knows everyone, behind all that is asked of it.
 *
 * @param sheet how the plan is led; null until that is known
 */
export function useBreakFixes(
  { draft, timing }: LookedAt,
  setting: PlanSetting,
  people: readonly FitPerson[],
  sheet: SessionSheet | null,
): { readonly notes: readonly PlanIssue[]; readonly fixes: readonly Fix[] | null } {
  const notes = useMemo(() => (sheet === null ? NONE : findBreakIssues(sheet)), [sheet]);
  const [finder] = useState(() => createLatestJob(boardRunner, "breakFixes", PRIORITY.background));
  const found = useStore(finder);

  useEffect(() => {
    if (sheet === null || notes.length === 0) return;
    const input = { content: draft, timing, setting, people, sheet };
    const begun = setTimeout(() => finder.request(input), QUIET);
    return () => {
      clearTimeout(begun);
      finder.stop();
    };
  }, [finder, draft, timing, setting, people, sheet, notes]);

  return { notes, fixes: sheet !== null && found.input?.sheet === sheet ? found.result : null };
}
