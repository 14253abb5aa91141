import type { Landmark } from "@able-tide/core/body/channels";
import type { MovedPart } from "@able-tide/core/movement/moved-parts";
import type { VariantKind } from "@able-tide/core/movement/variant";

/**
 * Demands of a variant on an average body at a usual breath length, or the lowest of several variants for each demand.
 */
export interface DemandFigures {
  readonly balance: number;
  /** The highest landmark that a hand goes over; null below the lap. */
  readonly handsOver: Landmark | null;
  /** Greatest flexion of a knee that carries weight, degrees. */
  readonly loadedKnee: number;
  /** How far the neck and the spine bend or turn either way, degrees. */
  readonly neck: number;
  readonly spine: number;
}

/** Demand of a movement in its fullest land variant. */
export interface FullestDemand extends DemandFigures {
  readonly form: VariantKind;
  /** The parts of the body that it moves. */
  readonly parts: readonly MovedPart[];
}
