import type { Side } from "../side.ts";
import type { ArmAngles } from "./arm.ts";
import { pointAt as at } from "./body-axes.ts";
import { type Build, USUAL_BUILD } from "./build.ts";
import { pointColumn, sidedPointColumn } from "./channels.ts";
import { reachWithArm } from "./reach-with-arm.ts";
import { cross, dot, minus, unit, type Vector } from "./vector.ts";

/**
 * The arm angles that bring a hand's centre to a place, the body otherwise as in the row; for pulling a hand on a picture.
 *
 * @param row a solved sample, shares of H
 * @param place shares of H; out of reach, the straight arm points there
 * @returns degrees, elbow hanging down and out, wrist straight
 */
export function armForHand(row: Float64Array, side: Side, place: Vector, build: Build = USUAL_BUILD): ArmAngles {
  const up = unit(minus(at(row, pointColumn("shoulderLine")), at(row, pointColumn("midSpine"))));
  const across = minus(at(row, sidedPointColumn("shoulder", "right")), at(row, sidedPointColumn("shoulder", "left")));
  const along = dot(across, up);
  const right = unit([across[0] - along * up[0], across[1] - along * up[1], across[2] - along * up[2]]);
  const forward = cross(up, right);
  const reach = minus(place, at(row, sidedPointColumn("shoulder", side)));
  const angles: ArmAngles = { elevation: 0, plane: 0, axial: 0, elbow: 0, forearm: 0, wrist: 0 };
  reachWithArm([dot(reach, forward), dot(reach, up), dot(reach, right)], side, build, angles);
  return angles;
}
