import { numberAt } from "../checked-access.ts";
import { type Side, sideIndex, sideSign } from "../side.ts";
import type { Moments } from "./arm.ts";
import { type Build, lengthIndexes, massIndexes } from "./build.ts";
import { sidedColumns, sidedPointColumns } from "./channels.ts";
import { TOE_PATCH } from "./contacts.ts";
import { DEGREE, type Rotation } from "./rotation.ts";
import { MASS, SHARE } from "./segments.ts";

export const HIP = sidedPointColumns("hip");
export const KNEE = sidedPointColumns("kneeJoint");
export const ANKLE = sidedPointColumns("ankle");
export const HEEL = sidedPointColumns("heel");
export const BALL = sidedPointColumns("ball");
export const TOE = sidedPointColumns("toe");
export const HIP_FLEXION = sidedColumns("hipFlexion");
export const HIP_ABDUCTION = sidedColumns("hipAbduction");
export const HIP_ROTATION = sidedColumns("hipRotation");
export const KNEE_RANGE = sidedColumns("knee");
export const DORSIFLEXION = sidedColumns("dorsiflexion");
export const THIGH_LENGTH = lengthIndexes("thigh");
export const SHANK_LENGTH = lengthIndexes("shank");
export const thighOf = ({ lengths }: Build, side: Side): number => numberAt(lengths, THIGH_LENGTH[sideIndex(side)]);
export const shankOf = ({ lengths }: Build, side: Side): number => numberAt(lengths, SHANK_LENGTH[sideIndex(side)]);

/** Length of a straight leg from the hip joint to the ankle, share of H. */
export const straightLeg = (build: Build, side: Side): number => thighOf(build, side) + shankOf(build, side);

/** The side of the longer leg; the left one where both are alike. */
export const longerLeg = (build: Build): Side => (straightLeg(build, "right") > straightLeg(build, "left") ? "right" : "left");

/** Hip height over the ankle of the longer leg flexed at the knee by `flexion` degrees, share of H. */
export function legLength(build: Build, flexion: number): number {
  const side = longerLeg(build);
  const thigh = thighOf(build, side);
  const shank = shankOf(build, side);
  return Math.sqrt(thigh ** 2 + shank ** 2 + 2 * thigh * shank * Math.cos(flexion * DEGREE));
}

/**
 * Highest the hip can stand over an ankle that is `horizontal` away on the floor plane, share of H;
 * NaN-free: returns -1 where no height reaches.
 */
export function highestHip(horizontal: number, build: Build, side: Side): number {
  const square = straightLeg(build, side) ** 2 - horizontal ** 2;
  return square < 0 ? -1 : Math.sqrt(square);
}

/** Cosine of the knee flexion under which a knee counts as straight: 3 degrees. */
export const STRAIGHT_COSINE = Math.cos(3 * DEGREE);

/** Largest flexion of a knee that carries weight, degrees. */
export const LOADED_KNEE_LIMIT = 120;
export const THIGH_MASS = massIndexes("thigh");
export const SHANK_MASS = massIndexes("shank");
export const FOOT_MASS = massIndexes("foot");

export function addLegMass(
  row: Float64Array,
  side: Side,
  { masses }: Build,
  moments: Moments,
  footX: number,
  footY: number,
  footZ: number,
): void {
  const thighMass = numberAt(masses, THIGH_MASS[sideIndex(side)]);
  const shankMass = numberAt(masses, SHANK_MASS[sideIndex(side)]);
  const footMass = numberAt(masses, FOOT_MASS[sideIndex(side)]);
  const hip = HIP[sideIndex(side)];
  const knee = KNEE[sideIndex(side)];
  const ankle = ANKLE[sideIndex(side)];
  for (let axis = 0; axis < 3; axis += 1) {
    const h = numberAt(row, hip + axis);
    const k = numberAt(row, knee + axis);
    const a = numberAt(row, ankle + axis);
    const foot = axis === 0 ? footX : axis === 1 ? footY : footZ;
    moments[axis] =
      numberAt(moments, axis) +
      thighMass * (h + MASS.thigh.at * (k - h)) +
      shankMass * (k + MASS.shank.at * (a - k)) +
      (footMass * (a + foot)) / 2;
  }
  moments[3] = numberAt(moments, 3) + thighMass + shankMass + footMass;
}

/** Hip angles of the thigh and of the plane the knee folds in, both as directions in space. */
export function writeHipAngles(
  row: Float64Array,
  side: Side,
  pelvis: Rotation,
  thigh: readonly [number, number, number],
  fold: readonly [number, number, number],
): void {
  const s = sideSign(side);
  const local = (v: readonly [number, number, number], axis: 0 | 1 | 2): number =>
    (pelvis[axis] as number) * v[0] + numberAt(pelvis, 3 + axis) * v[1] + numberAt(pelvis, 6 + axis) * v[2];
  const tx = local(thigh, 0);
  const ty = local(thigh, 1);
  const tz = local(thigh, 2) * s;
  const flexion = Math.atan2(tx, -ty);
  const abduction = Math.asin(Math.min(1, Math.max(-1, tz)));
  const fx = local(fold, 0);
  const fy = local(fold, 1);
  const fz = local(fold, 2) * s;
  const ahead = fx * Math.cos(flexion) + fy * Math.sin(flexion);
  const outward =
    -fx * Math.sin(flexion) * Math.sin(abduction) + fy * Math.cos(flexion) * Math.sin(abduction) + fz * Math.cos(abduction);
  row[HIP_FLEXION[sideIndex(side)]] = flexion / DEGREE;
  row[HIP_ABDUCTION[sideIndex(side)]] = abduction / DEGREE;
  row[HIP_ROTATION[sideIndex(side)]] = Math.atan2(outward, ahead) / DEGREE;
}

/** From the ankle's foot point to heel, ball and toe, shares of H. */
export const TO_HEEL = -SHARE.heelBehindAnkle * SHARE.footLength;
export const TO_BALL = TOE_PATCH.from * SHARE.footLength;
export const TO_TOE = (1 - SHARE.heelBehindAnkle) * SHARE.footLength;
export const TOES = TO_TOE - TO_BALL;
