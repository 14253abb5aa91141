import type { Circumstances } from "../body/balance-demand.ts";
import type { Point } from "../body/base-of-support.ts";
import type { WaterEquipment } from "../body/water-equipment.ts";
import type { Pair } from "../side.ts";
import type { VariantSamples } from "./samples.ts";

/** Who does it, and how deep in water. */
export interface Doer {
  /** Metres. */
  readonly stature: number;
  /** Kilograms; only drag in water needs it. */
  readonly mass?: number;
  /** Metres of water where they stand, or where their chair stands; none on land. */
  readonly depth?: number | undefined;
  /** Metres of water at the shallowest place they come to; the depth where they stand unless it is said. */
  readonly shallowest?: number | undefined;
  /** What is in their hands in water. */
  readonly equipment?: WaterEquipment | undefined;
  /** Whether what the limbs meet in water is read, which takes the longest; read unless it says false. */
  readonly readsDrag?: boolean | undefined;
  /** What else makes it harder to stay steady. */
  readonly circumstances?: Circumstances;
}

/** What demands on land are read from: all but the solved poses themselves, which only water asks for. */
export type DemandSamples = Omit<VariantSamples, "rows" | "segments">;

/** Numbers a sample in a variant's balance, and where each stands. */
export const BALANCE = { width: 4, x: 0, y: 1, z: 2, quietMargin: 3 } as const;

/**
 * How steady one sample is: where the body is over its base, the distance to the edge, share of H, and what water takes
 * off.
 */
export interface Balance {
  place: Point;
  margin: number;
  relief: number;
  /** Share of the weight on the feet. */
  weight: number;
}

/** Whether it is done on a chair: no variant changes its seat on the way. */
export const isSeatedThroughout = ({ footings }: DemandSamples): boolean => footings[0]?.frame.seating.kind === "seated";

/** Drag hardly depends on mass; an average one serves where it is not known. Kilograms. */
export const USUAL_MASS = 70;
export const times = ([left, right]: Pair, seconds: number): Pair => [left * seconds, right * seconds];
