import { type Side, sideIndex, sideSign } from "../side.ts";
import { type Build, lengthIndexes, massIndexes } from "./build.ts";
import { sidedColumns, sidedPointColumns } from "./channels.ts";
import { DEGREE, type Rotation } from "./rotation.ts";
import { MASS } from "./segments.ts";

/** The angles of one arm relative to the thorax, degrees. */
export interface ArmAngles {
  elevation: number;
  plane: number;
  axial: number;
  elbow: number;
  forearm: number;
  wrist: number;
}

const SHOULDER = sidedPointColumns("shoulder");
const ELBOW = sidedPointColumns("elbowJoint");
const WRIST = sidedPointColumns("wristJoint");
const HAND = sidedPointColumns("handCentre");
const FINGERTIP = sidedPointColumns("fingertip");
const ELEVATION_RANGE = sidedColumns("shoulderElevation");
const PLANE_RANGE = sidedColumns("shoulderPlane");
const AXIAL_RANGE = sidedColumns("shoulderAxial");
const ELBOW_RANGE = sidedColumns("elbow");
const FOREARM_RANGE = sidedColumns("forearm");
const WRIST_RANGE = sidedColumns("wrist");

const UPPER_ARM_LENGTH = lengthIndexes("upperArm");
const FOREARM_LENGTH = lengthIndexes("forearm");
const HAND_LENGTH = lengthIndexes("hand");
const UPPER_ARM_MASS = massIndexes("upperArm");
const FOREARM_MASS = massIndexes("forearm");
const HAND_MASS = massIndexes("hand");

/** Sums of mass times position, filled in by each segment: X, Y, Z and the mass itself. */
export type Moments = Float64Array;

function addSegment(moments: Moments, share: number, row: Float64Array, from: number, to: number, at: number): void {
  for (let axis = 0; axis < 3; axis += 1) {
    const start = row[from + axis] as number;
    moments[axis] = (moments[axis] as number) + share * (start + at * ((row[to + axis] as number) - start));
  }
  moments[3] = (moments[3] as number) + share;
}

/** Places a point `length` along a direction given in thorax axes. */
function along(
  row: Float64Array,
  from: number,
  to: number,
  thorax: Rotation,
  length: number,
  x: number,
  y: number,
  z: number,
): void {
  for (let axis = 0; axis < 3; axis += 1)
    row[to + axis] =
      (row[from + axis] as number) +
      length * ((thorax[3 * axis] as number) * x + (thorax[3 * axis + 1] as number) * y + (thorax[3 * axis + 2] as number) * z);
}

/**
 * Places one arm by its angles, writes its points and range columns and adds its mass.
 * The shoulder point of the row must be set. Lengths are shares of H.
 */
export function placeArm(
  row: Float64Array,
  side: Side,
  thorax: Rotation,
  angles: ArmAngles,
  build: Build,
  moments: Moments,
): void {
  const s = sideSign(side);
  const ce = Math.cos(angles.elevation * DEGREE);
  const se = Math.sin(angles.elevation * DEGREE);
  const cp = Math.cos(angles.plane * DEGREE);
  const sp = Math.sin(angles.plane * DEGREE);
  const ca = Math.cos(angles.axial * DEGREE);
  const sa = Math.sin(angles.axial * DEGREE);
  const cb = Math.cos(angles.elbow * DEGREE);
  const sb = Math.sin(angles.elbow * DEGREE);
  const cr = Math.cos(angles.forearm * DEGREE);
  const sr = Math.sin(angles.forearm * DEGREE);
  const cw = Math.cos(angles.wrist * DEGREE);
  const sw = Math.sin(angles.wrist * DEGREE);

  // All as for a right arm; Z is mirrored on writing. Upper arm d, fold towards rising elevation f, inward g = f x d.
  const dx = se * sp;
  const dy = -ce;
  const dz = se * cp;
  const fx = ce * sp;
  const fy = se;
  const fz = ce * cp;
  const gx = fy * dz - fz * dy;
  const gy = fz * dx - fx * dz;
  const gz = fx * dy - fy * dx;
  // Fold direction after axial rotation, and the palm's direction at neutral forearm.
  const hx = ca * fx + sa * gx;
  const hy = ca * fy + sa * gy;
  const hz = ca * fz + sa * gz;
  const nx = hy * dz - hz * dy;
  const ny = hz * dx - hx * dz;
  const nz = hx * dy - hy * dx;
  // Forearm direction a, palm p after turning the forearm, hand direction w.
  const ax = cb * dx + sb * hx;
  const ay = cb * dy + sb * hy;
  const az = cb * dz + sb * hz;
  const px = cr * nx + sr * (ny * az - nz * ay);
  const py = cr * ny + sr * (nz * ax - nx * az);
  const pz = cr * nz + sr * (nx * ay - ny * ax);
  const wx = cw * ax + sw * px;
  const wy = cw * ay + sw * py;
  const wz = cw * az + sw * pz;

  const i = sideIndex(side);
  const shoulder = SHOULDER[i];
  const elbow = ELBOW[i];
  const wrist = WRIST[i];
  const hand = HAND[i];
  const fingertip = FINGERTIP[i];
  const { lengths, masses } = build;
  const handLength = lengths[HAND_LENGTH[i]] as number;
  along(row, shoulder, elbow, thorax, lengths[UPPER_ARM_LENGTH[i]] as number, dx, dy, s * dz);
  along(row, elbow, wrist, thorax, lengths[FOREARM_LENGTH[i]] as number, ax, ay, s * az);
  along(row, wrist, hand, thorax, MASS.hand.at * handLength, wx, wy, s * wz);
  along(row, wrist, fingertip, thorax, handLength, wx, wy, s * wz);

  row[ELEVATION_RANGE[i]] = angles.elevation;
  row[PLANE_RANGE[i]] = angles.plane;
  row[AXIAL_RANGE[i]] = angles.axial;
  row[ELBOW_RANGE[i]] = angles.elbow;
  row[FOREARM_RANGE[i]] = angles.forearm;
  row[WRIST_RANGE[i]] = angles.wrist;

  addSegment(moments, masses[UPPER_ARM_MASS[i]] as number, row, shoulder, elbow, MASS.upperArm.at);
  addSegment(moments, masses[FOREARM_MASS[i]] as number, row, elbow, wrist, MASS.forearm.at);
  addSegment(moments, masses[HAND_MASS[i]] as number, row, wrist, hand, 1);
}

/**
 * The arm angles that bring the hand's centre to a target, wrist straight, elbow hanging down and out.
 *
 * @param target in thorax axes, from the shoulder joint, shares of H
 * @returns how far the arm is too short, share of H; 0 when the hand arrives. The angles are then in `out`;
 * otherwise they point the straight arm at the target.
 */
export function reachWithArm(target: readonly [number, number, number], side: Side, { lengths }: Build, out: ArmAngles): number {
  const i = sideIndex(side);
  const upperArm = lengths[UPPER_ARM_LENGTH[i]] as number;
  const grip = (lengths[FOREARM_LENGTH[i]] as number) + MASS.hand.at * (lengths[HAND_LENGTH[i]] as number);
  const fullReach = upperArm + grip;
  const tx = target[0];
  const ty = target[1];
  const tz = target[2] * sideSign(side);
  const distance = Math.max(1e-9, Math.sqrt(tx * tx + ty * ty + tz * tz));
  const shortBy = Math.max(0, distance - fullReach);
  const reach = Math.min(Math.max(distance, Math.abs(grip - upperArm) + 1e-9), fullReach);
  const ux = tx / distance;
  const uy = ty / distance;
  const uz = tz / distance;

  // Elbow pole: down, outward and slightly back, made square to the line to the target.
  const poleDot = -0.2 * ux - 0.85 * uy + 0.5 * uz;
  let qx = -0.2 - poleDot * ux;
  let qy = -0.85 - poleDot * uy;
  let qz = 0.5 - poleDot * uz;
  const poleLength = Math.max(1e-9, Math.sqrt(qx * qx + qy * qy + qz * qz));
  qx /= poleLength;
  qy /= poleLength;
  qz /= poleLength;

  const cosShoulder = (upperArm ** 2 + reach ** 2 - grip ** 2) / (2 * upperArm * reach);
  const c = Math.min(1, Math.max(-1, cosShoulder));
  const sine = Math.sqrt(1 - c * c);
  const dx = c * ux + sine * qx;
  const dy = c * uy + sine * qy;
  const dz = c * uz + sine * qz;
  const cosElbow = (reach ** 2 - upperArm ** 2 - grip ** 2) / (2 * upperArm * grip);

  out.elevation = Math.acos(Math.min(1, Math.max(-1, -dy))) / DEGREE;
  out.plane = Math.sqrt(dx * dx + dz * dz) < 1e-9 ? 0 : Math.atan2(dx, dz) / DEGREE;
  out.elbow = Math.acos(Math.min(1, Math.max(-1, cosElbow))) / DEGREE;
  out.wrist = 0;
  // The fold lies towards the target, square to the upper arm.
  const dot = ux * dx + uy * dy + uz * dz;
  const fxx = ux - dot * dx;
  const fyy = uy - dot * dy;
  const fzz = uz - dot * dz;
  const ce = -dy;
  const se = Math.sqrt(dx * dx + dz * dz);
  const cp = se < 1e-9 ? 1 : dz / se;
  const sp = se < 1e-9 ? 0 : dx / se;
  const bx = ce * sp;
  const by = se;
  const bz = ce * cp;
  const gx = by * dz - bz * dy;
  const gy = bz * dx - bx * dz;
  const gz = bx * dy - by * dx;
  out.axial = out.elbow < 1e-6 ? 0 : Math.atan2(fxx * gx + fyy * gy + fzz * gz, fxx * bx + fyy * by + fzz * bz) / DEGREE;
  return shortBy;
}
