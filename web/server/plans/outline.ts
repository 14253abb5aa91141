import { MIDDLING_STATURE } from "@able-tide/core/body/segments";
import { meantSteadiness } from "@able-tide/core/fit/cell-view";
import { taughtName } from "@able-tide/core/movement/format";
import { planTime } from "@able-tide/core/plan/time";
import type { Group } from "../groups/groups.ts";
import type { LibraryMovement } from "../movements/movements.ts";
import { type PlanContent, withMovements } from "./plans.ts";
import { solvedForms } from "./solved-forms.ts";

/** A plan at a glance: how long, and how high the tide stands in each block. */
export interface PlanOutline {
  /** Seconds. */
  readonly total: number;
  readonly blocks: readonly { readonly name: string; readonly from: number; readonly to: number; readonly steadiness: number }[];
}

/** Steadiness hardly depends on size, so an outline is drawn for a middling body. */
export function outlineOf(plan: PlanContent, group: Pick<Group, "seatedOnly">, library: readonly LibraryMovement[]): PlanOutline {
  const blocks = withMovements(plan, library);
  const time = planTime(blocks, plan.breathSeconds);
  const steadiness = meantSteadiness(
    { blocks, breathSeconds: plan.breathSeconds, seatedOnly: group.seatedOnly },
    MIDDLING_STATURE,
    solvedForms,
  );
  return {
    total: time.total,
    blocks: blocks.map(({ movement }, i) => ({
      name: taughtName(movement),
      from: time.blocks[i]?.from ?? 0,
      to: time.blocks[i]?.to ?? 0,
      steadiness: steadiness[i] ?? 0,
    })),
  };
}
