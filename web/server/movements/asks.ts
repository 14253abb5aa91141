import { USUAL_BUILD } from "@able-tide/core/body/build";
import {
  handOver,
  LANDMARK_TOLERANCE,
  LANDMARKS,
  type Landmark,
  type SidedColumn,
  sidedColumn,
} from "@able-tide/core/body/channels";
import { MIDDLING_STATURE } from "@able-tide/core/body/segments";
import type { Demand } from "@able-tide/core/movement/demand";
import { type FormKind, FULL_STANDING } from "@able-tide/core/movement/form";
import type { Movement } from "@able-tide/core/movement/format";
import { BREATH_SECONDS } from "@able-tide/core/plan/time";
import { SIDES } from "@able-tide/core/side";
import { solvedForms } from "../plans/solved-forms.ts";

const MIDDLING = { stature: MIDDLING_STATURE, build: USUAL_BUILD };

/** What the fullest land form of a movement asks of a middling body at a usual breath. */
export interface MovementAsks {
  readonly form: FormKind;
  readonly steadiness: number;
  /** The highest landmark that a hand goes over; null below the lap. */
  readonly handsOver: Landmark | null;
  /** Greatest flexion of a knee that carries weight, degrees. */
  readonly loadedKnee: number;
}

const most = (demands: readonly Demand[], name: SidedColumn): number =>
  Math.max(...demands.flatMap((demand) => SIDES.map((side) => demand.highest[sidedColumn(name, side)] as number)));

/** Reads what a movement asks; null for one that is only done in water. */
export function asksOf(movement: Movement): MovementAsks | null {
  for (const form of ["standing", "seated"] as const) {
    const demands = solvedForms.demands(movement, { ...FULL_STANDING, kind: form }, MIDDLING, BREATH_SECONDS.usual);
    if (!demands) continue;
    return {
      form,
      steadiness: Math.max(...demands.map((demand) => demand.steadiness.total)),
      handsOver: LANDMARKS.findLast((landmark) => most(demands, handOver(landmark)) > LANDMARK_TOLERANCE) ?? null,
      loadedKnee: Math.max(0, most(demands, "loadedKnee")),
    };
  }
  return null;
}
