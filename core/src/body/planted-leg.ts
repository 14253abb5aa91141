import { numberAt } from "../checked-access.ts";
import { type Side, sideIndex, sideSign } from "../side.ts";
import type { Moments } from "./arm.ts";
import type { Build } from "./build.ts";
import { TOE_PATCH } from "./contacts.ts";
import {
  ANKLE,
  addLegMass,
  BALL,
  DORSIFLEXION,
  HEEL,
  HIP,
  KNEE,
  KNEE_RANGE,
  STRAIGHT_COSINE,
  shankOf,
  TO_BALL,
  TO_HEEL,
  TO_TOE,
  TOE,
  TOES,
  thighOf,
  writeHipAngles,
} from "./leg-parts.ts";
import { DEGREE, type Rotation } from "./rotation.ts";
import { SHARE } from "./segments.ts";

/** A foot that touches the floor, as directions and places in space. Set once a pose by `setPlantedFoot`. */
export interface PlantedFoot {
  /** Ankle, shares of H. */
  x: number;
  y: number;
  z: number;
  /** Direction of the foot on the floor, before the heel lifts. */
  axisX: number;
  axisZ: number;
  /** The foot's axis and the sole's normal: with the heel up the axis dips forward and the normal tips with it. */
  readonly axis: [number, number, number];
  readonly normal: [number, number, number];
  /** The middle of the sole, where the foot's mass is over. */
  readonly middle: [number, number, number];
}

export const plantedFoot = (): PlantedFoot => ({
  x: 0,
  y: 0,
  z: 0,
  axisX: 1,
  axisZ: 0,
  axis: [1, 0, 0],
  normal: [0, 1, 0],
  middle: [0, 0, 0],
});

/**
 * Sets a foot from where its ankle stands over the floor with the heel down, shares of H, and its angles in degrees.
 *
 * @param toeOut outward positive
 * @param heelLift how far the heel is lifted off the floor about the ball of the foot; negative, how far the toes are
 * lifted about the heel
 * @param up height of the whole foot over the floor
 */
export function setPlantedFoot(
  foot: PlantedFoot,
  side: Side,
  x: number,
  z: number,
  toeOut: number,
  heelLift: number,
  up: number,
): void {
  const axisX = Math.cos(toeOut * DEGREE);
  const axisZ = sideSign(side) * Math.sin(toeOut * DEGREE);
  const cosLift = Math.cos(heelLift * DEGREE);
  const sinLift = Math.sin(heelLift * DEGREE);
  // The heel lifts about the ball of the foot, carrying the ankle up and forward; the toes lift about the heel.
  const pivot = (heelLift >= 0 ? TOE_PATCH.from : -SHARE.heelBehindAnkle) * SHARE.footLength;
  const forward = pivot - (pivot * cosLift - SHARE.ankleHeight * sinLift);
  foot.x = x + forward * axisX;
  foot.z = z + forward * axisZ;
  foot.y = up + pivot * sinLift + SHARE.ankleHeight * cosLift;
  foot.axisX = axisX;
  foot.axisZ = axisZ;
  foot.axis[0] = axisX * cosLift;
  foot.axis[1] = -sinLift;
  foot.axis[2] = axisZ * cosLift;
  foot.normal[0] = axisX * sinLift;
  foot.normal[1] = cosLift;
  foot.normal[2] = axisZ * sinLift;
  const half = SHARE.footLength / 2;
  foot.middle[0] = foot.x - SHARE.ankleHeight * foot.normal[0] + half * foot.axis[0];
  foot.middle[1] = foot.y - SHARE.ankleHeight * foot.normal[1] + half * foot.axis[1];
  foot.middle[2] = foot.z - SHARE.ankleHeight * foot.normal[2] + half * foot.axis[2];
}

/**
 * Two-link solution of a planted leg: the knee folds in the plane of hip, ankle and foot axis.
 * Writes knee and ankle and adds mass. The hip point of the row must be set and must be in reach.
 * The angles follow once the pelvis has found its place: see `readPlantedLeg`.
 */
export function placePlantedLeg(row: Float64Array, side: Side, foot: PlantedFoot, build: Build, moments: Moments): void {
  const i = sideIndex(side);
  const hip = HIP[i];
  const hx = numberAt(row, hip);
  const hy = numberAt(row, hip + 1);
  const hz = numberAt(row, hip + 2);
  const dx = foot.x - hx;
  const dy = foot.y - hy;
  const dz = foot.z - hz;
  const length = Math.max(1e-9, Math.sqrt(dx * dx + dy * dy + dz * dz));
  const thigh = thighOf(build, side);
  const shank = shankOf(build, side);
  const reach = Math.min(length, thigh + shank);
  const ux = dx / length;
  const uy = dy / length;
  const uz = dz / length;
  const along = foot.axisX * ux + foot.axisZ * uz;
  const qx = foot.axisX - along * ux;
  const qy = -along * uy;
  const qz = foot.axisZ - along * uz;
  const q = Math.max(1e-9, Math.sqrt(qx * qx + qy * qy + qz * qz));

  const alongLeg = (thigh * thigh - shank * shank + reach * reach) / (2 * reach);
  const aside = Math.sqrt(Math.max(0, thigh * thigh - alongLeg * alongLeg)) / q;
  const knee = KNEE[i];
  const ankle = ANKLE[i];
  row[knee] = hx + alongLeg * ux + aside * qx;
  row[knee + 1] = hy + alongLeg * uy + aside * qy;
  row[knee + 2] = hz + alongLeg * uz + aside * qz;
  row[ankle] = foot.x;
  row[ankle + 1] = foot.y;
  row[ankle + 2] = foot.z;
  addLegMass(row, side, build, moments, foot.middle[0], foot.middle[1], foot.middle[2]);
}

/** Bends the toes at the ball of the foot where they would pass under the floor: they lie on it. */
function layToesOnFloor(row: Float64Array, ball: number, toe: number, axisX: number, axisZ: number): void {
  if (numberAt(row, toe + 1) >= 0) return;
  const drop = Math.min(TOES, Math.max(0, numberAt(row, ball + 1)));
  const ahead = Math.sqrt(TOES * TOES - drop * drop);
  row[toe] = numberAt(row, ball) + ahead * axisX;
  row[toe + 1] = numberAt(row, ball + 1) - drop;
  row[toe + 2] = numberAt(row, ball + 2) + ahead * axisZ;
}

/** Writes the angles of a placed planted leg, and its heel, ball and toe. */
export function readPlantedLeg(row: Float64Array, side: Side, pelvis: Rotation, foot: PlantedFoot, build: Build): void {
  const thigh = thighOf(build, side);
  const shank = shankOf(build, side);
  const i = sideIndex(side);
  const hip = HIP[i];
  const knee = KNEE[i];
  const heel = HEEL[i];
  const ball = BALL[i];
  const toe = TOE[i];
  const ankleAt = [foot.x, foot.y, foot.z] as const;
  let reachSquare = 0;
  let alongAxis = 0;
  let alongNormal = 0;
  for (const axis of [0, 1, 2] as const) {
    const toAnkle = ankleAt[axis] - numberAt(row, hip + axis);
    const alongShank = numberAt(row, knee + axis) - ankleAt[axis];
    reachSquare += toAnkle * toAnkle;
    alongAxis += alongShank * foot.axis[axis];
    alongNormal += alongShank * foot.normal[axis];
    const sole = ankleAt[axis] - SHARE.ankleHeight * foot.normal[axis];
    row[heel + axis] = sole + TO_HEEL * foot.axis[axis];
    row[ball + axis] = sole + TO_BALL * foot.axis[axis];
    row[toe + axis] = sole + TO_TOE * foot.axis[axis];
  }
  layToesOnFloor(row, ball, toe, foot.axisX, foot.axisZ);
  const reach = Math.min(Math.sqrt(reachSquare), thigh + shank);
  const cosKnee = (reach * reach - thigh * thigh - shank * shank) / (2 * thigh * shank);
  row[KNEE_RANGE[i]] = Math.acos(Math.min(1, Math.max(-1, cosKnee))) / DEGREE;
  row[DORSIFLEXION[i]] = Math.atan2(alongAxis, alongNormal) / DEGREE;

  const tx = (numberAt(row, knee) - numberAt(row, hip)) / thigh;
  const ty = (numberAt(row, knee + 1) - numberAt(row, hip + 1)) / thigh;
  const tz = (numberAt(row, knee + 2) - numberAt(row, hip + 2)) / thigh;
  // The plane the knee folds in: a bent knee's own, a straight one's by its foot, which cannot lie along the thigh then.
  const bent = cosKnee < STRAIGHT_COSINE;
  const dx = bent ? numberAt(row, knee) - foot.x : foot.axisX;
  const dy = bent ? numberAt(row, knee + 1) - foot.y : 0;
  const dz = bent ? numberAt(row, knee + 2) - foot.z : foot.axisZ;
  const along = dx * tx + dy * ty + dz * tz;
  const fx = dx - along * tx;
  const fy = dy - along * ty;
  const fz = dz - along * tz;
  const fold = Math.max(1e-9, Math.sqrt(fx * fx + fy * fy + fz * fz));
  writeHipAngles(row, side, pelvis, [tx, ty, tz], [fx / fold, fy / fold, fz / fold]);
}
