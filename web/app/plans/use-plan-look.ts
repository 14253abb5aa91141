import { type FitPlan, fitPlanOf } from "@able-tide/core/fit/fit-plan";
import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import { type PlanTiming, planTimingOf } from "@able-tide/core/leading/timed-fit";
import type { Movement } from "@able-tide/core/movement/format";
import { analyzePlan, type PlanAnalysis } from "@able-tide/core/planner/analyze-plan";
import type { FixInput } from "@able-tide/core/planner/fixes";
import { withMovements } from "@able-tide/core/schedule/items-with-movements";
import { type PlanSetting, planContextOf } from "@able-tide/core/schedule/plan-setting";
import { useMemo, useState } from "react";
import type { Draft } from "./draft.ts";

export interface LookedAt {
  readonly draft: Draft;
  readonly analysis: PlanAnalysis;
  readonly input: FixInput;
  readonly fitPlan: FitPlan;
  readonly timing: PlanTiming;
}

/** Reads the draft at once: time, joins, sides and tide follow every change, also while something is being pulled. */
export function usePlanLook(draft: Draft, setting: PlanSetting, movements: readonly Movement[]): LookedAt {
  const [variants] = useState(createVariantCache);
  return useMemo(() => {
    const context = planContextOf(setting, draft);
    const blocks = withMovements(draft.blocks, movements);
    const analysis = analyzePlan(blocks, context, variants);
    return {
      draft,
      analysis,
      input: { blocks, context, variants },
      fitPlan: fitPlanOf(analysis.reading, setting.fitPlace, draft.style, draft.holds),
      timing: planTimingOf(blocks, setting, draft),
    };
  }, [draft, setting, movements, variants]);
}
