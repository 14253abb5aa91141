import { type Side, sideIndex, sideSign } from "../side.ts";
import { sidedColumns, sidedPointColumns } from "./channels.ts";
import { DEGREE, type Rotation } from "./rotation.ts";
import { MASS, SHARE } from "./segments.ts";
import type { Moments } from "./arm.ts";

const HIP = sidedPointColumns("hip");
const KNEE = sidedPointColumns("kneeJoint");
const ANKLE = sidedPointColumns("ankle");
const HEEL = sidedPointColumns("heel");
const TOE = sidedPointColumns("toe");
const HIP_FLEXION = sidedColumns("hipFlexion");
const HIP_ABDUCTION = sidedColumns("hipAbduction");
const HIP_ROTATION = sidedColumns("hipRotation");
const KNEE_RANGE = sidedColumns("knee");
const DORSIFLEXION = sidedColumns("dorsiflexion");

const LEG_LENGTH = SHARE.thigh + SHARE.shank;
/** Largest flexion of a knee that carries weight, degrees. */
export const LOADED_KNEE_LIMIT = 120;

/** Hip height over the ankle of a leg flexed at the knee by `flexion` degrees, share of H. */
export function legLength(flexion: number): number {
  return Math.sqrt(
    SHARE.thigh ** 2 + SHARE.shank ** 2 + 2 * SHARE.thigh * SHARE.shank * Math.cos(flexion * DEGREE),
  );
}

/**
 * Highest the hip can stand over an ankle that is `horizontal` away on the floor plane, share of H;
 * NaN-free: returns -1 where no height reaches.
 */
export function highestHip(horizontal: number): number {
  const square = LEG_LENGTH ** 2 - horizontal ** 2;
  return square < 0 ? -1 : Math.sqrt(square);
}

function addLegMass(row: Float64Array, side: Side, moments: Moments, footX: number, footY: number, footZ: number): void {
  const hip = HIP[sideIndex(side)];
  const knee = KNEE[sideIndex(side)];
  const ankle = ANKLE[sideIndex(side)];
  const foot = [footX, footY, footZ];
  for (let axis = 0; axis < 3; axis += 1) {
    const h = row[hip + axis] as number;
    const k = row[knee + axis] as number;
    const a = row[ankle + axis] as number;
    moments[axis] =
      (moments[axis] as number) +
      MASS.thigh.share * (h + MASS.thigh.at * (k - h)) +
      MASS.shank.share * (k + MASS.shank.at * (a - k)) +
      (MASS.foot.share * (a + (foot[axis] as number))) / 2;
  }
  moments[3] = (moments[3] as number) + MASS.thigh.share + MASS.shank.share + MASS.foot.share;
}

/** Hip angles of the thigh and of the plane the knee folds in, both as directions in space. */
function writeHipAngles(
  row: Float64Array,
  side: Side,
  pelvis: Rotation,
  thigh: readonly [number, number, number],
  fold: readonly [number, number, number],
): void {
  const s = sideSign(side);
  const local = (v: readonly [number, number, number], axis: 0 | 1 | 2): number =>
    (pelvis[axis] as number) * v[0] + (pelvis[3 + axis] as number) * v[1] + (pelvis[6 + axis] as number) * v[2];
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
    -fx * Math.sin(flexion) * Math.sin(abduction) +
    fy * Math.cos(flexion) * Math.sin(abduction) +
    fz * Math.cos(abduction);
  row[HIP_FLEXION[sideIndex(side)]] = flexion / DEGREE;
  row[HIP_ABDUCTION[sideIndex(side)]] = abduction / DEGREE;
  row[HIP_ROTATION[sideIndex(side)]] = Math.atan2(outward, ahead) / DEGREE;
}

/** Where a foot that touches the floor stands: ankle over the floor, its axis and its pitch. Shares of H, degrees. */
export interface PlantedFoot {
  x: number;
  y: number;
  z: number;
  /** Toe-out, outward positive. */
  toeOut: number;
  /** Heel lifted off the floor about the ball of the foot. */
  heelLift: number;
}

/**
 * Two-link solution of a planted leg: the knee folds in the plane of hip, ankle and foot axis.
 * Writes joints and angles, adds mass. The hip point of the row must be set and must be in reach.
 */
export function placePlantedLeg(
  row: Float64Array,
  side: Side,
  pelvis: Rotation,
  foot: PlantedFoot,
  moments: Moments,
): void {
  const s = sideSign(side);
  const hip = HIP[sideIndex(side)];
  const hx = row[hip] as number;
  const hy = row[hip + 1] as number;
  const hz = row[hip + 2] as number;
  const dx = foot.x - hx;
  const dy = foot.y - hy;
  const dz = foot.z - hz;
  const length = Math.max(1e-9, Math.hypot(dx, dy, dz));
  const reach = Math.min(length, LEG_LENGTH);
  const ux = dx / length;
  const uy = dy / length;
  const uz = dz / length;
  const axisX = Math.cos(foot.toeOut * DEGREE);
  const axisZ = s * Math.sin(foot.toeOut * DEGREE);

  let qx = axisX - (axisX * ux + axisZ * uz) * ux;
  let qy = -(axisX * ux + axisZ * uz) * uy;
  let qz = axisZ - (axisX * ux + axisZ * uz) * uz;
  const q = Math.max(1e-9, Math.hypot(qx, qy, qz));
  qx /= q;
  qy /= q;
  qz /= q;

  const alongLeg = (SHARE.thigh ** 2 - SHARE.shank ** 2 + reach ** 2) / (2 * reach);
  const aside = Math.sqrt(Math.max(0, SHARE.thigh ** 2 - alongLeg ** 2));
  const knee = KNEE[sideIndex(side)];
  const ankle = ANKLE[sideIndex(side)];
  row[knee] = hx + alongLeg * ux + aside * qx;
  row[knee + 1] = hy + alongLeg * uy + aside * qy;
  row[knee + 2] = hz + alongLeg * uz + aside * qz;
  row[ankle] = foot.x;
  row[ankle + 1] = foot.y;
  row[ankle + 2] = foot.z;

  const cosKnee = (reach ** 2 - SHARE.thigh ** 2 - SHARE.shank ** 2) / (2 * SHARE.thigh * SHARE.shank);
  row[KNEE_RANGE[sideIndex(side)]] = Math.acos(Math.min(1, Math.max(-1, cosKnee))) / DEGREE;

  // Foot axes after lifting the heel: the axis dips forward, the sole's normal tips with it.
  const lift = foot.heelLift * DEGREE;
  const footX = axisX * Math.cos(lift);
  const footY = -Math.sin(lift);
  const footZ = axisZ * Math.cos(lift);
  const normalX = axisX * Math.sin(lift);
  const normalY = Math.cos(lift);
  const normalZ = axisZ * Math.sin(lift);
  const sx = (row[knee] as number) - foot.x;
  const sy = (row[knee + 1] as number) - foot.y;
  const sz = (row[knee + 2] as number) - foot.z;
  row[DORSIFLEXION[sideIndex(side)]] =
    Math.atan2(sx * footX + sy * footY + sz * footZ, sx * normalX + sy * normalY + sz * normalZ) / DEGREE;

  const heel = HEEL[sideIndex(side)];
  const toe = TOE[sideIndex(side)];
  const soleX = foot.x - SHARE.ankleHeight * normalX;
  const soleY = foot.y - SHARE.ankleHeight * normalY;
  const soleZ = foot.z - SHARE.ankleHeight * normalZ;
  const back = -SHARE.heelBehindAnkle * SHARE.footLength;
  const ahead = (1 - SHARE.heelBehindAnkle) * SHARE.footLength;
  row[heel] = soleX + back * footX;
  row[heel + 1] = soleY + back * footY;
  row[heel + 2] = soleZ + back * footZ;
  row[toe] = soleX + ahead * footX;
  row[toe + 1] = soleY + ahead * footY;
  row[toe + 2] = soleZ + ahead * footZ;

  const tx = ((row[knee] as number) - hx) / SHARE.thigh;
  const ty = ((row[knee + 1] as number) - hy) / SHARE.thigh;
  const tz = ((row[knee + 2] as number) - hz) / SHARE.thigh;
  // With a straight knee the fold direction is the foot axis made square to the thigh; with a bent one it is the same plane.
  const along = axisX * tx + axisZ * tz;
  const fold = Math.max(1e-9, Math.hypot(axisX - along * tx, -along * ty, axisZ - along * tz));
  writeHipAngles(row, side, pelvis, [tx, ty, tz], [
    (axisX - along * tx) / fold,
    (-along * ty) / fold,
    (axisZ - along * tz) / fold,
  ]);
  const middle = SHARE.footLength / 2;
  addLegMass(row, side, moments, soleX + middle * footX, soleY + middle * footY, soleZ + middle * footZ);
}

/** Angles of a leg that is off the floor, relative to the pelvis, degrees; rotation is outward. */
export interface FreeLegAngles {
  flexion: number;
  abduction: number;
  rotation: number;
  knee: number;
  ankle: number;
}

/** Places a leg by its angles, its foot square to the shank but for `ankle`. Writes joints and angles, adds mass. */
export function placeFreeLeg(
  row: Float64Array,
  side: Side,
  pelvis: Rotation,
  angles: FreeLegAngles,
  moments: Moments,
): void {
  const s = sideSign(side);
  const cf = Math.cos(angles.flexion * DEGREE);
  const sf = Math.sin(angles.flexion * DEGREE);
  const ca = Math.cos(angles.abduction * DEGREE);
  const sa = Math.sin(angles.abduction * DEGREE);
  const cr = Math.cos(angles.rotation * DEGREE);
  const sr = Math.sin(angles.rotation * DEGREE);
  const ck = Math.cos(angles.knee * DEGREE);
  const sk = Math.sin(angles.knee * DEGREE);
  const cd = Math.cos(angles.ankle * DEGREE);
  const sd = Math.sin(angles.ankle * DEGREE);

  const thigh = [sf * ca, -cf * ca, sa] as const;
  const fold = [cr * cf - sr * sf * sa, cr * sf + sr * cf * sa, sr * ca] as const;
  const hip = HIP[sideIndex(side)];
  const knee = KNEE[sideIndex(side)];
  const ankle = ANKLE[sideIndex(side)];
  const heel = HEEL[sideIndex(side)];
  const toe = TOE[sideIndex(side)];
  const middle: [number, number, number] = [0, 0, 0];
  for (let axis = 0; axis < 3; axis += 1) {
    const inSpace = (i: 0 | 1 | 2, v: readonly [number, number, number]) =>
      (pelvis[3 * axis + i] as number) * v[i] * (i === 2 ? s : 1);
    const t = inSpace(0, thigh) + inSpace(1, thigh) + inSpace(2, thigh);
    const q = inSpace(0, fold) + inSpace(1, fold) + inSpace(2, fold);
    const shank = ck * t - sk * q;
    const square = ck * q + sk * t;
    const footAxis = cd * square - sd * shank;
    const sole = -sd * square - cd * shank;
    const kneeAt = (row[hip + axis] as number) + SHARE.thigh * t;
    const ankleAt = kneeAt + SHARE.shank * shank;
    row[knee + axis] = kneeAt;
    row[ankle + axis] = ankleAt;
    row[heel + axis] = ankleAt - SHARE.heelBehindAnkle * SHARE.footLength * footAxis - SHARE.ankleHeight * sole;
    row[toe + axis] = ankleAt + (1 - SHARE.heelBehindAnkle) * SHARE.footLength * footAxis - SHARE.ankleHeight * sole;
    middle[axis] = ankleAt + 0.5 * SHARE.footLength * footAxis - SHARE.ankleHeight * sole;
  }
  row[HIP_FLEXION[sideIndex(side)]] = angles.flexion;
  row[HIP_ABDUCTION[sideIndex(side)]] = angles.abduction;
  row[HIP_ROTATION[sideIndex(side)]] = angles.rotation;
  row[KNEE_RANGE[sideIndex(side)]] = angles.knee;
  row[DORSIFLEXION[sideIndex(side)]] = angles.ankle;
  addLegMass(row, side, moments, middle[0], middle[1], middle[2]);
}
