import type { Movement } from "@able-tide/core/movement/format";
import type { Fix } from "@able-tide/core/planner/fixes";
import { findPlanIssues, type PlanIssue } from "@able-tide/core/planner/plan-issues";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { useEffect, useMemo, useRef, useState } from "react";
import type { IssuesInput, IssuesResult } from "../workers/issues.worker.ts";
import type { LookedAt } from "./use-plan-look.ts";

export interface CheckedPlan {
  /** The checks that the plan does not pass. */
  readonly notes: readonly PlanIssue[];
  /** Fixes by the id of the check; null while they are being found for the plan as it is. */
  readonly fixes: IssuesResult["fixes"] | null;
}

/** Checks a plan at once, and finds fixes in a worker, since each is tried on the whole plan. */
export function usePlanIssues(
  { draft, look, question }: LookedAt,
  movements: readonly Movement[],
  setting: PlanSetting,
  minutes: number,
): CheckedPlan {
  const { style } = question.circumstances;
  const notes = useMemo(
    () => findPlanIssues(look, { minutes, purpose: draft.purpose, style }),
    [look, minutes, draft.purpose, style],
  );
  const [found, setFound] = useState<{ readonly of: PlanIssue[]; readonly fixes: ReadonlyMap<string, readonly Fix[]> } | null>(
    null,
  );
  const worker = useRef<Worker | null>(null);
  const turn = useRef(0);
  const asked = useRef(notes);

  useEffect(() => {
    const started = new Worker(new URL("../workers/issues.worker.ts", import.meta.url), { type: "module" });
    worker.current = started;
    started.onmessage = ({ data }: MessageEvent<IssuesResult>) => {
      if (data.turn === turn.current) setFound({ of: asked.current, fixes: data.fixes });
    };
    return () => {
      started.terminate();
      worker.current = null;
    };
  }, []);

  useEffect(() => {
    turn.current += 1;
    asked.current = notes;
    if (!notes.some(({ toFix }) => toFix !== null)) return;
    const used = new Set(draft.blocks.map(({ movementId }) => movementId));
    const question: IssuesInput = {
      turn: turn.current,
      content: draft,
      movements: movements.filter(({ id }) => used.has(id)),
      setting,
      minutes,
    };
    worker.current?.postMessage(question);
  }, [notes, draft, movements, setting, minutes]);

  return { notes, fixes: found?.of === notes ? found.fixes : null };
}
