import { itemAt, numberAt } from "../checked-access.ts";
import { otherSide, SIDES, type Side, sideIndex } from "../side.ts";
import type { Point } from "./base-of-support.ts";
import { type Build, massIndex, massIndexes } from "./build.ts";
import {
  column,
  handOver,
  LANDMARKS,
  type Landmark,
  pointColumn,
  sidedColumns,
  sidedPointColumn,
  sidedPointColumns,
} from "./channels.ts";
import type { PoseFrame } from "./pose.ts";
import { DEGREE } from "./rotation.ts";
import { MASS, SHARE } from "./segments.ts";

const PELVIS = pointColumn("pelvis");
const LUMBAR = pointColumn("lumbar");
const SHOULDER_LINE = pointColumn("shoulderLine");
const EYES = pointColumn("eyes");
const CROWN = pointColumn("crown");
const NECK = pointColumn("neck");
const SHOULDER = sidedPointColumns("shoulder");
const HAND = sidedPointColumns("handCentre");
const KNEE_JOINT = sidedPointColumns("kneeJoint");
const HAND_FROM_SIGHT = sidedColumns("handFromSight");
const SHOULDER_LOAD = sidedColumns("shoulderLoad");
const KNEE_LOAD = sidedColumns("kneeLoad");
const FOOT_SHARE = sidedColumns("footShare");
const LOW_BACK_LOAD = column("lowBackLoad");
const HAND_SEPARATION = column("handSeparation");
const HAND_OVER_COLUMNS = LANDMARKS.map((landmark) => [landmark, sidedColumns(handOver(landmark))] as const);

const LAP_ABOVE_HIP = 0.035;
const NAVEL_ALONG_TRUNK = 0.25;
const CHEST_ALONG_TRUNK = 0.66;

/** Height over the floor of a landmark of this same pose, share of H. */
function landmarkHeight(row: Float64Array, landmark: Landmark, side: Side): number {
  const height = (point: number): number => numberAt(row, point + 1);
  const alongTrunk = (share: number): number => height(PELVIS) + share * (height(SHOULDER_LINE) - height(PELVIS));
  switch (landmark) {
    case "lap":
      return height(PELVIS) + LAP_ABOVE_HIP;
    case "navel":
      return alongTrunk(NAVEL_ALONG_TRUNK);
    case "chest":
      return alongTrunk(CHEST_ALONG_TRUNK);
    case "shoulder":
      return height(SHOULDER[sideIndex(side)]);
    case "eye":
      return height(EYES);
    case "crown":
      return height(CROWN);
  }
}

/** Angle between straight ahead from the eyes and the hand, degrees. */
function angleFromSight(row: Float64Array, side: Side): number {
  const hand = HAND[sideIndex(side)];
  // Straight ahead is from the head's axis to the eyes, which sit eyeAhead in front of it.
  const at = SHARE.eyeBelowCrown / (SHARE.shoulderToCrown - SHARE.neckPivot);
  let dot = 0;
  let length = 0;
  for (let axis = 0; axis < 3; axis += 1) {
    const onAxis = numberAt(row, CROWN + axis) + at * (numberAt(row, NECK + axis) - numberAt(row, CROWN + axis));
    const ahead = (numberAt(row, EYES + axis) - onAxis) / SHARE.eyeAhead;
    const toHand = numberAt(row, hand + axis) - numberAt(row, EYES + axis);
    dot += ahead * toHand;
    length += toHand ** 2;
  }
  return Math.acos(Math.min(1, Math.max(-1, dot / Math.max(1e-9, Math.sqrt(length))))) / DEGREE;
}

/** How far the hands are apart along the line of the shoulders, as a share of its breadth: 1 is as wide as the shoulders. */
function handSeparation(row: Float64Array): number {
  let along = 0;
  let breadth = 0;
  for (let axis = 0; axis < 3; axis += 1) {
    const across = numberAt(row, SHOULDER[1] + axis) - numberAt(row, SHOULDER[0] + axis);
    along += across * (numberAt(row, HAND[1] + axis) - numberAt(row, HAND[0] + axis));
    breadth += across * across;
  }
  return along / breadth;
}

/** A mass by its index in the build, and the two points it lies between, with how far. */
interface Part {
  readonly mass: number;
  readonly from: number;
  readonly to: number;
  readonly at: number;
}
const part = (mass: number, from: number, to: number, at: number): Part => ({ mass, from, to, at });

/** X and Z of the last levers that were added up. */
const levers = new Float64Array(2);

/** Adds up the horizontal levers of masses about a point, share of M times share of H, into `levers`. */
function addLevers(row: Float64Array, about: number, parts: readonly Part[], { masses }: Build): void {
  let x = 0;
  let z = 0;
  const aboutX = numberAt(row, about);
  const aboutZ = numberAt(row, about + 2);
  for (let i = 0; i < parts.length; i += 1) {
    const part = itemAt(parts, i);
    const share = numberAt(masses, part.mass);
    const fromX = numberAt(row, part.from);
    const fromZ = numberAt(row, part.from + 2);
    x += share * (fromX + part.at * (numberAt(row, part.to) - fromX) - aboutX);
    z += share * (fromZ + part.at * (numberAt(row, part.to + 2) - fromZ) - aboutZ);
  }
  levers[0] = x;
  levers[1] = z;
}

/** Gravity moment of masses about a point, share of M g H. */
function leverSum(row: Float64Array, about: number, parts: readonly Part[], build: Build): number {
  addLevers(row, about, parts, build);
  const x = numberAt(levers, 0);
  const z = numberAt(levers, 1);
  return Math.sqrt(x * x + z * z);
}

function armParts(side: Side): readonly Part[] {
  const i = sideIndex(side);
  const shoulder = sidedPointColumn("shoulder", side);
  const elbow = sidedPointColumn("elbowJoint", side);
  const wrist = sidedPointColumn("wristJoint", side);
  const hand = sidedPointColumn("handCentre", side);
  return [
    part(massIndexes("upperArm")[i], shoulder, elbow, MASS.upperArm.at),
    part(massIndexes("forearm")[i], elbow, wrist, MASS.forearm.at),
    part(massIndexes("hand")[i], wrist, hand, 1),
  ];
}

const ARM_PARTS = { left: armParts("left"), right: armParts("right") } as const;

/** Horizontal lever from a shoulder to a hand, share of H. */
const toHand = (row: Float64Array, shoulder: Side, hand: Side, axis: 0 | 2): number =>
  numberAt(row, HAND[sideIndex(hand)] + axis) - numberAt(row, SHOULDER[sideIndex(shoulder)] + axis);

/**
 * What the other hand takes of a carried arm's weight: as much as leaves least to its shoulder, and no more than all of it.
 *
 * @param side of the carried arm
 * @returns share of M g that the hand carries, and what is left to the shoulder, share of M g H
 */
function carriedBy(row: Float64Array, side: Side, build: Build): { readonly carried: number; readonly left: number } {
  addLevers(row, SHOULDER[sideIndex(side)], ARM_PARTS[side], build);
  const x = numberAt(levers, 0);
  const z = numberAt(levers, 1);
  const handX = toHand(row, side, otherSide(side), 0);
  const handZ = toHand(row, side, otherSide(side), 2);
  const weight = ARM_PARTS[side].reduce((sum, { mass }) => sum + numberAt(build.masses, mass), 0);
  const reach = handX * handX + handZ * handZ;
  const carried = reach < 1e-12 ? 0 : Math.min(weight, Math.max(0, (x * handX + z * handZ) / reach));
  return { carried, left: Math.hypot(x - carried * handX, z - carried * handZ) };
}

/** Gravity moment at a shoulder whose hand carries the other arm as well, share of M g H. */
function carryingMoment(row: Float64Array, side: Side, build: Build): number {
  const { carried } = carriedBy(row, otherSide(side), build);
  addLevers(row, SHOULDER[sideIndex(side)], ARM_PARTS[side], build);
  return Math.hypot(
    numberAt(levers, 0) + carried * toHand(row, side, side, 0),
    numberAt(levers, 1) + carried * toHand(row, side, side, 2),
  );
}

/** Gravity moment at a shoulder, share of M g H; a hand that carries the other arm takes its weight on itself. */
function shoulderMoment(row: Float64Array, side: Side, hands: PoseFrame["hands"], build: Build): number {
  if (hands[sideIndex(otherSide(side))] === "carrying") return carriedBy(row, side, build).left;
  if (hands[sideIndex(side)] === "carrying") return carryingMoment(row, side, build);
  return leverSum(row, SHOULDER[sideIndex(side)], ARM_PARTS[side], build);
}
const ABOVE_LOW_BACK: readonly Part[] = [
  part(massIndex("abdomen"), pointColumn("lumbar"), pointColumn("midSpine"), 0.5),
  part(massIndex("thorax"), pointColumn("midSpine"), pointColumn("shoulderLine"), 0.235 / 0.44),
  part(massIndex("headNeck"), pointColumn("head"), pointColumn("head"), 0),
  ...ARM_PARTS.left,
  ...ARM_PARTS.right,
];

/**
 * Fills the readings of one side that follow from the joints: hand heights over the landmarks (share of H),
 * angle from sight (degrees), shoulder load (share of the bare arm straight out), knee load and low-back load
 * (share of M g H), and once a body how far the hands are apart. Loads are quasi-static: they leave out acceleration.
 *
 * @param pressure where this foot presses on the floor, shares of H
 * @param footDirection direction of the foot's axis on the floor, radians towards the right
 * @param hands what the left and the right hand do
 */
export function readLoadsAndHeights(
  row: Float64Array,
  side: Side,
  pressure: Point,
  footDirection: number,
  hands: PoseFrame["hands"],
  build: Build,
): void {
  const i = sideIndex(side);
  const hand = numberAt(row, HAND[i] + 1);
  for (const [landmark, columns] of HAND_OVER_COLUMNS) row[columns[i]] = hand - landmarkHeight(row, landmark, side);
  row[HAND_FROM_SIGHT[i]] = angleFromSight(row, side);
  row[SHOULDER_LOAD[i]] = shoulderMoment(row, side, hands, build) / build.bareArmMoment[i];
  const knee = KNEE_JOINT[i];
  const lever =
    (numberAt(row, knee) - pressure[0]) * Math.cos(footDirection) +
    (numberAt(row, knee + 2) - pressure[1]) * Math.sin(footDirection);
  row[KNEE_LOAD[i]] = Math.max(0, numberAt(row, FOOT_SHARE[i]) * lever);
  if (side === SIDES[1]) {
    row[LOW_BACK_LOAD] = leverSum(row, LUMBAR, ABOVE_LOW_BACK, build);
    row[HAND_SEPARATION] = handSeparation(row);
  }
}
