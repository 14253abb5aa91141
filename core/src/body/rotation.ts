import { numberAt } from "../checked-access.ts";

/** Radians in a degree. */
export const DEGREE = Math.PI / 180;

/**
 * Wraps an angle into (-180, 180].
 *
 * @param angle degrees
 */
export function wrapDegrees(angle: number): number {
  const turn = angle % 360;
  if (turn > 180) return turn - 360;
  return turn <= -180 ? turn + 360 : turn;
}

/** A 3x3 rotation, row by row. Its columns are the child's X (forward), Y (up) and Z (right) axes. */
export type Rotation = Float64Array;

export const identityRotation = (): Rotation => Float64Array.of(1, 0, 0, 0, 1, 0, 0, 0, 1);

/**
 * Writes parent . R(child in parent) into `out`, with
 * R = Rz(-flexion) . Rx(side bend) . Ry(-rotation), angles in degrees;
 * flexion is forward, side bend and rotation are to the person's right.
 */
export function composeRotation(parent: Rotation, flexion: number, sideBend: number, rotation: number, out: Rotation): void {
  const cf = Math.cos(flexion * DEGREE);
  const sf = Math.sin(flexion * DEGREE);
  const cb = Math.cos(sideBend * DEGREE);
  const sb = Math.sin(sideBend * DEGREE);
  const cr = Math.cos(rotation * DEGREE);
  const sr = Math.sin(rotation * DEGREE);
  // The product of the three, multiplied out.
  const r00 = cf * cr - sf * sb * sr;
  const r01 = sf * cb;
  const r02 = -cf * sr - sf * sb * cr;
  const r10 = -sf * cr - cf * sb * sr;
  const r11 = cf * cb;
  const r12 = sf * sr - cf * sb * cr;
  const r20 = cb * sr;
  const r21 = sb;
  const r22 = cb * cr;
  for (let row = 0; row < 3; row += 1) {
    const a = numberAt(parent, 3 * row);
    const b = numberAt(parent, 3 * row + 1);
    const c = numberAt(parent, 3 * row + 2);
    out[3 * row] = a * r00 + b * r10 + c * r20;
    out[3 * row + 1] = a * r01 + b * r11 + c * r21;
    out[3 * row + 2] = a * r02 + b * r12 + c * r22;
  }
}
