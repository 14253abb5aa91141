import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { numberAt } from "../checked-access.ts";
import { angle } from "./any-pose.fixture.ts";
import { sidedPointColumn } from "./channels.ts";
import { neutralPose, type PoseFrame, STANDING_FRAME, sidedSlot, slot } from "./pose.ts";
import { solvePose } from "./solve.ts";
import { tiltArm } from "./tilt-arm.ts";

const chair: PoseFrame = {
  ...STANDING_FRAME,
  feet: ["lying", "lying"],
  seating: { kind: "seated", seat: "chair", seatHeight: 0.28, position: "middle", backSupported: false },
};

/** Where elbow, wrist and fingertip are from the shoulder of a trunk that leans back by so much. */
function armOf(angles: { elevation: number; plane: number; axial: number; elbow: number }, lean: number): number[] {
  const pose = neutralPose(chair);
  pose.values[slot("pelvisTilt")] = -lean;
  for (const [name, value] of Object.entries(angles))
    pose.values[sidedSlot(name as "elevation" | "plane" | "axial" | "elbow", "right")] = value;
  const { row } = solvePose(pose);
  const shoulder = sidedPointColumn("shoulder", "right");
  return (["elbowJoint", "wristJoint", "fingertip"] as const).flatMap((point) =>
    [0, 1, 2].map((axis) => numberAt(row, sidedPointColumn(point, "right") + axis) - numberAt(row, shoulder + axis)),
  );
}

describe("an arm that keeps its direction while the trunk leans back", () => {
  test("elbow, wrist and fingertips stay where they were in space", () => {
    fc.assert(
      fc.property(
        angle(5, 175),
        angle(-30, 120),
        angle(-80, 80),
        angle(0, 140),
        angle(0, 40),
        (elevation, plane, axial, elbow, lean) => {
          const before = armOf({ elevation, plane, axial, elbow }, 0);
          const after = armOf({ ...tiltArm({ elevation, plane, axial }, lean), elbow }, lean);
          after.forEach((value, i) => {
            expect(value).toBeCloseTo(numberAt(Float64Array.from(before), i), 6);
          });
        },
      ),
    );
  });

  test.each([
    [90, 90, 30, 60],
    [170, 90, 30, 140],
    [90, 0, 30, 90],
  ])("raised %s in plane %s, a lean of %s leaves %s", (elevation, plane, lean, raised) => {
    expect(tiltArm({ elevation, plane, axial: 0 }, lean).elevation).toBeCloseTo(raised, 9);
  });

  test("without a lean nothing changes", () => {
    const { elevation, plane, axial } = tiltArm({ elevation: 40, plane: 100, axial: -20 }, 0);
    expect([elevation, plane, axial].map((value) => Math.round(value * 1e6) / 1e6)).toEqual([40, 100, -20]);
  });
});
