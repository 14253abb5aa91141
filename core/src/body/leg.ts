import { type Side, sideIndex, sideSign } from "../side.ts";
import type { Moments } from "./arm.ts";
import { type Build, hasFoot, lengthIndexes, massIndexes } from "./build.ts";
import { SIDED_RANGES, sidedColumns, sidedPointColumns } from "./channels.ts";
import { TOE_PATCH } from "./contacts.ts";
import { DEGREE, type Rotation } from "./rotation.ts";
import { MASS, SHARE } from "./segments.ts";

const HIP = sidedPointColumns("hip");
const KNEE = sidedPointColumns("kneeJoint");
const ANKLE = sidedPointColumns("ankle");
const HEEL = sidedPointColumns("heel");
const BALL = sidedPointColumns("ball");
const TOE = sidedPointColumns("toe");
const HIP_FLEXION = sidedColumns("hipFlexion");
const HIP_ABDUCTION = sidedColumns("hipAbduction");
const HIP_ROTATION = sidedColumns("hipRotation");
const KNEE_RANGE = sidedColumns("knee");
const DORSIFLEXION = sidedColumns("dorsiflexion");

const THIGH_LENGTH = lengthIndexes("thigh");
const SHANK_LENGTH = lengthIndexes("shank");
const THIGH_MASS = massIndexes("thigh");
const SHANK_MASS = massIndexes("shank");
const FOOT_MASS = massIndexes("foot");
/** Cosine of the knee flexion under which a knee counts as straight: 3 degrees. */
const STRAIGHT_COSINE = Math.cos(3 * DEGREE);
/** Largest flexion of a knee that carries weight, degrees. */
export const LOADED_KNEE_LIMIT = 120;

const thighOf = ({ lengths }: Build, side: Side): number => lengths[THIGH_LENGTH[sideIndex(side)]] as number;
const shankOf = ({ lengths }: Build, side: Side): number => lengths[SHANK_LENGTH[sideIndex(side)]] as number;

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

function addLegMass(
  row: Float64Array,
  side: Side,
  { masses }: Build,
  moments: Moments,
  footX: number,
  footY: number,
  footZ: number,
): void {
  const thighMass = masses[THIGH_MASS[sideIndex(side)]] as number;
  const shankMass = masses[SHANK_MASS[sideIndex(side)]] as number;
  const footMass = masses[FOOT_MASS[sideIndex(side)]] as number;
  const hip = HIP[sideIndex(side)];
  const knee = KNEE[sideIndex(side)];
  const ankle = ANKLE[sideIndex(side)];
  for (let axis = 0; axis < 3; axis += 1) {
    const h = row[hip + axis] as number;
    const k = row[knee + axis] as number;
    const a = row[ankle + axis] as number;
    const foot = axis === 0 ? footX : axis === 1 ? footY : footZ;
    moments[axis] =
      (moments[axis] as number) +
      thighMass * (h + MASS.thigh.at * (k - h)) +
      shankMass * (k + MASS.shank.at * (a - k)) +
      (footMass * (a + foot)) / 2;
  }
  moments[3] = (moments[3] as number) + thighMass + shankMass + footMass;
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
    -fx * Math.sin(flexion) * Math.sin(abduction) + fy * Math.cos(flexion) * Math.sin(abduction) + fz * Math.cos(abduction);
  row[HIP_FLEXION[sideIndex(side)]] = flexion / DEGREE;
  row[HIP_ABDUCTION[sideIndex(side)]] = abduction / DEGREE;
  row[HIP_ROTATION[sideIndex(side)]] = Math.atan2(outward, ahead) / DEGREE;
}

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
  const hx = row[hip] as number;
  const hy = row[hip + 1] as number;
  const hz = row[hip + 2] as number;
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

/** From the ankle's foot point to heel, ball and toe, shares of H. */
const TO_HEEL = -SHARE.heelBehindAnkle * SHARE.footLength;
const TO_BALL = TOE_PATCH.from * SHARE.footLength;
const TO_TOE = (1 - SHARE.heelBehindAnkle) * SHARE.footLength;
const TOES = TO_TOE - TO_BALL;

/** Bends the toes at the ball of the foot where they would pass under the floor: they lie on it. */
function layToesOnFloor(row: Float64Array, ball: number, toe: number, axisX: number, axisZ: number): void {
  if ((row[toe + 1] as number) >= 0) return;
  const drop = Math.min(TOES, Math.max(0, row[ball + 1] as number));
  const ahead = Math.sqrt(TOES * TOES - drop * drop);
  row[toe] = (row[ball] as number) + ahead * axisX;
  row[toe + 1] = (row[ball + 1] as number) - drop;
  row[toe + 2] = (row[ball + 2] as number) + ahead * axisZ;
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
    const toAnkle = ankleAt[axis] - (row[hip + axis] as number);
    const alongShank = (row[knee + axis] as number) - ankleAt[axis];
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

  const tx = ((row[knee] as number) - (row[hip] as number)) / thigh;
  const ty = ((row[knee + 1] as number) - (row[hip + 1] as number)) / thigh;
  const tz = ((row[knee + 2] as number) - (row[hip + 2] as number)) / thigh;
  // The plane the knee folds in: a bent knee's own, a straight one's by its foot, which cannot lie along the thigh then.
  const bent = cosKnee < STRAIGHT_COSINE;
  const dx = bent ? (row[knee] as number) - foot.x : foot.axisX;
  const dy = bent ? (row[knee + 1] as number) - foot.y : 0;
  const dz = bent ? (row[knee + 2] as number) - foot.z : foot.axisZ;
  const along = dx * tx + dy * ty + dz * tz;
  const fx = dx - along * tx;
  const fy = dy - along * ty;
  const fz = dz - along * tz;
  const fold = Math.max(1e-9, Math.sqrt(fx * fx + fy * fy + fz * fz));
  writeHipAngles(row, side, pelvis, [tx, ty, tz], [fx / fold, fy / fold, fz / fold]);
}

/** Angles of a leg that is off the floor, relative to the pelvis, degrees; rotation is outward. */
export interface FreeLegAngles {
  flexion: number;
  abduction: number;
  rotation: number;
  knee: number;
  ankle: number;
}

/** How far a foot may bend to keep off the floor, degrees: the ordinary range of an ankle. */
const ANKLE_BOUNDS = SIDED_RANGES.find(({ name }) => name === "dorsiflexion") as { lowest: number; highest: number };

/**
 * The ankle angle nearest to the one wanted at which a point of the sole is on the floor, degrees; the wanted one where the
 * point is over the floor already, or no angle brings it there.
 *
 * @param along from the ankle's foot point along the foot, share of H
 * @param ankleY height of the ankle over the floor
 * @param squareY rise of the foot's own axis at 0 degrees, `shankY` of the shank towards the foot
 */
function clearOfFloor(
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
interface FreeLeg {
  flexion: number;
  knee: number;
  readonly thigh: [number, number, number];
  readonly fold: [number, number, number];
  shankY: number;
  squareY: number;
  ankleY: number;
}
const freeLeg: FreeLeg = {
  flexion: 0,
  knee: 0,
  thigh: [0, 0, 0],
  fold: [0, 0, 0],
  shankY: 0,
  squareY: 0,
  ankleY: 0,
};

/** Sets the directions of a free leg from its flexion and knee. */
function aimFreeLeg({ abduction, rotation }: FreeLegAngles, side: Side, pelvis: Rotation, hipY: number, build: Build): void {
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
  const up = (v: readonly [number, number, number]) =>
    (pelvis[3] as number) * v[0] + (pelvis[4] as number) * v[1] + (pelvis[5] as number) * v[2] * s;
  const ck = Math.cos(knee * DEGREE);
  const sk = Math.sin(knee * DEGREE);
  freeLeg.shankY = ck * up(thigh) - sk * up(fold);
  freeLeg.squareY = ck * up(fold) + sk * up(thigh);
  freeLeg.ankleY = hipY + thighOf(build, side) * up(thigh) + shankOf(build, side) * freeLeg.shankY;
}

/** How often a leg is folded anew until its ankle is as high as it has to be: a turned hip takes more than one try. */
const FOLDS = 4;

/**
 * Folds a free leg at hip and knee, its ankle along the line to the hip, until the ankle is as high as it has to be.
 *
 * @param least height of the ankle over the floor, share of H
 */
function foldClearOfFloor(angles: FreeLegAngles, side: Side, pelvis: Rotation, hipY: number, build: Build, least: number): void {
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

/** How often a leg is lifted further, and what under the floor is nothing, share of H. */
const LIFTS = 6;
const NOTHING_UNDER = 0.0005;

/** Height of the lowest end of the foot of the free leg over the floor, share of H. */
function lowestOfFoot(ankleAngle: number, ankleHeight: number): number {
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
 */
export function placeFreeLeg(
  row: Float64Array,
  side: Side,
  pelvis: Rotation,
  angles: FreeLegAngles,
  build: Build,
  moments: Moments,
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
  const hipY = row[hip + 1] as number;
  freeLeg.flexion = angles.flexion;
  freeLeg.knee = angles.knee;
  aimFreeLeg(angles, side, pelvis, hipY, build);
  let ankleAngle = angles.ankle;
  if (foot === 1) {
    // A foot that the ankle cannot bring flat needs the leg folded further.
    let least: number = ankleHeight;
    for (let lift = 0; lift < LIFTS; lift += 1) {
      foldClearOfFloor(angles, side, pelvis, hipY, build, least);
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
    (pelvis[3 * axis] as number) * v[0] + (pelvis[3 * axis + 1] as number) * v[1] + (pelvis[3 * axis + 2] as number) * v[2] * s;
  const cd = Math.cos(ankleAngle * DEGREE);
  const sd = Math.sin(ankleAngle * DEGREE);
  for (let axis = 0; axis < 3; axis += 1) {
    const t = inSpace(axis, thigh);
    const q = inSpace(axis, fold);
    const shank = ck * t - sk * q;
    const square = ck * q + sk * t;
    const footAxis = cd * square - sd * shank;
    const sole = -sd * square - cd * shank;
    const kneeAt = (row[hip + axis] as number) + thighLength * t;
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
