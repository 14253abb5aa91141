import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import type { Movement } from "@able-tide/core/movement/format";
import { EXPLANATION_SECONDS, type PlanItem } from "@able-tide/core/plan/plan-item";
import { analyzePlan } from "@able-tide/core/planner/analyze-plan";
import { fixDuration, overrunSeconds } from "@able-tide/core/planner/fix-duration";
import { withMovements } from "@able-tide/core/schedule/items-with-movements";
import { type PlanSetting, planContextOf } from "@able-tide/core/schedule/plan-setting";
import type { DemoPlanItem, DemoProgramme } from "./demo-person.ts";
import { STYLE } from "./kittiwake-rooms.ts";

const variants = createVariantCache();

/** What a plan item says of how it is done. */
function howOf(how: DemoPlanItem[2]): Partial<PlanItem> {
  if (how === undefined) return {};
  if (typeof how === "string") return { equipment: how };
  if ("secondTask" in how) return how;
  return "passes" in how ? { combined: how } : { timedHold: how };
}

/** The blocks of one week's plan, deepened or shortened by what the product proposes until they fill the session. */
export function planWeek(
  programme: DemoProgramme,
  week: number,
  setting: Omit<PlanSetting, "fitPlace" | "seats" | "softFloor" | "poolFloor" | "floor">,
  movements: readonly Movement[],
): readonly PlanItem[] {
  const context = planContextOf(setting, { style: STYLE, breathSeconds: programme.breathSeconds });
  let blocks: readonly PlanItem[] = (programme.blocks?.(week) ?? []).map(([movementId, rounds, how], i) => ({
    id: `b${i + 1}`,
    movementId,
    rounds,
    ...howOf(how),
  }));
  for (;;) {
    const planned = withMovements(blocks, movements);
    const analysis = analyzePlan(planned, context, variants);
    const last = fixDuration({ blocks: planned, context, variants }, analysis, programme).at(-1);
    if (!last) return withTalk(blocks, -overrunSeconds(analysis, programme));
    blocks = last.blocks;
  }
}

/** What is left over is spent on a word at the start. @param left seconds */
function withTalk(blocks: readonly PlanItem[], left: number): readonly PlanItem[] {
  const talk = EXPLANATION_SECONDS.step * Math.floor(left / EXPLANATION_SECONDS.step);
  return talk < EXPLANATION_SECONDS.step ? blocks : blocks.map((block, i) => (i === 0 ? { ...block, talk } : block));
}
