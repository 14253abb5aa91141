import { type BodyAxes, pointAt } from "../body/body-axes.ts";
import { pointColumn } from "../body/channels.ts";
import type { Vector } from "../body/vector.ts";
import { SIDES, sideSign } from "../side.ts";
import { ballPart } from "./limb.ts";
import { type FigurePart, moved, partOf, type Ring, roundedEnd } from "./part.ts";

/** Height of the head under the crown, half breadth, depth ahead and behind of the face, from the chin up, shares of stature. */
const FACE = [
  [-0.132, 0.02, 0.034, 0.005],
  [-0.126, 0.028, 0.043, 0.018],
  [-0.112, 0.036, 0.05, 0.032],
  [-0.095, 0.0415, 0.0525, 0.044],
  [-0.075, 0.0445, 0.053, 0.052],
  [-0.055, 0.0455, 0.0525, 0.0565],
  [-0.035, 0.044, 0.049, 0.0555],
  [-0.018, 0.037, 0.04, 0.046],
  [-0.006, 0.022, 0.024, 0.028],
] as const;

/** The cap of hair: the same measures; it leaves the face free. */
const HAIR = [
  [-0.108, 0.036, -0.004, 0.04],
  [-0.095, 0.0435, -0.002, 0.05],
  [-0.075, 0.0475, 0.002, 0.0575],
  [-0.055, 0.0485, 0.014, 0.0615],
  [-0.038, 0.0475, 0.046, 0.061],
  [-0.024, 0.043, 0.0485, 0.0545],
  [-0.01, 0.0315, 0.036, 0.041],
  [0.002, 0.012, 0.014, 0.016],
] as const;

/** The head stands a little behind the line from neck to crown. */
const SET_AHEAD = 0.002;

function headRings(
  crown: Vector,
  { up, right, ahead }: BodyAxes,
  profile: readonly (readonly [number, number, number, number])[],
): Ring[] {
  return profile.map(([height, half, front, back]) => ({
    at: moved(moved(crown, up, height), ahead, SET_AHEAD),
    u: right,
    v: ahead,
    half,
    front,
    back,
  }));
}

/** The nose: height under the crown, how far ahead, half its breadth and depth, from its tip up, shares of stature. */
const NOSE = [
  [-0.095, 0.048, 0.006, 0.007],
  [-0.088, 0.05, 0.0092, 0.016],
  [-0.077, 0.051, 0.0066, 0.01],
  [-0.06, 0.05, 0.004, 0.004],
] as const;

/**
 * Face, hair, nose, eyes and ears: which way the head looks is told from each side.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param axes of its head
 * @param large how many times larger than life eyes and nose are
 */
export function headParts(row: Float64Array, axes: BodyAxes, large: number): FigurePart[] {
  const { up, ahead, right } = axes;
  const crown = pointAt(row, pointColumn("crown"));
  const place = (height: number, forward: number, aside: number): Vector =>
    moved(moved(moved(crown, up, height), ahead, forward), right, aside);
  const down: Vector = [-up[0], -up[1], -up[2]];
  const face = headRings(crown, axes, FACE);
  const hair = headRings(crown, axes, HAIR);
  const [chin] = face;
  const nose = NOSE.map(
    ([height, forward, half, front]): Ring => ({
      at: place(height, forward, 0),
      u: right,
      v: ahead,
      half: half * large,
      front: front * large,
      back: 0.006,
    }),
  );
  return [
    partOf({ name: "face", material: "skin", side: null }, [...(chin ? roundedEnd(chin, down, 0.006, true) : []), ...face]),
    partOf({ name: "hair", material: "hair", side: null }, hair),
    partOf({ name: "nose", material: "nose", side: null }, nose),
    ...SIDES.flatMap((side) => {
      const s = sideSign(side);
      const eye = place(-0.065, 0.0475, s * 0.0185);
      return [
        ballPart({ name: "eye", material: "eye", side }, eye, up, 0.0056 * large, 0.0045 * large, ahead),
        ballPart({ name: "face", material: "skin", side }, place(-0.074, -0.004, s * 0.0475), up, 0.0145, 0.0065, ahead),
      ];
    }),
  ];
}
