import { armForHand } from "../body/arm-for-hand.ts";
import { pointAt } from "../body/body-axes.ts";
import type { Build } from "../body/build.ts";
import { sidedPointColumn } from "../body/channels.ts";
import { outOfThighs } from "../body/flesh.ts";
import { type Pose, sidedSlot } from "../body/pose.ts";
import { DEGREE, wrapDegrees } from "../body/rotation.ts";
import { dot, minus, unit, type Vector } from "../body/vector.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";

const CHANGED = ["elevation", "plane", "axial", "elbow"] as const;
/** A hand that is moved by less, share of H, is left where it is. */
const NOTICED = 0.0005;
/** Arms that would have to change by more are left as they are: a hand behind the body has another way out. */
const MOST = 40;

/** A wrist bends back to here at most, so that fingers pass over a thigh, degrees. */
const BENT_BACK = -60;

/** Bends a wrist so that the fingertips come out of the thighs. @returns what is left for the arm to do, shares of H */
function bendWrist(pose: Pose, row: Float64Array, side: Side): Vector {
  const wrist = pointAt(row, sidedPointColumn("wristJoint", side));
  const tip = pointAt(row, sidedPointColumn("fingertip", side));
  const out = minus(outOfThighs(row, side, tip), tip);
  const palm = unit(minus(pointAt(row, sidedPointColumn("palm", side)), pointAt(row, sidedPointColumn("handCentre", side))));
  const back = Math.min(0, dot(out, palm));
  const slot = sidedSlot("wrist", side);
  const now = numberAt(pose.values, slot);
  const wanted = now + back / Math.max(0.02, Math.hypot(...minus(tip, wrist))) / DEGREE;
  pose.values[slot] = Math.max(Math.min(now, BENT_BACK), wanted);
  return minus(out, [back * palm[0], back * palm[1], back * palm[2]]);
}

/** Whether the middle of a hand or its fingertips are inside a thigh. */
const isInThighs = (row: Float64Array, side: Side): boolean =>
  (["handCentre", "fingertip"] as const).some((name) => {
    const place = pointAt(row, sidedPointColumn(name, side));
    return outOfThighs(row, side, place) !== place;
  });

/** Lifts one hand out of the thighs, on its way over them. @returns whether the arm changed */
function liftHand(pose: Pose, row: Float64Array, side: Side, build: Build): boolean {
  const hand = pointAt(row, sidedPointColumn("handCentre", side));
  const wrist = numberAt(pose.values, sidedSlot("wrist", side));
  const rest = bendWrist(pose, row, side);
  const bent = numberAt(pose.values, sidedSlot("wrist", side)) !== wrist;
  const out = outOfThighs(row, side, hand);
  const clear: Vector = [out[0] + rest[0], out[1] + rest[1], out[2] + rest[2]];
  if (Math.hypot(...minus(clear, hand)) < NOTICED) return bent;
  // The same change that takes a straight wrist from here to there: none where there is none to make, so that the hand slides.
  const [from, to] = [armForHand(row, side, hand, build), armForHand(row, side, clear, build)];
  const changes = CHANGED.map((name) => wrapDegrees(to[name] - from[name]));
  if (changes.some((change) => Math.abs(change) > MOST)) return bent;
  CHANGED.forEach((name, i) => {
    const slot = sidedSlot(name, side);
    pose.values[slot] = numberAt(pose.values, slot) + (changes[i] ?? 0);
  });
  return true;
}

/**
 * Lifts free hands of a seated body out of its thighs, where the way between two key poses leads through them: they slide over
 * them instead.
 *
 * @param pose of the sample
 * @param row the same, solved
 * @param build whose body it is
 * @returns the pose to be solved instead; null where no hand is in the way
 */
export function clearOfThighs(pose: Pose, row: Float64Array, build: Build): Pose | null {
  if (pose.frame.seating.kind !== "seated") return null;
  const inTheWay = SIDES.filter((side) => pose.frame.hands[sideIndex(side)] === "free" && isInThighs(row, side));
  if (inTheWay.length === 0) return null;
  const clear: Pose = { frame: pose.frame, values: pose.values.slice() };
  const lifted = inTheWay.filter((side) => liftHand(clear, row, side, build));
  return lifted.length > 0 ? clear : null;
}
