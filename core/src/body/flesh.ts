import { otherSide, type Side } from "../side.ts";
import { pelvisAxes, pointAt } from "./body-axes.ts";
import { pointColumn, sidedPointColumn } from "./channels.ts";
import { dot, minus, mix, type Vector } from "./vector.ts";

/**
 * How far the flesh and clothes of a thigh reach from its bone, at the hip, in the middle and at the knee, shares of stature. Usual
 * girths of clothed adults; our own figures, for where a hand comes to rest and for the picture.
 */
export const THIGH_RADIUS = { hip: 0.0535, middle: 0.0475, knee: 0.0425 } as const;

/** Half the thickness of a hand, share of stature. */
export const HALF_HAND = 0.0135;

/**
 * How far the flesh of a thigh reaches from its bone.
 *
 * @param along share of the way from the hip to the knee, 0 to 1
 * @returns share of stature
 */
export function thighRadius(along: number): number {
  const { hip, middle, knee } = THIGH_RADIUS;
  return along < 0.5 ? hip + 2 * along * (middle - hip) : middle + (2 * along - 1) * (knee - middle);
}

/**
 * A place moved out of a thigh, square to its bone, so that a hand there lies on it.
 *
 * @param place middle of the hand
 * @param hip where the bone begins
 * @param knee where it ends
 * @returns the place itself where it is not inside
 */
function outOfThigh(place: Vector, hip: Vector, knee: Vector): Vector {
  const along = minus(knee, hip);
  const share = dot(minus(place, hip), along) / dot(along, along);
  if (share <= 0 || share >= 1) return place;
  const bone = mix(hip, knee, share);
  const far = Math.hypot(...minus(place, bone));
  const needed = thighRadius(share) + HALF_HAND;
  if (far >= needed || far < 1e-6) return place;
  return mix(bone, place, needed / far);
}

/**
 * A place moved out of both thighs: first out of the one on the side of the hand.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param side of the hand
 * @param place middle of the hand
 */
export const outOfThighs = (row: Float64Array, side: Side, place: Vector): Vector =>
  [side, otherSide(side)].reduce(
    (moved, of) => outOfThigh(moved, pointAt(row, sidedPointColumn("hip", of)), pointAt(row, sidedPointColumn("kneeJoint", of))),
    place,
  );

/** Hips and belly with room for the fingers of a hand that slides round them, as an ellipse: from which to which height over the hips, half breadth, depth ahead and behind, shares of H. */
const HIPS = { from: -0.06, to: 0.16, half: 0.114, ahead: 0.064, behind: 0.072 } as const;

/** A place moved out of the hips and the belly, square to the pelvis. */
function outOfHips(row: Float64Array, place: Vector): Vector {
  const { ahead, up, right } = pelvisAxes(row);
  const off = minus(place, pointAt(row, pointColumn("pelvis")));
  const height = dot(off, up);
  if (height < HIPS.from || height > HIPS.to) return place;
  const [forward, aside] = [dot(off, ahead), dot(off, right)];
  const deep = (forward < 0 ? HIPS.behind : HIPS.ahead) + HALF_HAND;
  const out = (Math.abs(forward / deep) ** 3 + Math.abs(aside / (HIPS.half + HALF_HAND)) ** 3) ** (1 / 3);
  if (out >= 1 || out < 1e-6) return place;
  const further = 1 / out - 1;
  return [0, 1, 2].map(
    (axis) => (place[axis] ?? 0) + further * (forward * (ahead[axis] ?? 0) + aside * (right[axis] ?? 0)),
  ) as unknown as Vector;
}

/**
 * A place moved out of thighs, hips and belly, so that a hand that slides from one rest to the next stays on the body.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param side of the hand
 * @param place middle of the hand
 */
export const outOfBody = (row: Float64Array, side: Side, place: Vector): Vector => outOfHips(row, outOfThighs(row, side, place));
