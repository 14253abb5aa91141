import { numberAt } from "../checked-access.ts";
import { type Side, sideIndex, sideSign } from "../side.ts";
import type { Moments } from "./arm.ts";
import { type Build, hasFoot } from "./build.ts";
import { rangeNamed } from "./channels.ts";
import {
  ANKLE,
  addLegMass,
  BALL,
  DORSIFLEXION,
  HEEL,
  HIP,
  HIP_ABDUCTION,
  HIP_FLEXION,
  HIP_ROTATION,
  KNEE,
  KNEE_RANGE,
  shankOf,
  TO_BALL,
  TO_HEEL,
  TO_TOE,
  TOE,
  thighOf,
} from "./leg-parts.ts";
import { DEGREE, type Rotation } from "./rotation.ts";
import { SHARE } from "./segments.ts";

/** Angles of a leg that is off the floor, relative to the pelvis, degrees; rotation is outward. */
export interface FreeLegAngles {
  flexion: number;
  abduction: number;
  rotation: number;
  knee: number;
  ankle: number;
}

/** How far a foot may bend to keep off the floor, degrees: the ordinary range of an ankle. */
export const ANKLE_BOUNDS = rangeNamed("dorsiflexion");

/**
 * The ankle angle nearest to the one wanted at which a point of the sole is on the floor, degrees; the wanted one where the
 * point is over the floor already, or no angle brings it there.
 *
 * @param along from the ankle's foot point along the foot, share of H
 * @param ankleY height of the ankle over the floor
 * @param squareY rise of the foot's own axis at 0 degrees, `shankY` of the shank towards the foot
 */
export function clearOfFloor(
  wanted: number,
  along: number,
  ankleHeight: number,
  ankleY: number,
  squareY: number,
  shankY: number,
): number {
  // Height of the point at an ankle angle d: ankleY + a cos d + b sin d.
  const a = along * squareY + ankleHeight * shankY;
  const b = -along * shankY + ankleHeight * squareY;
  const d = wanted * DEGREE;
  if (ankleY + a * Math.cos(d) + b * Math.sin(d) >= 0) return wanted;
  const reach = Math.sqrt(a * a + b * b);
  if (reach <= Math.abs(ankleY)) return wanted;
  const middle = Math.atan2(b, a);
  const half = Math.acos(-ankleY / reach);
  const apart = (angle: number) => Math.abs(Math.atan2(Math.sin(angle - d), Math.cos(angle - d)));
  const nearest = apart(middle + half) < apart(middle - half) ? middle + half : middle - half;
  const degrees = Math.atan2(Math.sin(nearest), Math.cos(nearest)) / DEGREE;
  return Math.min(ANKLE_BOUNDS.highest, Math.max(ANKLE_BOUNDS.lowest, degrees));
}

/** The directions of a free leg in space, and how high its ankle comes over the floor. */
export interface FreeLeg {
  flexion: number;
  knee: number;
  readonly thigh: [number, number, number];
  readonly fold: [number, number, number];
  shankY: number;
  squareY: number;
  ankleY: number;
}

export const freeLeg: FreeLeg = {
  flexion: 0,
  knee: 0,
  thigh: [0, 0, 0],
  fold: [0, 0, 0],
  shankY: 0,
  squareY: 0,
  ankleY: 0,
};

/** How much a direction given in the axes of the pelvis rises in space. @param s sign of the leg's side */
const riseOf = (direction: readonly [number, number, number], pelvis: Rotation, s: number): number =>
  numberAt(pelvis, 3) * direction[0] + numberAt(pelvis, 4) * direction[1] + numberAt(pelvis, 5) * direction[2] * s;

/** Sets the directions of a free leg from its flexion and knee. */
export function aimFreeLeg(
  { abduction, rotation }: FreeLegAngles,
  side: Side,
  pelvis: Rotation,
  hipY: number,
  build: Build,
): void {
  const { thigh, fold, flexion, knee } = freeLeg;
  const s = sideSign(side);
  const cf = Math.cos(flexion * DEGREE);
  const sf = Math.sin(flexion * DEGREE);
  const ca = Math.cos(abduction * DEGREE);
  const sa = Math.sin(abduction * DEGREE);
  const cr = Math.cos(rotation * DEGREE);
  const sr = Math.sin(rotation * DEGREE);
  thigh[0] = sf * ca;
  thigh[1] = -cf * ca;
  thigh[2] = sa;
  fold[0] = cr * cf - sr * sf * sa;
  fold[1] = cr * sf + sr * cf * sa;
  fold[2] = sr * ca;
  const [t, f] = [riseOf(thigh, pelvis, s), riseOf(fold, pelvis, s)];
  const ck = Math.cos(knee * DEGREE);
  const sk = Math.sin(knee * DEGREE);
  freeLeg.shankY = ck * t - sk * f;
  freeLeg.squareY = ck * f + sk * t;
  freeLeg.ankleY = hipY + thighOf(build, side) * t + shankOf(build, side) * freeLeg.shankY;
}

/** How often a leg is folded anew until its ankle is as high as it has to be: a turned hip takes more than one try. */
export const FOLDS = 4;

/**
 * Folds a free leg at hip and knee, its ankle along the line to the hip, until the ankle is as high as it has to be.
 *
 * @param least height of the ankle over the floor, share of H
 */
export function foldClearOfFloor(
  angles: FreeLegAngles,
  side: Side,
  pelvis: Rotation,
  hipY: number,
  build: Build,
  least: number,
): void {
  const thigh = thighOf(build, side);
  const shank = shankOf(build, side);
  const slant = (knee: number): number =>
    Math.atan2(shank * Math.sin(knee * DEGREE), thigh + shank * Math.cos(knee * DEGREE)) / DEGREE;
  for (let fold = 0; fold < FOLDS && freeLeg.ankleY < least - 1e-9; fold += 1) {
    const reach = Math.sqrt(thigh ** 2 + shank ** 2 + 2 * thigh * shank * Math.cos(freeLeg.knee * DEGREE));
    const shorter = (reach * (hipY - least)) / Math.max(1e-9, hipY - freeLeg.ankleY);
    const cosine = (shorter ** 2 - thigh ** 2 - shank ** 2) / (2 * thigh * shank);
    const before = slant(freeLeg.knee);
    freeLeg.knee = Math.acos(Math.min(1, Math.max(-1, cosine))) / DEGREE;
    freeLeg.flexion += slant(freeLeg.knee) - before;
    aimFreeLeg(angles, side, pelvis, hipY, build);
  }
}

/**
 * Unbends the knee of a leg that lies until its ankle is as high as it has to be: the heel slides along. A straight leg that
 * is still too low lifts at the hip.
 *
 * @param angles of the leg relative to the pelvis, degrees
 * @param side of the leg
 * @param pelvis rotation of the pelvis in space
 * @param hipY height of the hip over what the leg lies on, share of H
 * @param build whose leg it is
 * @param least height of the ankle over what the leg lies on, share of H
 */
export function unbendClearOfBed(
  angles: FreeLegAngles,
  side: Side,
  pelvis: Rotation,
  hipY: number,
  build: Build,
  least: number,
): void {
  const thigh = thighOf(build, side);
  const shank = shankOf(build, side);
  const s = sideSign(side);
  for (let lift = 0; lift < FOLDS && freeLeg.ankleY < least - 1e-9; lift += 1) {
    // Height of the ankle at a knee angle k: hip + thigh T + shank (T cos k - F sin k).
    const [t, f] = [riseOf(freeLeg.thigh, pelvis, s), riseOf(freeLeg.fold, pelvis, s)];
    const needed = (least - hipY - thigh * t) / (shank * Math.hypot(t, f));
    const most = needed > 1 ? 0 : (Math.acos(Math.max(-1, needed)) - Math.atan2(f, t)) / DEGREE;
    freeLeg.knee = Math.max(0, Math.min(freeLeg.knee, most));
    aimFreeLeg(angles, side, pelvis, hipY, build);
    if (freeLeg.knee > 0) continue;
    freeLeg.flexion += Math.max(0, least - freeLeg.ankleY) / (thigh + shank) / DEGREE;
    aimFreeLeg(angles, side, pelvis, hipY, build);
  }
}

/** How often a leg is lifted further, and what under the floor is nothing, share of H. */
export const LIFTS = 6;
export const NOTHING_UNDER = 0.0005;

/** Height of the lowest end of the foot of the free leg over the floor, share of H. */
export function lowestOfFoot(ankleAngle: number, ankleHeight: number): number {
  const { ankleY, squareY, shankY } = freeLeg;
  const cd = Math.cos(ankleAngle * DEGREE);
  const sd = Math.sin(ankleAngle * DEGREE);
  const under = ankleY + ankleHeight * (sd * squareY + cd * shankY);
  const axis = cd * squareY - sd * shankY;
  return under + Math.min(TO_TOE * axis, TO_HEEL * axis);
}

/**
 * Places a leg by its angles, its foot square to the shank but for `ankle`. A foot that would pass under the floor is lifted
 * clear of it: the leg folds until a flat foot fits under it, and the ankle bends. Writes joints and angles, adds mass.
 * Long because thigh, shank and foot are written axis by axis without allocation: it runs for every sample.
 *
 * @param floor height of the bed that the leg lies on, share of H; 0 for a leg over the floor
 */
export function placeFreeLeg(
  row: Float64Array,
  side: Side,
  pelvis: Rotation,
  angles: FreeLegAngles,
  build: Build,
  moments: Moments,
  floor: number,
): void {
  const s = sideSign(side);
  const hip = HIP[sideIndex(side)];
  const knee = KNEE[sideIndex(side)];
  const ankle = ANKLE[sideIndex(side)];
  const heel = HEEL[sideIndex(side)];
  const ball = BALL[sideIndex(side)];
  const toe = TOE[sideIndex(side)];
  const middle: [number, number, number] = [0, 0, 0];
  const thighLength = thighOf(build, side);
  const shankLength = shankOf(build, side);
  // A stump has no foot: heel and toe are where it ends.
  const foot = hasFoot(build, side) ? 1 : 0;
  const ankleHeight = foot * SHARE.ankleHeight;
  const hipY = numberAt(row, hip + 1) - floor;
  freeLeg.flexion = angles.flexion;
  freeLeg.knee = angles.knee;
  aimFreeLeg(angles, side, pelvis, hipY, build);
  let ankleAngle = angles.ankle;
  if (foot === 1) {
    // A foot that the ankle cannot bring flat needs the leg folded further.
    let least: number = ankleHeight;
    for (let lift = 0; lift < LIFTS; lift += 1) {
      if (floor > 0) unbendClearOfBed(angles, side, pelvis, hipY, build, least);
      else foldClearOfFloor(angles, side, pelvis, hipY, build, least);
      const { ankleY, squareY, shankY } = freeLeg;
      ankleAngle = angles.ankle;
      for (const along of [TO_TOE, TO_HEEL]) ankleAngle = clearOfFloor(ankleAngle, along, ankleHeight, ankleY, squareY, shankY);
      const lowest = lowestOfFoot(ankleAngle, ankleHeight);
      if (lowest > -NOTHING_UNDER) break;
      least = ankleY - lowest;
    }
  }
  const { thigh, fold } = freeLeg;
  const ck = Math.cos(freeLeg.knee * DEGREE);
  const sk = Math.sin(freeLeg.knee * DEGREE);
  const inSpace = (axis: number, v: readonly [number, number, number]) =>
    numberAt(pelvis, 3 * axis) * v[0] + numberAt(pelvis, 3 * axis + 1) * v[1] + numberAt(pelvis, 3 * axis + 2) * v[2] * s;
  const cd = Math.cos(ankleAngle * DEGREE);
  const sd = Math.sin(ankleAngle * DEGREE);
  for (let axis = 0; axis < 3; axis += 1) {
    const t = inSpace(axis, thigh);
    const q = inSpace(axis, fold);
    const shank = ck * t - sk * q;
    const square = ck * q + sk * t;
    const footAxis = cd * square - sd * shank;
    const sole = -sd * square - cd * shank;
    const kneeAt = numberAt(row, hip + axis) + thighLength * t;
    const ankleAt = kneeAt + shankLength * shank;
    row[knee + axis] = kneeAt;
    row[ankle + axis] = ankleAt;
    const under = ankleAt - ankleHeight * sole;
    row[heel + axis] = under + foot * TO_HEEL * footAxis;
    row[ball + axis] = under + foot * TO_BALL * footAxis;
    row[toe + axis] = under + foot * TO_TOE * footAxis;
    middle[axis] = under + foot * 0.5 * SHARE.footLength * footAxis;
  }
  row[HIP_FLEXION[sideIndex(side)]] = freeLeg.flexion;
  row[HIP_ABDUCTION[sideIndex(side)]] = angles.abduction;
  row[HIP_ROTATION[sideIndex(side)]] = angles.rotation;
  row[KNEE_RANGE[sideIndex(side)]] = freeLeg.knee;
  row[DORSIFLEXION[sideIndex(side)]] = ankleAngle;
  addLegMass(row, side, build, moments, middle[0], middle[1], middle[2]);
}
