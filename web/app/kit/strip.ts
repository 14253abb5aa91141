import type { Build } from "@able-tide/core/body/build";
import { ROW_WIDTH } from "@able-tide/core/body/channels";
import { bestView } from "@able-tide/core/figure/best-view";
import { VIEWS, type ViewName } from "@able-tide/core/figure/camera";
import { type FramedPose, type Picture, pictureOf } from "@able-tide/core/figure/framing";
import { tellingPoses } from "@able-tide/core/figure/telling-poses";
import { createMemo } from "@able-tide/core/memo";
import type { Movement } from "@able-tide/core/movement/format";
import { sampleTrack, type VariantSamples } from "@able-tide/core/movement/samples";
import { segmentOfSample } from "@able-tide/core/movement/solved-samples";
import { trackOf } from "@able-tide/core/movement/track";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import type { Side } from "@able-tide/core/side";

/** The key poses that tell a movement, and from where they are looked at. */
export interface Strip {
  readonly poses: readonly FramedPose[];
  readonly build: Build;
  readonly view: ViewName;
  readonly picture: Picture;
}

/** Poses of a strip at most: more are too small to be read. */
const MOST_POSES = 4;

const views = new WeakMap<VariantSamples, ViewName>();

/** The view from which a solved movement is told best, found once. */
export function viewOf(samples: VariantSamples): ViewName {
  const known = views.get(samples) ?? bestView(samples);
  views.set(samples, known);
  return known;
}

const strips = new WeakMap<VariantSamples, Strip>();

/** The strip of a solved movement, from the view that tells it best. */
export function stripOf(samples: VariantSamples): Strip {
  const known = strips.get(samples) ?? stripFrom(samples, viewOf(samples));
  strips.set(samples, known);
  return known;
}

/** The strip of a solved movement from a view. */
export function stripFrom(samples: VariantSamples, view: ViewName): Strip {
  const poses = tellingPoses(samples, MOST_POSES).map((sample) => ({
    row: samples.rows.slice(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH),
    frame: segmentOfSample(samples, sample).frame,
  }));
  return { poses, build: samples.build, view, picture: pictureOf(poses, VIEWS[view]) };
}

/** Strips that are kept: every movement of a few organisations. */
const MOST_KEPT = 400;
const kept = createMemo<string, Strip | null>(MOST_KEPT);

/**
 * The strip of a variant of a movement, on a usual body; solved once for the same movement.
 *
 * @returns null where there is no such variant, or no body can do it
 */
export const movementStrip = (movement: Movement, variant: VariantSpec, lead: Side): Strip | null =>
  kept(JSON.stringify([movement, variant, lead]), () => {
    const track = trackOf(movement, variant, lead);
    const samples = track && sampleTrack(track);
    return samples && samples.problem === null ? stripOf(samples) : null;
  });
