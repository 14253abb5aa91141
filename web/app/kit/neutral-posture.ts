import { type Build, buildOf, canGrip, canStand, type MeasuredBody, USUAL_BODY } from "@able-tide/core/body/build";
import type { PoseFrame } from "@able-tide/core/body/pose";
import { REFERENCE_STATURE } from "@able-tide/core/body/segments";
import type { OwnAid } from "@able-tide/core/body/supports";
import type { Movement } from "@able-tide/core/movement/format";
import { sampleTrack, type VariantSamples } from "@able-tide/core/movement/samples";
import { segmentOfSample } from "@able-tide/core/movement/solved-samples";
import { trackOf } from "@able-tide/core/movement/track";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "@able-tide/core/movement/variant";
import { SIDES } from "@able-tide/core/side";

export interface Posture {
  readonly build: Build;
  readonly frame: PoseFrame;
  readonly row: Float64Array;
  /** The same as a movement in which nothing moves. */
  readonly samples: VariantSamples;
}

const EASE = { elevation: 16, plane: 15, elbow: 12, forearm: 70 };

/** Standing or sitting still, arms a little open so that each side can be seen. */
const AT_EASE: Movement = {
  format: "able-tide/movement",
  version: 2,
  id: "at-ease",
  name: { en: "At ease" },
  purpose: ["calm"],
  phase: "arrive",
  sided: false,
  breaths: 1,
  stance: { kind: "hip" },
  keys: [
    { at: 0, arms: EASE },
    { at: 1, like: 0 },
  ],
  forms: {
    standing: {},
    supported: {},
    seated: {
      keys: [
        { at: 0, arms: { elevation: 18, plane: 60, elbow: 62, axial: 20 } },
        { at: 1, like: 0 },
      ],
    },
  },
  vary: {},
  cues: {},
};

/** A person as no one in particular: average proportions, standing. */
const NOBODY = { stature: REFERENCE_STATURE, measured: USUAL_BODY };

/** Standing with what a person brings to hold on to: a frame in both hands, a stick in a hand that can grip. */
function standingWith(aid: OwnAid | null, build: Build): VariantSpec {
  const gripping = SIDES.filter((side) => canGrip(build, side));
  const [hand] = [...gripping].reverse();
  if (aid === null || hand === undefined || (aid === "frame" && gripping.length < 2)) return FULL_STANDING_VARIANT;
  return { ...FULL_STANDING_VARIANT, kind: "supported", hold: { by: aid, hand: aid === "frame" ? "both" : hand } };
}

/**
 * A person at ease in their own body: in their wheelchair or on a chair where they do not stand.
 *
 * @param sits whether they sit although their body could stand
 * @param aid what they hold on to while standing
 */
export function neutralPosture(
  person: { readonly stature: number; readonly measured: MeasuredBody } = NOBODY,
  sits = false,
  aid: OwnAid | null = null,
): Posture {
  const build = buildOf(person.measured, person.stature);
  const track = trackOf(AT_EASE, sits || !canStand(build) ? FULL_SEATED_VARIANT : standingWith(aid, build), "right", build);
  if (!track) throw new RangeError("everyone can sit");
  const samples = sampleTrack(track);
  const row = samples.rows.slice(0, samples.rows.length / samples.count);
  return { build, frame: segmentOfSample(samples, 0).frame, row, samples };
}
