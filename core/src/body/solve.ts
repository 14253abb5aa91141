import { pairOf, SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import type { ElbowSwivels } from "./arm.ts";
import { baseOfSupport, marginOfStability, type Point, RESTING_SHARE, RESTING_SHARE_USED } from "./base-of-support.ts";
import { type Build, hasFoot, USUAL_BUILD } from "./build.ts";
import { column, pointColumn, ROW_WIDTH, sidedColumns, sidedPointColumns } from "./channels.ts";
import { bearsWeight, contactsOf, onlyRests, pressurePoint, quietPlace } from "./contacts.ts";
import { findPelvis, GAIN } from "./find-pelvis.ts";
import {
  type FreeLegAngles,
  highestHip,
  LOADED_KNEE_LIMIT,
  legLength,
  type PlantedFoot,
  placeFreeLeg,
  placePlantedLeg,
  plantedFoot,
  readPlantedLeg,
  setPlantedFoot,
  straightLeg,
} from "./leg.ts";
import { hangs, holdsOn, isOff, isRising, type Pose, type PoseFrame, sidedSlots, slot } from "./pose.ts";
import { readLoadsAndHeights } from "./readings.ts";
import { DEGREE } from "./rotation.ts";
import { SHARE } from "./segments.ts";
import { placeHandAndArm, placeTrunk, trunkAxes } from "./upper-body.ts";

/** Why a body cannot take up a pose. Lengths are shares of H, angles degrees. */
export type PoseProblem =
  | { readonly kind: "legTooShort"; readonly side: Side; readonly shortBy: number }
  | { readonly kind: "armTooShort"; readonly side: Side; readonly shortBy: number }
  | { readonly kind: "kneeTooDeep"; readonly side: Side; readonly beyond: number }
  | { readonly kind: "offBase"; readonly beyond: number }
  /** The pose puts a foot on the floor that this body does not have. */
  | { readonly kind: "noFoot"; readonly side: Side };

export interface SolvedPose {
  /** One row of columns (see channels.ts), lengths as shares of H, moments as shares of M g H. */
  readonly row: Float64Array;
  /** Corners of the base of support, shares of H, counter-clockwise seen from above. */
  readonly base: readonly Point[];
  readonly problem: PoseProblem | null;
}

/**
 * How far the pelvis of the poses before stood from where it was first looked for, shares of H. Along a movement that goes on
 * evenly, so that the next one is found in fewer steps.
 */
export interface PelvisTrail {
  readonly last: [x: number, z: number];
  readonly before: [x: number, z: number];
}
export const newTrail = (): PelvisTrail => ({ last: [0, 0], before: [0, 0] });

const PELVIS = pointColumn("pelvis");
const FIRST_POINT = PELVIS;
const HIP = sidedPointColumns("hip");
const COM_X = column("comX");
const COM_Y = column("comY");
const COM_Z = column("comZ");
const MARGIN = column("margin");
const QUIET_MARGIN = column("quietMargin");
const LOWERED_BY = column("loweredBy");
const SEAT_SHARE = column("seatShare");
const KNEE = sidedColumns("knee");
const DORSIFLEXION = sidedColumns("dorsiflexion");
const HEEL_DOWN_DORSIFLEXION = sidedColumns("heelDownDorsiflexion");
const STRAIGHT_KNEE_DORSIFLEXION = sidedColumns("straightKneeDorsiflexion");
/** A knee bent less than this stretches the calf over both its joints, degrees. Our own convention. */
const STRAIGHT_KNEE = 20;
const LOADED_KNEE = sidedColumns("loadedKnee");
const FOOT_SHARE = sidedColumns("footShare");
const WEIGHT_LEFT = slot("weightLeft");
const PRESS = slot("press");
const SINK = slot("sink");
const FOOT_X = sidedSlots("footX");
const FOOT_Z = sidedSlots("footZ");
const TOE_OUT = sidedSlots("toeOut");
const HEEL_LIFT = sidedSlots("heelLift");
const FOOT_UP = sidedSlots("footUp");
const LEG_FLEXION = sidedSlots("legFlexion");
const LEG_ABDUCTION = sidedSlots("legAbduction");
const LEG_ROTATION = sidedSlots("legRotation");
const LEG_KNEE = sidedSlots("legKnee");
const LEG_ANKLE = sidedSlots("legAnkle");

// Working space of one solution; the solver is synchronous and leaves nothing in it that anybody reads later.
const axes = trunkAxes();
const upperMoments = new Float64Array(4);
const moments = new Float64Array(4);
const upperRow = new Float64Array(ROW_WIDTH);
const feet: readonly [PlantedFoot, PlantedFoot] = [plantedFoot(), plantedFoot()];
const freeLeg: FreeLegAngles = { flexion: 0, abduction: 0, rotation: 0, knee: 0, ankle: 0 };
const pelvisAt: [number, number, number] = [0, 0, 0];
const swivels: ElbowSwivels = { kept: false, angles: [0, 0] };
let problem: PoseProblem | null = null;
let build: Build = USUAL_BUILD;

/** Sets both planted feet of a pose, once. */
function setFeet(pose: Pose): void {
  const { values, frame } = pose;
  for (const side of SIDES) {
    const i = sideIndex(side);
    if (hangs(frame.feet[i])) continue;
    setPlantedFoot(
      feet[i],
      side,
      values[FOOT_X[i]] as number,
      values[FOOT_Z[i]] as number,
      values[TOE_OUT[i]] as number,
      values[HEEL_LIFT[i]] as number,
      values[FOOT_UP[i]] as number,
    );
  }
}

/** Shares of the weight on the left and right foot while standing. */
function standingShares(pose: Pose): [number, number] {
  const [left, right] = pose.frame.feet;
  if (isOff(left)) return [0, 1];
  if (isOff(right)) return [1, 0];
  let share = pose.values[WEIGHT_LEFT] as number;
  if (onlyRests(left)) share = Math.min(share, RESTING_SHARE);
  if (onlyRests(right)) share = Math.max(share, 1 - RESTING_SHARE);
  return [share, 1 - share];
}

/** Trunk, head and the arms that hold on to nothing fixed, with the pelvis at the origin. Done once a pose. */
function placeUpperBody(pose: Pose): void {
  upperRow.fill(0);
  upperMoments.fill(0);
  placeTrunk(pose.values, upperRow, axes, build, upperMoments);
}

function placeArms(pose: Pose, row: Float64Array, into: Float64Array, fixed: boolean): void {
  for (const side of SIDES) {
    if (holdsOn(pose.frame.hands[sideIndex(side)]) !== fixed) continue;
    const shortBy = placeHandAndArm(pose.values, pose.frame, side, pelvisAt, row, axes, build, into, swivels);
    if (shortBy > 1e-6) problem ??= { kind: "armTooShort", side, shortBy };
  }
}

/** One leg from its hip, whose place must be in the row: joints into the row, mass into `moments`. */
function placeLeg(pose: Pose, row: Float64Array, side: Side): void {
  const i = sideIndex(side);
  if (hangs(pose.frame.feet[i])) {
    freeLeg.flexion = pose.values[LEG_FLEXION[i]] as number;
    freeLeg.abduction = pose.values[LEG_ABDUCTION[i]] as number;
    freeLeg.rotation = pose.values[LEG_ROTATION[i]] as number;
    freeLeg.knee = pose.values[LEG_KNEE[i]] as number;
    freeLeg.ankle = pose.values[LEG_ANKLE[i]] as number;
    placeFreeLeg(row, side, axes.pelvis, freeLeg, build, moments);
  } else placePlantedLeg(row, side, feet[i], build, moments);
}

/**
 * Sums of mass with the pelvis where `pelvisAt` says, into `moments`. Only what moves against the pelvis is placed again:
 * the legs, and arms that hold on to something fixed; the upper body goes along as one sum.
 */
function placeMass(pose: Pose, row: Float64Array, holding: boolean): void {
  moments.set(upperMoments);
  if (holding) placeArms(pose, upperRow, moments, true);
  for (let axis = 0; axis < 3; axis += 1) {
    const pelvis = pelvisAt[axis] as number;
    moments[axis] = (moments[axis] as number) + (moments[3] as number) * pelvis;
    for (const hip of HIP) row[hip + axis] = (upperRow[hip + axis] as number) + pelvis;
  }
  placeLeg(pose, row, "left");
  placeLeg(pose, row, "right");
}

/** Writes the whole body with the pelvis where `pelvisAt` says. */
function placeBody(pose: Pose, row: Float64Array, holding: boolean): void {
  if (holding) placeArms(pose, upperRow, moments, true);
  row.set(upperRow);
  for (let i = FIRST_POINT; i < ROW_WIDTH; i += 3) {
    row[i] = (row[i] as number) + pelvisAt[0];
    row[i + 1] = (row[i + 1] as number) + pelvisAt[1];
    row[i + 2] = (row[i + 2] as number) + pelvisAt[2];
  }
  placeMass(pose, row, holding);
  row[COM_X] = moments[0] as number;
  row[COM_Y] = moments[1] as number;
  row[COM_Z] = moments[2] as number;
}

/** The greatest height the pelvis can have over the place it is at, with each planted foot in reach. */
function reachableHeight(pose: Pose): number {
  let lowest = Number.POSITIVE_INFINITY;
  for (const side of SIDES) {
    const i = sideIndex(side);
    if (hangs(pose.frame.feet[i])) continue;
    const foot = feet[i];
    const hip = HIP[i];
    const dx = foot.x - pelvisAt[0] - (upperRow[hip] as number);
    const dz = foot.z - pelvisAt[2] - (upperRow[hip + 2] as number);
    const horizontal = Math.sqrt(dx * dx + dz * dz);
    const over = highestHip(horizontal, build, side);
    if (over < 0) problem = { kind: "legTooShort", side, shortBy: horizontal - straightLeg(build, side) };
    lowest = Math.min(lowest, foot.y + Math.max(0, over) - (upperRow[hip + 1] as number));
  }
  return lowest;
}

function solveStanding(pose: Pose, row: Float64Array, ceiling: number, trail: PelvisTrail | null): [number, number] {
  const shares = standingShares(pose);
  const press = pose.values[PRESS] as number;
  let targetX = 0;
  let targetZ = 0;
  // On the balls of the feet the body stands as much higher as the ankles do.
  let raised = 0;
  for (const side of SIDES) {
    const contact = pose.frame.feet[sideIndex(side)];
    const share = shares[sideIndex(side)];
    if (isOff(contact) || share === 0) continue;
    const pressure = pressurePoint(pose.values, side, contact, press);
    targetX += share * pressure[0];
    targetZ += share * pressure[1];
    if (bearsWeight(contact)) raised += share * (feet[sideIndex(side)].y - SHARE.ankleHeight);
  }
  const wanted = SHARE.ankleHeight + raised + legLength(build, pose.values[SINK] as number);
  // The upper body leans out over the pelvis by so much: begin where that is made up for.
  const firstX = targetX - GAIN * (upperMoments[0] as number);
  const firstZ = targetZ - GAIN * (upperMoments[2] as number);
  pelvisAt[0] = firstX + (trail ? 2 * trail.last[0] - trail.before[0] : 0);
  pelvisAt[2] = firstZ + (trail ? 2 * trail.last[1] - trail.before[1] : 0);
  const holding = pose.frame.hands.some(holdsOn);
  const problemBefore = problem;
  const miss: [number, number] = [0, 0];
  const place = (x: number, z: number, near: boolean): void => {
    problem = problemBefore;
    // Which way an elbow is swung may change at once: near the place such a jump would leave no place at all.
    swivels.kept = near;
    pelvisAt[0] = x;
    pelvisAt[2] = z;
    pelvisAt[1] = Math.min(wanted, ceiling, reachableHeight(pose));
    placeMass(pose, row, holding);
    miss[0] = targetX - (moments[0] as number);
    miss[1] = targetZ - (moments[2] as number);
  };
  findPelvis({ pelvis: pelvisAt, miss, place });
  if (trail) {
    const isFirst = trail.last[0] === 0 && trail.last[1] === 0;
    trail.before[0] = isFirst ? pelvisAt[0] - firstX : trail.last[0];
    trail.before[1] = isFirst ? pelvisAt[2] - firstZ : trail.last[1];
    trail.last[0] = pelvisAt[0] - firstX;
    trail.last[1] = pelvisAt[2] - firstZ;
  }
  placeBody(pose, row, holding);
  row[LOWERED_BY] = wanted - (row[PELVIS + 1] as number);
  return shares;
}

function solveSeated(pose: Pose, row: Float64Array, seatHeight: number): [number, number] {
  pelvisAt[0] = 0;
  pelvisAt[1] = seatHeight + SHARE.hipAboveSeat;
  pelvisAt[2] = 0;
  for (const side of SIDES) {
    const i = sideIndex(side);
    if (hangs(pose.frame.feet[i])) continue;
    const foot = feet[i];
    const hip = HIP[i];
    const dx = foot.x - pelvisAt[0] - (upperRow[hip] as number);
    const dy = foot.y - pelvisAt[1] - (upperRow[hip + 1] as number);
    const dz = foot.z - pelvisAt[2] - (upperRow[hip + 2] as number);
    const shortBy = Math.sqrt(dx * dx + dy * dy + dz * dz) - straightLeg(build, side);
    if (shortBy > 1e-9) problem ??= { kind: "legTooShort", side, shortBy };
  }
  placeBody(pose, row, pose.frame.hands.some(holdsOn));
  return seatedShares(pose, row);
}

/** The seat fixes the pelvis, so the weight on the feet is an output: how far the mass is towards the feet. */
function seatedShares(pose: Pose, row: Float64Array): [number, number] {
  const down = SIDES.filter((side) => !isOff(pose.frame.feet[sideIndex(side)]));
  if (down.length === 0) return [0, 0];
  let overX = 0;
  let overZ = 0;
  for (const side of down) {
    const pressure = pressurePoint(pose.values, side, pose.frame.feet[sideIndex(side)], pose.values[PRESS] as number);
    overX += (pressure[0] - (row[PELVIS] as number)) / down.length;
    overZ += (pressure[1] - (row[PELVIS + 2] as number)) / down.length;
  }
  const comX = (row[COM_X] as number) - (row[PELVIS] as number);
  const comZ = (row[COM_Z] as number) - (row[PELVIS + 2] as number);
  const share = Math.min(1, Math.max(0, (comX * overX + comZ * overZ) / (overX ** 2 + overZ ** 2)));
  const each = share / down.length;
  return [down.includes("left") ? each : 0, down.includes("right") ? each : 0];
}

/** What the base of support depends on besides the frame. */
const BASE_SLOTS = [
  ...HEEL_LIFT,
  ...FOOT_X,
  ...FOOT_Z,
  ...TOE_OUT,
  ...sidedSlots("holdX"),
  ...sidedSlots("holdZ"),
  slot("pelvisRotation"),
];
const lastValues = new Float64Array(BASE_SLOTS.length);
let lastFrame: PoseFrame | null = null;
let lastBase: readonly Point[] = [];
let lastQuietMargin = 0;

/** The base of support; along a stretch of movement the feet stay where they are, and so does the base. */
function baseOf(pose: Pose, row: Float64Array): readonly Point[] {
  const { frame, values } = pose;
  if (lastFrame === frame && BASE_SLOTS.every((index, i) => lastValues[i] === values[index])) return lastBase;
  BASE_SLOTS.forEach((index, i) => {
    lastValues[i] = values[index] as number;
  });
  lastFrame = frame;
  lastBase = baseOfSupport(contactsOf(pose, row));
  // Where quiet weight stands hangs on the feet alone, as the base does.
  lastQuietMargin = lastBase.length < 3 ? 0 : marginOfStability(quietPlace(pose, row), lastBase);
  return lastBase;
}

/** Margins to the edge of the base; a mass outside it is a problem, since nobody can stay there. */
function readMargins(pose: Pose, row: Float64Array): readonly Point[] {
  const base = baseOf(pose, row);
  if (base.length < 3) {
    problem ??= { kind: "offBase", beyond: 1 };
    return base;
  }
  const margin = marginOfStability([row[COM_X] as number, row[COM_Z] as number], base);
  row[MARGIN] = margin;
  row[QUIET_MARGIN] = lastQuietMargin;
  if (margin < 0) problem ??= { kind: "offBase", beyond: -margin };
  return base;
}

function readSide(pose: Pose, row: Float64Array, side: Side, share: number): void {
  const i = sideIndex(side);
  const contact = pose.frame.feet[i];
  const standing = pose.frame.seating.kind === "standing";
  const loaded = standing && share > RESTING_SHARE_USED + 1e-9;
  const knee = row[KNEE[i]] as number;
  row[FOOT_SHARE[i]] = share;
  // How deep a stance is says nothing of rising from a chair, whose load on the knee is read for itself.
  row[LOADED_KNEE[i]] = loaded && !isRising(pose.frame) ? knee : 0;
  const heelDown = standing && contact === "flat" ? (row[DORSIFLEXION[i]] as number) : 0;
  row[HEEL_DOWN_DORSIFLEXION[i]] = heelDown;
  row[STRAIGHT_KNEE_DORSIFLEXION[i]] = knee < STRAIGHT_KNEE ? heelDown : 0;
  if (loaded && knee > LOADED_KNEE_LIMIT) problem ??= { kind: "kneeTooDeep", side, beyond: knee - LOADED_KNEE_LIMIT };
  const pressure = pressurePoint(pose.values, side, contact, pose.values[PRESS] as number);
  readLoadsAndHeights(row, side, pressure, (pose.values[TOE_OUT[i]] as number) * DEGREE * sideSign(side), build);
}

/** The side of a foot that a pose puts on the floor and a body does not have; undefined where there is none. */
const missingFoot = ({ frame }: Pose, proportions: Build): Side | undefined =>
  SIDES.find((side) => !hasFoot(proportions, side) && !hangs(frame.feet[sideIndex(side)]));

/** A pose without the feet that a body does not have. */
function onOwnFeet(pose: Pose, proportions: Build): Pose {
  if (missingFoot(pose, proportions) === undefined) return pose;
  const { frame, values } = pose;
  const feet = pairOf((side) => (hasFoot(proportions, side) ? frame.feet[sideIndex(side)] : "absent"));
  return { frame: { ...frame, feet }, values };
}

/** Places the body and reads its legs. @returns the shares of the weight on the left and the right foot */
function placePose(
  pose: Pose,
  ceiling: number,
  row: Float64Array,
  proportions: Build,
  trail: PelvisTrail | null,
): [number, number] {
  problem = null;
  build = proportions;
  placeUpperBody(pose);
  swivels.kept = false;
  placeArms(pose, upperRow, upperMoments, false);
  setFeet(pose);
  const { seating } = pose.frame;
  const shares =
    seating.kind === "standing" ? solveStanding(pose, row, ceiling, trail) : solveSeated(pose, row, seating.seatHeight);
  for (const side of SIDES)
    if (!hangs(pose.frame.feet[sideIndex(side)])) readPlantedLeg(row, side, axes.pelvis, feet[sideIndex(side)], build);
  row[SEAT_SHARE] = seating.kind === "seated" ? 1 - shares[0] - shares[1] : 0;
  return shares;
}

/**
 * Solves one pose for the unit body: pelvis, joints, centre of mass, base of support and every reading.
 *
 * @param asked the pose, in a teacher's terms
 * @param ceiling greatest pelvis height allowed, share of H; used while a foot leaves the floor, so that the
 * pelvis rises smoothly
 * @param row where to write, ROW_WIDTH long; a new one unless given
 * @param proportions of the body that takes up the pose
 * @param trail of the poses before on the same stretch of a movement, carried on
 * @returns row and base in shares of H; `problem` says what the body lacks. Bones never stretch and nothing is NaN.
 */
export function solvePose(
  asked: Pose,
  ceiling = Number.POSITIVE_INFINITY,
  row: Float64Array = new Float64Array(ROW_WIDTH),
  proportions: Build = USUAL_BUILD,
  trail: PelvisTrail | null = null,
): SolvedPose {
  const pose = onOwnFeet(asked, proportions);
  const shares = placePose(pose, ceiling, row, proportions, trail);
  if (pose !== asked) problem = { kind: "noFoot", side: missingFoot(asked, proportions) as Side };
  const base = readMargins(pose, row);
  for (const side of SIDES) readSide(pose, row, side, shares[sideIndex(side)]);
  return { row, base, problem };
}

/** The same without base of support and margins, which take a good part of the time: only the row is written, but for these. */
export function solvePoseOffBase(asked: Pose, row: Float64Array, proportions: Build, ceiling = Number.POSITIVE_INFINITY): void {
  const pose = onOwnFeet(asked, proportions);
  const shares = placePose(pose, ceiling, row, proportions, null);
  row[MARGIN] = 0;
  row[QUIET_MARGIN] = 0;
  for (const side of SIDES) readSide(pose, row, side, shares[sideIndex(side)]);
}
