import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { numberAt } from "../checked-access.ts";
import { USUAL_BUILD } from "./build.ts";
import { sidedColumn } from "./channels.ts";
import { neutralPose, type Pose, STANDING_FRAME, sidedSlot, slot } from "./pose.ts";
import { reachWithArm } from "./reach-with-arm.ts";
import { outwardTurn, TURN_READ_TO, turnBeyond, turnLimits } from "./shoulder-turn.ts";
import { solvePose } from "./solve.ts";
import { turnFromJoints } from "./turn-from-joints.fixture.ts";

describe("the turn of the upper arm, forearm straight ahead as zero", () => {
  test.each([
    ["hanging, the elbow folding outward", 0, 0, 90],
    ["hanging, the forearm ahead", 0, 90, 0],
    ["hanging, the forearm across the belly", 0, 160, -70],
    ["ahead, as it hangs", 90, 0, 0],
    ["ahead, turned in", 90, 60, -60],
    ["half ahead", 30, 0, 60],
    ["behind the plane of the body", -15, 10, 95],
    ["past half a turn", 0, 280, 170],
  ])("%s", (_, plane, axial, turn) => {
    expect(outwardTurn(plane, axial)).toBe(turn);
  });

  test("is what the joints show, whatever the trunk does: the twist left after the shortest swing", () => {
    const angle = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom("left" as const, "right" as const),
        fc.tuple(angle(-45, 118), angle(-30, 130), angle(-120, 170), angle(8, 140)),
        fc.tuple(angle(-25, 30), angle(-30, 30), angle(-40, 40)),
        (side, [elevation, plane, axial, elbow], [tilt, bend, turn]) => {
          const pose: Pose = neutralPose(STANDING_FRAME);
          const { values } = pose;
          values[slot("pelvisTilt")] = tilt;
          values[slot("spineSideBend")] = bend;
          values[slot("spineRotation")] = turn;
          for (const [name, value] of Object.entries({ elevation, plane, axial, elbow }))
            values[sidedSlot(name as "elevation", side)] = value;
          const { row } = solvePose(pose);
          const seen = turnFromJoints(row, side);
          const read = numberAt(row, sidedColumn("shoulderTurn", side));
          expect(Math.abs(Math.sin(((seen - read) * Math.PI) / 360))).toBeLessThan(1e-6);
        },
      ),
    );
  });
});

describe("how far a shoulder turns", () => {
  test.each([
    [0, 0, 70, 80],
    [90, 0, 90, 80],
    [90, 90, 45, 120],
    [90, 130, 45, 120],
    [45, 0, 80, 80],
    [90, 45, 67.5, 100],
    [45, 90, 57.5, 100],
    [-40, 90, 70, 80],
  ])("at %d up in plane %d it is %d out and %d in", (elevation, plane, outward, inward) => {
    expect(turnLimits(elevation, plane)).toEqual({ outward, inward });
  });

  test("is passed by so much, and not looked at with the arm high", () => {
    expect(turnBeyond(0, 0, 90)).toBe(20);
    expect(turnBeyond(0, 0, -95)).toBe(15);
    expect(turnBeyond(90, 90, 45)).toBe(0);
    expect(turnBeyond(TURN_READ_TO + 1, 90, 180)).toBe(0);
  });
});

describe("an arm placed by its hand", () => {
  test("on the rail turns in by about twelve degrees", () => {
    const pose = neutralPose({ ...STANDING_FRAME, hands: ["free", "firm"] });
    for (const [name, value] of Object.entries({ holdX: 0.1, holdY: 0.53, holdZ: 0.25 }))
      pose.values[sidedSlot(name as "holdX", "right")] = value;
    pose.values[sidedSlot("footZ", "left")] = -0.052;
    pose.values[sidedSlot("footZ", "right")] = 0.052;
    expect(solvePose(pose).row[sidedColumn("shoulderTurn", "right")]).toBeCloseTo(-12, -1);
  });

  test("reaches its place with a shoulder that turns no further than shoulders do, wherever a hand may be asked to be", () => {
    const place = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });
    const angles = { elevation: 0, plane: 0, axial: 0, elbow: 0, forearm: 0, wrist: 0 };
    fc.assert(
      fc.property(
        fc.constantFrom("left" as const, "right" as const),
        place(0, 0.3),
        place(-0.34, 0.2),
        place(-0.1, 0.25),
        (side, x, y, z) => {
          const aside = side === "left" ? -z : z;
          const far = Math.hypot(x, y, z);
          fc.pre(far > 0.16 && far < 0.38);
          expect(reachWithArm([x, y, aside], side, USUAL_BUILD, angles)).toBe(0);
          expect(turnBeyond(angles.elevation, angles.plane, outwardTurn(angles.plane, angles.axial))).toBeLessThan(0.01);
        },
      ),
      { numRuns: 400 },
    );
  });
});
