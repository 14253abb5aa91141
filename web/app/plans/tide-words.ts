import { type Movement, taughtName } from "@able-tide/core/movement/format";
import type { PlanAnalysis } from "@able-tide/core/planner/analyze-plan";

/** The tide of a plan as words: each movement's demand, and the demand of standing up and sitting down between them. */
export const formatTide = (blocks: readonly { readonly movement: Movement }[], { balance, rising }: PlanAnalysis): string =>
  blocks
    .flatMap(({ movement }, i) => {
      const between = rising[i];
      return [
        ...(between ? [`standing up or sitting down ${between.toFixed(1)}`] : []),
        `${taughtName(movement)} ${(balance[i] ?? 0).toFixed(1)}`,
      ];
    })
    .join(", ");
