import { numberAt } from "../checked-access.ts";
import type { Side } from "../side.ts";
import { pointColumn, sidedPointColumn } from "./channels.ts";
import { cross, dot, minus, unit, type Vector } from "./vector.ts";

/**
 * Outward turn of an upper arm worked out from the joints alone: the shortest swing that takes the hanging arm to where the
 * upper arm is is undone on the forearm, and what is left is seen from above. Needs a bent elbow. Degrees.
 */
export function turnFromJoints(row: Float64Array, side: Side): number {
  const at = (column: number): Vector => [numberAt(row, column), numberAt(row, column + 1), numberAt(row, column + 2)];
  const up = unit(minus(at(pointColumn("shoulderLine")), at(pointColumn("midSpine"))));
  const across = minus(at(sidedPointColumn("shoulder", "right")), at(sidedPointColumn("shoulder", "left")));
  const along = dot(across, up);
  const right = unit([across[0] - along * up[0], across[1] - along * up[1], across[2] - along * up[2]]);
  const ahead = cross(up, right);
  const inThorax = (v: Vector): Vector => [dot(v, ahead), dot(v, up), dot(v, right)];
  const upper = unit(inThorax(minus(at(sidedPointColumn("elbowJoint", side)), at(sidedPointColumn("shoulder", side)))));
  const forearm = inThorax(minus(at(sidedPointColumn("wristJoint", side)), at(sidedPointColumn("elbowJoint", side))));
  // Rodrigues, backwards: about the axis square to the hanging arm and the upper arm.
  const down: Vector = [0, -1, 0];
  const axis = cross(down, upper);
  const sine = Math.hypot(...axis);
  const cosine = dot(down, upper);
  if (sine < 1e-9) return angleOutward(forearm, side);
  const k: Vector = [axis[0] / sine, axis[1] / sine, axis[2] / sine];
  const turned = cross(k, forearm);
  const kept = dot(k, forearm) * (1 - cosine);
  const undone: Vector = [
    forearm[0] * cosine - turned[0] * sine + k[0] * kept,
    forearm[1] * cosine - turned[1] * sine + k[1] * kept,
    forearm[2] * cosine - turned[2] * sine + k[2] * kept,
  ];
  return angleOutward(undone, side);
}

const angleOutward = ([ahead, , right]: Vector, side: Side): number =>
  (Math.atan2(side === "right" ? right : -right, ahead) * 180) / Math.PI;
