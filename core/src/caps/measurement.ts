import type { Landmark } from "../body/channels.ts";
import type { Side } from "../side.ts";
import type { ArmPosition, MeasuredHow, MeasuredRange } from "./measured.ts";

/** A measured range or hand height. */
export interface Measurement {
  readonly id: string;
  readonly range: MeasuredRange | "handHeight";
  readonly side: Side | "none";
  readonly how: MeasuredHow;
  /** Degrees, or the height a hand reached. */
  readonly value: number | Landmark;
  readonly day: string;
  /** In which position of the arm the turn of a shoulder was measured; null for anything else. */
  readonly armPosition: ArmPosition | null;
  readonly recordedBy: string;
}

/** A measurement before it is saved. */
export type MeasurementInput = Omit<Measurement, "id" | "recordedBy" | "armPosition"> & Partial<Pick<Measurement, "armPosition">>;
