import { neutralPose, type PoseFrame, STANDING_FRAME, sidedSlot } from "@able-tide/core/body/pose";
import { SHARE } from "@able-tide/core/body/segments";
import { solvePose } from "@able-tide/core/body/solve";
import { SEAT_HEIGHT } from "@able-tide/core/movement/track";
import { SIDES } from "@able-tide/core/side";

export interface Posture {
  readonly frame: PoseFrame;
  readonly row: Float64Array;
}

const SEATED_FRAME: PoseFrame = {
  ...STANDING_FRAME,
  seating: { kind: "seated", seatHeight: SEAT_HEIGHT, atFront: false, backSupported: false, wheelchair: false },
};

/** A person at ease, arms a little open so that each side can be told. */
function atEase(frame: PoseFrame): Posture {
  const pose = neutralPose(frame);
  const seated = frame.seating.kind === "seated";
  for (const side of SIDES) {
    pose.values[sidedSlot("footZ", side)] = (side === "left" ? -1 : 1) * SHARE.hipHalfSeparation;
    pose.values[sidedSlot("footX", side)] = seated ? SHARE.thigh : 0;
    pose.values[sidedSlot("elevation", side)] = 16;
    pose.values[sidedSlot("plane", side)] = 15;
    pose.values[sidedSlot("elbow", side)] = seated ? 45 : 12;
  }
  return { frame, row: solvePose(pose).row };
}

export const STANDING_AT_EASE = atEase(STANDING_FRAME);
export const SEATED_AT_EASE = atEase(SEATED_FRAME);
