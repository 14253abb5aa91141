import type { Circumstances } from "../body/balance-demand.ts";
import type { Build } from "../body/build.ts";
import type { WaterEquipment } from "../body/water-equipment.ts";
import { INTERVALS } from "../movement/solved-samples.ts";
import type { VariantSpec } from "../movement/variant.ts";

/** Whose variant it is: stature in metres and proportions. */
export interface Performer {
  readonly stature: number;
  readonly build: Build;
  /** Metres of water where they stand or sit; none on land. */
  readonly depth?: number | null;
  /** Metres of water at the shallowest place they come to. */
  readonly shallowest?: number | null;
  /** Kilograms; a usual one where it is not known. */
  readonly mass?: number | null;
  /** What is in their hands in water. */
  readonly equipment?: WaterEquipment;
  /** Whether drag is read; only caps on it need it. */
  readonly readsDrag?: boolean;
  /** What is done or stood on besides, unless the variant is eased. */
  readonly circumstances?: Circumstances;
}

/** Samples of a movement with as many key poses as a file may have. */
export const MAX_SAMPLES = 24 * (INTERVALS + 1);

/** Where no one has said how deep it is: water to the lower breastbone, share of stature. */
export const USUAL_DEPTH = 0.7;

/** Whether a variant is done in water: there, or on a chair that stands in it. */
export const isWet = ({ kind }: VariantSpec, { depth }: Performer): boolean =>
  kind === "water" || (kind === "seated" && depth !== null && depth !== undefined);

/**
 * All that demands in water depend on other than the variant and the stature. Mass says nothing where only the water is
 * met.
 */
export const inWater = ({ mass, shallowest, equipment, readsDrag }: Performer, depth: number) => ({
  depth,
  shallowest: shallowest ?? depth,
  equipment: equipment ?? "bare",
  ...(mass && (readsDrag !== false || equipment === "floats") ? { mass } : {}),
  ...(readsDrag === false ? { readsDrag } : {}),
});
