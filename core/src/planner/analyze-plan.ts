import { USUAL_BUILD } from "../body/build.ts";
import { REFERENCE_STATURE } from "../body/segments.ts";
import { itemAt } from "../checked-access.ts";
import type { VariantCache } from "../fit/variant-cache.ts";
import { circumstancesOf } from "../plan/plan-item.ts";
import type { PlanItemWithMovement } from "../schedule/items-with-movements.ts";
import { risingBetween } from "../schedule/rising.ts";
import {
  leadingSidesInOrder,
  type PlanContext,
  type PlanSchedule,
  type ScheduledItem,
  schedulePlan,
} from "../schedule/schedule-plan.ts";
import {
  type SideTotals,
  sidesByItem,
  sidesOfItem,
  sumSides,
  type TurnDemands,
  type Uneven,
  unevenSides,
} from "./side-balance.ts";

/** A plan with the demands of its variants on an average body. */
export interface PlanAnalysis {
  readonly reading: PlanSchedule;
  /** One reading a turn, block by block; empty where there is no such variant. */
  readonly demands: readonly TurnDemands[];
  readonly sides: readonly SideTotals[];
  readonly totals: SideTotals;
  readonly uneven: readonly Uneven[];
  /** Greatest balance demand in each block, 0 to 10: the tide line. */
  readonly balance: readonly number[];
  /**
   * Balance demand of standing up or sitting down on the way to each block, and last on the way out; null without
   * either.
   */
  readonly rising: readonly (number | null)[];
}

/** Whose body the tide and the totals are read for: neither depends much on stature. */
const REFERENCE_BODY = { stature: REFERENCE_STATURE, build: USUAL_BUILD };

function demandsOf(block: ScheduledItem, variants: VariantCache): TurnDemands {
  const circumstances = circumstancesOf(block.block, block.plannedVariant.kind === "water");
  const doer = circumstances === null ? REFERENCE_BODY : { ...REFERENCE_BODY, circumstances };
  return variants.demands(block.performed, block.plannedVariant, doer, block.breathSeconds, leadingSidesInOrder(block)) ?? [];
}

/**
 * Schedules a plan and reads the demands of its planned variants for the reference body. Quick once the variants are
 * solved.
 *
 * @param blocks items with their movements, in order
 * @param context venue, style, breath length and what the group knows
 * @param variants cache of solved variants; fills as it is used
 */
export function analyzePlan(blocks: readonly PlanItemWithMovement[], context: PlanContext, variants: VariantCache): PlanAnalysis {
  const reading = schedulePlan(blocks, context);
  const demands = reading.blocks.map((block) => demandsOf(block, variants));
  const sides = reading.blocks.map((block, i) => sidesOfItem(block, itemAt(demands, i)));
  return {
    reading,
    demands,
    sides,
    totals: sumSides(sides),
    uneven: unevenSides(sidesByItem(reading.blocks.map(({ id }, i) => ({ id, sides: itemAt(sides, i) })))),
    balance: demands.map((each) => Math.max(0, ...each.map(({ balance }) => balance.total))),
    rising: risingBetween(reading),
  };
}
