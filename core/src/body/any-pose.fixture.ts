import fc from "fast-check";
import { numberAt } from "../checked-access.ts";
import { SIDES } from "../side.ts";
import { neutralPose, type Pose, type PoseFrame, type SidedSlot, STANDING_FRAME, sidedSlot, slot } from "./pose.ts";
import { SHARE } from "./segments.ts";

const SEATED: PoseFrame = {
  ...STANDING_FRAME,
  seating: { kind: "seated", seat: "chair", seatHeight: 0.25, position: "middle", backSupported: false },
};

export const angle = (lowest: number, highest: number) => fc.double({ min: lowest, max: highest, noNaN: true });

/** Poses of every kind that a body may or may not be able to take up. */
export const anyPose: fc.Arbitrary<Pose> = fc
  .record({
    frame: fc.constantFrom<PoseFrame>(
      STANDING_FRAME,
      SEATED,
      { ...STANDING_FRAME, feet: ["lifted", "flat"] },
      { ...STANDING_FRAME, feet: ["flat", "restingToe"] },
      { ...STANDING_FRAME, hands: ["firm", "onBody"] },
    ),
    weightLeft: angle(0, 1),
    sink: angle(0, 80),
    tilt: angle(-20, 30),
    turn: angle(-45, 45),
    spine: angle(-45, 45),
    head: angle(-60, 60),
    elevation: angle(0, 170),
    plane: angle(-30, 120),
    elbow: angle(0, 150),
    half: angle(0.02, 0.3),
    ahead: angle(-0.2, 0.3),
    toeOut: angle(-10, 50),
    knee: angle(0, 100),
  })
  .map((drawn) => {
    const pose = neutralPose(drawn.frame);
    const { values } = pose;
    const both = (name: SidedSlot, value: number) => {
      for (const side of SIDES) values[sidedSlot(name, side)] = value;
    };
    values[slot("weightLeft")] = drawn.weightLeft;
    values[slot("sink")] = drawn.sink;
    values[slot("pelvisTilt")] = drawn.tilt;
    values[slot("pelvisRotation")] = drawn.turn;
    values[slot("spineRotation")] = drawn.spine;
    values[slot("headRotation")] = drawn.head;
    values[sidedSlot("elevation", "left")] = drawn.elevation;
    both("plane", drawn.plane);
    values[sidedSlot("elbow", "right")] = drawn.elbow;
    both("footX", drawn.frame.seating.kind === "seated" ? SHARE.thigh : 0);
    values[sidedSlot("footX", "right")] = numberAt(values, sidedSlot("footX", "right")) + drawn.ahead;
    values[sidedSlot("footZ", "left")] = -drawn.half;
    values[sidedSlot("footZ", "right")] = drawn.half;
    both("toeOut", drawn.toeOut);
    both("legKnee", drawn.knee);
    both("legFlexion", drawn.knee / 2);
    both("holdX", 0.1);
    both("holdY", 0.53);
    values[sidedSlot("holdZ", "left")] = -0.25;
    values[sidedSlot("holdZ", "right")] = 0.05;
    return pose;
  });
