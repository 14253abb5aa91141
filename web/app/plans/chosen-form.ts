import { type Demand, readDemand } from "@able-tide/core/movement/demand";
import type { FormChoice } from "@able-tide/core/movement/form";
import type { Movement } from "@able-tide/core/movement/format";
import { type FormSamples, sampleTrack } from "@able-tide/core/movement/samples";
import { trackOf } from "@able-tide/core/movement/track";
import { SIDES } from "@able-tide/core/side";

export interface ChosenForm {
  /** The right side leading. */
  readonly samples: FormSamples;
  /** One reading per leading side. */
  readonly demands: readonly Demand[];
}

/** Solves one form for a picture and its readings: a few milliseconds. Null where the movement has no such form. */
export function readChosenForm(movement: Movement, choice: FormChoice, stature: number, cycleSeconds: number): ChosenForm | null {
  const sides = movement.sided ? SIDES.toReversed() : (["right"] as const);
  const solved = sides.flatMap((lead) => {
    const track = trackOf(movement, choice, lead);
    return track ? [sampleTrack(track)] : [];
  });
  const [samples] = solved;
  if (!samples) return null;
  return { samples, demands: solved.map((each) => readDemand(each, { stature }, cycleSeconds)) };
}
