import { taughtName } from "@able-tide/core/movement/format";
import { countMovements } from "@able-tide/core/plan/plan-item";
import { analyzePlan } from "@able-tide/core/planner/analyze-plan";
import { withMovements } from "@able-tide/core/schedule/items-with-movements";
import { type PlanSetting, planContextOf } from "@able-tide/core/schedule/plan-setting";
import type { LibraryMovement } from "../movements/movements.ts";
import type { Plan } from "./plans.ts";
import type { TimesAsLed } from "./session-sheets.ts";
import { solvedVariants } from "./solved-variants.ts";

/** A plan at a glance: how long, and how high the tide stands in each block. */
export interface PlanOutline {
  /** Seconds. */
  readonly total: number;
  /** Movements, the parts of a combination once each. */
  readonly movements: number;
  readonly blocks: readonly {
    readonly name: string;
    readonly from: number;
    readonly to: number;
    readonly balance: number;
    /** Demand of standing up or sitting down before it; null without either. */
    readonly rising: number | null;
  }[];
  /** The same on the way out. */
  readonly leavingRising: number | null;
}

/**
 * A plan at a glance.
 *
 * @param library the movements of the organisation
 * @param times of it as it is led; as planned where they are not known
 */
export function outlineOf(
  plan: Plan,
  setting: PlanSetting,
  library: readonly LibraryMovement[],
  times?: TimesAsLed,
): PlanOutline {
  const blocks = withMovements(
    plan.blocks,
    library.map(({ movement }) => movement),
  );
  const { reading, balance, rising } = analyzePlan(blocks, planContextOf(setting, plan), solvedVariants);
  return {
    total: times?.total ?? reading.total,
    movements: countMovements(blocks.map(({ block }) => block)),
    blocks: reading.blocks.map(({ movement, from, to }, i) => ({
      name: taughtName(movement),
      from: times?.blocks[i]?.from ?? from,
      to: times?.blocks[i]?.to ?? to,
      balance: balance[i] ?? 0,
      rising: rising[i] ?? null,
    })),
    leavingRising: rising.at(-1) ?? null,
  };
}
