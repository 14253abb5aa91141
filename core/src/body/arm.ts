import { numberAt } from "../checked-access.ts";
import { type Side, sideIndex, sideSign } from "../side.ts";
import { type Build, lengthIndexes, massIndexes } from "./build.ts";
import { sidedColumns, sidedPointColumns } from "./channels.ts";
import { DEGREE, type Rotation } from "./rotation.ts";
import { MASS } from "./segments.ts";
import { outwardTurn } from "./shoulder-turn.ts";

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
const PALM = sidedPointColumns("palm");
/** How far before the middle of the hand the palm's point is, share of H. */
const PALM_AHEAD = 0.03;

/**
 * Turns the palm of a placed hand another way, as far as it can look there square to its fingers. The arm stays as it is: what a
 * hand that holds or rests does is for the figure alone.
 *
 * @param row with the arm placed
 * @param side of the hand
 * @param x the way that the palm should look: ahead
 * @param y up
 * @param z to the right
 */
export function layPalm(row: Float64Array, side: Side, x: number, y: number, z: number): void {
  const i = sideIndex(side);
  const hand = HAND[i];
  const tip = FINGERTIP[i];
  const wrist = WRIST[i];
  const ax = numberAt(row, tip) - numberAt(row, wrist);
  const ay = numberAt(row, tip + 1) - numberAt(row, wrist + 1);
  const az = numberAt(row, tip + 2) - numberAt(row, wrist + 2);
  const dot = (ax * x + ay * y + az * z) / (ax * ax + ay * ay + az * az);
  const px = x - dot * ax;
  const py = y - dot * ay;
  const pz = z - dot * az;
  const far = Math.sqrt(px * px + py * py + pz * pz);
  // Fingers that point where the palm should look leave it as the forearm turns it.
  if (far < SQUARE) return;
  const palm = PALM[i];
  row[palm] = numberAt(row, hand) + (PALM_AHEAD * px) / far;
  row[palm + 1] = numberAt(row, hand + 1) + (PALM_AHEAD * py) / far;
  row[palm + 2] = numberAt(row, hand + 2) + (PALM_AHEAD * pz) / far;
}

/** Fingers nearer to a direction than this, sine of the angle, have no palm square to them that looks there. */
const SQUARE = 0.05;
const ELEVATION_RANGE = sidedColumns("shoulderElevation");
const PLANE_RANGE = sidedColumns("shoulderPlane");
const TURN_RANGE = sidedColumns("shoulderTurn");
const ELBOW_RANGE = sidedColumns("elbow");
const FOREARM_RANGE = sidedColumns("forearm");
const WRIST_RANGE = sidedColumns("wrist");

export const UPPER_ARM_LENGTH = lengthIndexes("upperArm");
export const FOREARM_LENGTH = lengthIndexes("forearm");
export const HAND_LENGTH = lengthIndexes("hand");
const UPPER_ARM_MASS = massIndexes("upperArm");
const FOREARM_MASS = massIndexes("forearm");
const HAND_MASS = massIndexes("hand");

/** Sums of mass times position, filled in by each segment: X, Y, Z and the mass itself. */
export type Moments = Float64Array;

function addSegment(moments: Moments, share: number, row: Float64Array, from: number, to: number, at: number): void {
  for (let axis = 0; axis < 3; axis += 1) {
    const start = numberAt(row, from + axis);
    moments[axis] = numberAt(moments, axis) + share * (start + at * (numberAt(row, to + axis) - start));
  }
  moments[3] = numberAt(moments, 3) + share;
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
      numberAt(row, from + axis) +
      length * (numberAt(thorax, 3 * axis) * x + numberAt(thorax, 3 * axis + 1) * y + numberAt(thorax, 3 * axis + 2) * z);
}

/**
 * Places one arm by its angles, writes its points and range columns and adds its mass.
 * The shoulder point of the row must be set. Lengths are shares of H.
 * Long because it is one chain of vectors, each from the one before, written out without allocation: it runs for every sample.
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
  const handLength = numberAt(lengths, HAND_LENGTH[i]);
  along(row, shoulder, elbow, thorax, numberAt(lengths, UPPER_ARM_LENGTH[i]), dx, dy, s * dz);
  along(row, elbow, wrist, thorax, numberAt(lengths, FOREARM_LENGTH[i]), ax, ay, s * az);
  along(row, wrist, hand, thorax, MASS.hand.at * handLength, wx, wy, s * wz);
  along(row, wrist, fingertip, thorax, handLength, wx, wy, s * wz);
  along(row, hand, PALM[i], thorax, PALM_AHEAD, cw * px - sw * ax, cw * py - sw * ay, s * (cw * pz - sw * az));

  row[ELEVATION_RANGE[i]] = angles.elevation;
  row[PLANE_RANGE[i]] = angles.plane;
  row[TURN_RANGE[i]] = outwardTurn(angles.plane, angles.axial);
  row[ELBOW_RANGE[i]] = angles.elbow;
  row[FOREARM_RANGE[i]] = angles.forearm;
  row[WRIST_RANGE[i]] = angles.wrist;

  addSegment(moments, numberAt(masses, UPPER_ARM_MASS[i]), row, shoulder, elbow, MASS.upperArm.at);
  addSegment(moments, numberAt(masses, FOREARM_MASS[i]), row, elbow, wrist, MASS.forearm.at);
  addSegment(moments, numberAt(masses, HAND_MASS[i]), row, wrist, hand, 1);
}

/** The angles of one arm of a solved pose. */
export function armAngles(row: Float64Array, side: Side): ArmAngles {
  const i = sideIndex(side);
  const plane = numberAt(row, PLANE_RANGE[i]);
  return {
    elevation: numberAt(row, ELEVATION_RANGE[i]),
    plane,
    axial: 90 - plane - numberAt(row, TURN_RANGE[i]),
    elbow: numberAt(row, ELBOW_RANGE[i]),
    forearm: numberAt(row, FOREARM_RANGE[i]),
    wrist: numberAt(row, WRIST_RANGE[i]),
  };
}
