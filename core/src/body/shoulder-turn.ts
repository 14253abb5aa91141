/**
 * The turn of the upper arm about its own length as a clinician measures it: the twist that is left after the shortest swing
 * from the hanging arm, with the forearm straight ahead as zero. Outward is positive. All angles are degrees.
 *
 * A pose is authored with the turn counted from another zero (`axial`: inward positive, 0 where the elbow folds towards rising
 * elevation). Above `TURN_READ_TO` of elevation the swing is so long that the twist says little: it is not read there.
 *
 * @see docs/model.md, "Shoulder turn", for worked values and limits
 */

import { wrapDegrees } from "./rotation.ts";

/** Elevation up to which the turn is read, degrees. */
export const TURN_READ_TO = 120;
/** A cap on the outward turn keeps the arm this low: above, less and less of what was measured applies. */
export const ELEVATION_WITH_OUTWARD_CAP = 90;
/** How far an authored `axial` angle may go: what reaches every turn of a shoulder in every plane. */
export const AXIAL_BOUNDS = { lowest: -130, highest: 180 } as const;

/**
 * Outward turn of the upper arm.
 *
 * @param plane of elevation: 0 out to the side, 90 forward
 * @param axial authored turn, inward positive
 * @returns degrees, outward positive, in (-180, 180]
 * @example outwardTurn(0, 0) // 90: beside the body with the elbow folding outward
 * @example outwardTurn(90, 0) // 0: the forearm points ahead
 */
export const outwardTurn = (plane: number, axial: number): number => wrapDegrees(90 - plane - axial);

/** How far a shoulder turns in three positions of the arm. Our working limits, degrees. */
const TURNS_TO = {
  hanging: { outward: 70, inward: 80 },
  atTheSide: { outward: 90, inward: 80 },
  ahead: { outward: 45, inward: 120 },
} as const;

const RAISED = 90;
const AHEAD = 90;
const between = (from: number, to: number, share: number): number => from + Math.min(1, Math.max(0, share)) * (to - from);

/**
 * How far an ordinary shoulder turns with the arm in a position, linear between hanging, raised to the side and raised ahead.
 * Behind the plane of the body it is as at the side, across the body as ahead.
 *
 * @returns degrees, both positive
 */
export function turnLimits(elevation: number, plane: number): { readonly outward: number; readonly inward: number } {
  const of = (direction: "outward" | "inward"): number =>
    between(
      TURNS_TO.hanging[direction],
      between(TURNS_TO.atTheSide[direction], TURNS_TO.ahead[direction], plane / AHEAD),
      elevation / RAISED,
    );
  return { outward: of("outward"), inward: of("inward") };
}

/** By how much an arm turns further than a shoulder does, degrees; 0 within, and where the turn is not read. */
export function turnBeyond(elevation: number, plane: number, outward: number): number {
  if (elevation > TURN_READ_TO) return 0;
  const limits = turnLimits(elevation, plane);
  return Math.max(0, outward - limits.outward, -outward - limits.inward);
}
