import { itemAt } from "../checked-access.ts";
import type { VariantCache } from "../fit/variant-cache.ts";
import type { Movement } from "../movement/format.ts";
import { recordOf } from "../named.ts";
import type { PlanItem } from "../plan/plan-item.ts";
import { CONTENTS, type Content } from "../plan/purpose.ts";
import type { PlanContext, ScheduledItem } from "../schedule/schedule-plan.ts";
import { analyzePlan, type PlanAnalysis } from "./analyze-plan.ts";
import { itemContent } from "./content.ts";

/** Repetitions that a movement is measured by; shares do not depend on them. */
export const REFERENCE_REPETITIONS = 6;

/** What one movement is when nothing is around it. */
export interface MovementAlone {
  readonly block: ScheduledItem;
  /** Its demand, one reading a turn; empty where there is no such variant. */
  readonly demands: PlanAnalysis["demands"][number];
  /** Share of its moving that trains each content, 0 to 1. */
  readonly trains: Readonly<Record<Content, number>>;
}

/**
 * Analyses one movement alone, in the variant that the group is shown.
 *
 * @param movement to analyse
 * @param context venue, style and group
 * @param variants cache of solved variants; fills as it is used
 * @param how it is planned; as the group usually is unless it is said
 */
export function analyzeMovement(
  movement: Movement,
  context: PlanContext,
  variants: VariantCache,
  how: Pick<PlanItem, "as"> = {},
): MovementAlone {
  const planned = [{ block: { id: "b1", movementId: movement.id, rounds: REFERENCE_REPETITIONS, ...how }, movement }];
  const analysis = analyzePlan(planned, context, variants);
  const block = itemAt(analysis.reading.blocks, 0);
  const demands = analysis.demands[0] ?? [];
  const seconds = itemContent(block, demands);
  const moved = Math.max(1, block.parts.repetitions);
  const trains = recordOf(CONTENTS, (name) => seconds[name] / moved);
  return { block, demands, trains };
}
