import { SIDES, sideSign } from "../side.ts";
import type { Build } from "./build.ts";
import { neutralPose, STANDING_FRAME, sidedSlot } from "./pose.ts";
import { SHARE } from "./segments.ts";
import { solvePose } from "./solve.ts";

const known = new WeakMap<Build, Float64Array>();

/** The solved row of a body that stands upright, feet under the hips, arms hanging. Shares of H; not to be written in. */
export function uprightRow(build: Build): Float64Array {
  const before = known.get(build);
  if (before) return before;
  const pose = neutralPose(STANDING_FRAME);
  for (const side of SIDES) pose.values[sidedSlot("footZ", side)] = sideSign(side) * SHARE.hipHalfSeparation;
  const { row } = solvePose(pose, undefined, undefined, build);
  known.set(build, row);
  return row;
}
