import { numberAt } from "../checked-access.ts";
import { SIDES, sideIndex } from "../side.ts";
import { RESTING_SHARE } from "./base-of-support.ts";
import { column, pointColumn, sidedPointColumns } from "./channels.ts";
import { bearsWeight, onlyRests, pressurePoint } from "./contacts.ts";
import { findPelvis, GAIN } from "./find-pelvis.ts";
import { highestHip, legLength, straightLeg } from "./leg-parts.ts";
import { hipToAnkle, placeBody, placeMass } from "./place-body.ts";
import { footIsUnsupported, isOff, isOnSupport, type Pose, slot } from "./pose.ts";
import { SHARE } from "./segments.ts";
import type { SolverSpace } from "./solver-space.ts";

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
const HIP = sidedPointColumns("hip");
const LOWERED_BY = column("loweredBy");
const WEIGHT_LEFT = slot("weightLeft");
const PRESS = slot("press");
const SINK = slot("sink");

/** Shares of the weight on the left and right foot while standing. */
function standingShares(pose: Pose): [number, number] {
  const [left, right] = pose.frame.feet;
  if (isOff(left)) return [0, 1];
  if (isOff(right)) return [1, 0];
  let share = numberAt(pose.values, WEIGHT_LEFT);
  if (onlyRests(left)) share = Math.min(share, RESTING_SHARE);
  if (onlyRests(right)) share = Math.max(share, 1 - RESTING_SHARE);
  return [share, 1 - share];
}

/** The greatest height the pelvis can have over the place it is at, with each planted foot in reach. */
function reachableHeight(space: SolverSpace, pose: Pose): number {
  let lowest = Number.POSITIVE_INFINITY;
  for (const side of SIDES) {
    const i = sideIndex(side);
    if (footIsUnsupported(pose.frame.feet[i])) continue;
    const foot = space.feet[i];
    const hip = HIP[i];
    const dx = hipToAnkle(space, side, 0);
    const dz = hipToAnkle(space, side, 2);
    const horizontal = Math.sqrt(dx * dx + dz * dz);
    const over = highestHip(horizontal, space.build, side);
    if (over < 0) space.problem = { kind: "legTooShort", side, shortBy: horizontal - straightLeg(space.build, side) };
    lowest = Math.min(lowest, foot.y + Math.max(0, over) - numberAt(space.upperRow, hip + 1));
  }
  return lowest;
}

/** Finds the pelvis of a standing pose, so that its mass is over the point its feet press on. @returns shares of the weight on each foot */
export function solveStanding(
  space: SolverSpace,
  pose: Pose,
  row: Float64Array,
  ceiling: number,
  trail: PelvisTrail | null,
): [number, number] {
  const shares = standingShares(pose);
  const press = numberAt(pose.values, PRESS);
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
    if (bearsWeight(contact)) raised += share * (space.feet[sideIndex(side)].y - SHARE.ankleHeight);
  }
  const wanted = SHARE.ankleHeight + raised + legLength(space.build, numberAt(pose.values, SINK));
  // The upper body leans out over the pelvis by so much: begin where that is made up for.
  const firstX = targetX - GAIN * numberAt(space.upperMoments, 0);
  const firstZ = targetZ - GAIN * numberAt(space.upperMoments, 2);
  space.pelvisAt[0] = firstX + (trail ? 2 * trail.last[0] - trail.before[0] : 0);
  space.pelvisAt[2] = firstZ + (trail ? 2 * trail.last[1] - trail.before[1] : 0);
  const holding = pose.frame.hands.some(isOnSupport);
  const problemBefore = space.problem;
  const miss: [number, number] = [0, 0];
  const place = (x: number, z: number, near: boolean): void => {
    space.problem = problemBefore;
    // Which way an elbow is swung may change at once: near the place such a jump would leave no place at all.
    space.swivels.kept = near;
    space.pelvisAt[0] = x;
    space.pelvisAt[2] = z;
    space.pelvisAt[1] = Math.min(wanted, ceiling, reachableHeight(space, pose));
    placeMass(space, pose, row, holding);
    miss[0] = targetX - numberAt(space.moments, 0);
    miss[1] = targetZ - numberAt(space.moments, 2);
  };
  findPelvis({ pelvis: space.pelvisAt, miss, place });
  if (trail) {
    const isFirst = trail.last[0] === 0 && trail.last[1] === 0;
    trail.before[0] = isFirst ? space.pelvisAt[0] - firstX : trail.last[0];
    trail.before[1] = isFirst ? space.pelvisAt[2] - firstZ : trail.last[1];
    trail.last[0] = space.pelvisAt[0] - firstX;
    trail.last[1] = space.pelvisAt[2] - firstZ;
  }
  placeBody(space, pose, row, holding);
  row[LOWERED_BY] = wanted - numberAt(row, PELVIS + 1);
  return shares;
}
