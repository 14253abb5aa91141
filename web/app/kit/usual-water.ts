import { USUAL_DEPTH } from "@able-tide/core/fit/performer";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import { waterlineAt } from "@able-tide/core/movement/water-demand";

/**
 * Height of the water over the floor for a figure that is of no one: it stands in water of the usual depth. Share of stature;
 * undefined on land.
 *
 * @param variant that the figure shows
 * @param inWater whether it is in water: who sits in a pool chair is too
 */
export const usualWaterline = ({ kind }: Pick<VariantSpec, "kind">, inWater = kind === "water"): number | undefined =>
  inWater ? waterlineAt(USUAL_DEPTH, 1, kind === "seated") : undefined;
