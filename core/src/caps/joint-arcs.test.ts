import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { anyPose } from "../body/any-pose.fixture.ts";
import { pointAt } from "../body/body-axes.ts";
import { column, type SidedColumn, type SidedPoint, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { type MidlineSlot, mirrorPose, neutralPose, type Pose, slot } from "../body/pose.ts";
import { DEGREE } from "../body/rotation.ts";
import { solvePose } from "../body/solve.ts";
import { dot, length, minus, unit, type Vector } from "../body/vector.ts";
import { numberAt } from "../checked-access.ts";
import { figureAxes } from "../figure/figure-axes.ts";
import { otherSide, SIDES, type Side } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { type ArcName, arcOfLimit, directionOn, jointArc, wholeOfArc } from "./joint-arcs.ts";
import { MOTION_NAMES } from "./motions.ts";

const names: readonly ArcName[] = [
  "loadedKnee",
  "dorsiflexion",
  "straightKneeDorsiflexion",
  ...MOTION_NAMES.filter((name) => name !== "wristFlexion" && name !== "wristExtension"),
];
const rowOf = (pose: Pose): Float64Array => solvePose(pose).row;
const limb = (row: Float64Array, from: SidedPoint, to: SidedPoint, side: Side): Vector =>
  unit(minus(pointAt(row, sidedPointColumn(to, side)), pointAt(row, sidedPointColumn(from, side))));

/** Degrees between two directions. */
const apart = (a: Vector, b: Vector): number => Math.acos(Math.min(1, Math.max(-1, dot(a, b)))) / DEGREE;

describe("the fan of a joint", () => {
  test("has two directions of length one, square to each other, in any pose", () => {
    fc.assert(
      fc.property(anyPose, fc.constantFrom(...names), fc.constantFrom(...SIDES), (pose, name, side) => {
        const { zero, towards, radius } = jointArc(name, side, rowOf(pose), pose.frame);
        expect(length(zero)).toBeCloseTo(1, 6);
        expect(length(towards)).toBeCloseTo(1, 6);
        expect(dot(zero, towards)).toBeCloseTo(0, 6);
        expect(radius).toBeLessThan(0.3);
        expect(wholeOfArc(name)).toBeGreaterThan(0);
      }),
      { numRuns: cases(200, 2000) },
    );
  });

  const bends: readonly (readonly [ArcName, SidedColumn, SidedPoint, SidedPoint])[] = [
    ["kneeFlexion", "knee", "kneeJoint", "ankle"],
    ["elbowFlexion", "elbow", "elbowJoint", "wristJoint"],
    ["shoulderElevation", "shoulderElevation", "shoulder", "elbowJoint"],
  ];
  test.each(bends)("%s: the limb points at the angle that the body model reads, in any pose", (name, read, from, to) => {
    fc.assert(
      fc.property(anyPose, fc.constantFrom(...SIDES), (pose, side) => {
        const row = rowOf(pose);
        const arc = jointArc(name, side, row, pose.frame);
        const degrees = numberAt(row, sidedColumn(read, side));
        // A limb nearly in line with the part before it does not tell which way it bends.
        if (degrees > 6 && degrees < 174) expect(apart(directionOn(arc, degrees), limb(row, from, to, side))).toBeLessThan(1.5);
      }),
      { numRuns: cases(200, 2000) },
    );
  });

  test("of a hip: the thigh points at the flexion that is read, seen along the fan", () => {
    fc.assert(
      fc.property(anyPose, fc.constantFrom(...SIDES), (pose, side) => {
        const row = rowOf(pose);
        const { zero, towards } = jointArc("hipFlexion", side, row, pose.frame);
        const thigh = limb(row, "hip", "kneeJoint", side);
        const seen = Math.atan2(dot(thigh, towards), dot(thigh, zero)) / DEGREE;
        expect(Math.abs(seen - numberAt(row, sidedColumn("hipFlexion", side)))).toBeLessThan(1);
      }),
      { numRuns: cases(200, 2000) },
    );
  });

  const trunks: readonly (readonly [ArcName, MidlineSlot, "thorax" | "head", "up" | "ahead"])[] = [
    ["spineFlexion", "spineFlexion", "thorax", "up"],
    ["spineSideBend", "spineSideBend", "thorax", "up"],
    ["spineRotation", "spineRotation", "thorax", "ahead"],
    ["neckFlexion", "headFlexion", "head", "up"],
    ["neckSideBend", "headSideBend", "head", "up"],
    ["neckRotation", "headRotation", "head", "ahead"],
  ];
  test.each(trunks)("%s: the trunk or the head points at the angle of the pose", (name, of, part, along) => {
    for (const degrees of [10, 25, 40]) {
      const pose = neutralPose();
      pose.values[slot(of)] = degrees;
      const row = rowOf(pose);
      expect(numberAt(row, column(of as Parameters<typeof column>[0]))).toBeCloseTo(degrees, 3);
      const arc = jointArc(name, "right", row, pose.frame);
      expect(apart(directionOn(arc, degrees), figureAxes(row, pose.frame)[part][along])).toBeLessThan(0.5);
    }
  });

  test("goes to the other side in a mirror", () => {
    fc.assert(
      fc.property(anyPose, fc.constantFrom(...names), fc.constantFrom(...SIDES), (pose, name, side) => {
        const arc = jointArc(name, side, rowOf(pose), pose.frame);
        const mirrored = mirrorPose(pose);
        const other = jointArc(name, otherSide(side), rowOf(mirrored), mirrored.frame);
        for (const of of ["zero", "towards"] as const) {
          const [x, y, z] = arc[of];
          expect(apart(other[of], [x, y, -z])).toBeLessThan(0.5);
        }
      }),
      { numRuns: cases(200, 2000) },
    );
  });

  test("is there for caps that are angles only", () => {
    expect(arcOfLimit({ channel: "motion", motion: "hipFlexion", side: "left", limit: 90 })).toBe("hipFlexion");
    expect(arcOfLimit({ channel: "loadedKnee", side: "both", limit: 30 })).toBe("loadedKnee");
    expect(arcOfLimit({ channel: "motion", motion: "wristFlexion", side: "left", limit: 30 })).toBeNull();
    expect(arcOfLimit({ channel: "noStanding" })).toBeNull();
  });
});
