import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { numberAt } from "../checked-access.ts";
import { SIDES, sideIndex } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { anyBody, onBuild } from "./any-build.fixture.ts";
import { angle, anyPose } from "./any-pose.fixture.ts";
import { lengthIndexes } from "./build.ts";
import { column, pointColumn, sidedColumn, sidedPointColumn } from "./channels.ts";
import { mirrorPose, neutralPose, STANDING_FRAME, sidedSlot, slot } from "./pose.ts";
import { SHARE } from "./segments.ts";
import { solvePose } from "./solve.ts";

const BONES = [
  ["hip", "kneeJoint", "thigh"],
  ["kneeJoint", "ankle", "shank"],
  ["shoulder", "elbowJoint", "upperArm"],
  ["elbowJoint", "wristJoint", "forearm"],
] as const;

describe("whatever the pose", () => {
  test("nothing is NaN, and where it can be taken up no bone stretches", () => {
    fc.assert(
      fc.property(anyPose, anyBody, (pose, { build }) => {
        const { row, problem } = solvePose(onBuild(pose, build), undefined, undefined, build);
        expect(row.every(Number.isFinite)).toBe(true);
        if (problem !== null) return;
        for (const side of SIDES)
          for (const [from, to, segment] of BONES) {
            const a = sidedPointColumn(from, side);
            const b = sidedPointColumn(to, side);
            const distance = Math.hypot(...[0, 1, 2].map((axis) => numberAt(row, a + axis) - numberAt(row, b + axis)));
            expect(distance).toBeCloseTo(numberAt(build.lengths, lengthIndexes(segment)[sideIndex(side)]), 8);
          }
      }),
      { numRuns: cases(300, 20000) },
    );
  });

  test("mirroring twice gives the same pose, and the mirrored pose solves to the mirror image", () => {
    fc.assert(
      fc.property(anyPose, (pose) => {
        const twice = mirrorPose(mirrorPose(pose));
        twice.values.forEach((value, i) => {
          expect(value).toBeCloseTo(numberAt(pose.values, i), 12);
        });
        expect(twice.frame).toEqual(pose.frame);

        const here = solvePose(pose);
        const there = solvePose(mirrorPose(pose));
        expect(there.problem?.kind).toBe(here.problem?.kind);
        if (here.problem !== null) return;
        expect(there.row[column("comZ")]).toBeCloseTo(-numberAt(here.row, column("comZ")), 6);
        expect(there.row[column("margin")]).toBeCloseTo(numberAt(here.row, column("margin")), 5);
        expect(there.row[sidedColumn("knee", "left")]).toBeCloseTo(numberAt(here.row, sidedColumn("knee", "right")), 3);
        expect(there.row[sidedPointColumn("fingertip", "left") + 2]).toBeCloseTo(
          -numberAt(here.row, sidedPointColumn("fingertip", "right") + 2),
          6,
        );
      }),
      { numRuns: cases(200, 10000) },
    );
  });

  test("the centre of mass stands at the asked share between the feet", () => {
    fc.assert(
      fc.property(anyPose, anyBody, angle(0.05, 0.95), (asked, { build }, weightLeft) => {
        const pose = onBuild(asked, build);
        fc.pre(pose.frame.seating.kind === "standing" && pose.frame.feet.every((foot) => foot === "flat"));
        pose.values[slot("weightLeft")] = weightLeft;
        const { row, problem } = solvePose(pose, undefined, undefined, build);
        if (problem !== null) return;
        expect(row[sidedColumn("footShare", "left")]).toBeCloseTo(weightLeft, 9);
        const pressure = (side: "left" | "right") => {
          const out = (numberAt(pose.values, sidedSlot("toeOut", side)) * Math.PI) / 180;
          const quarter = 0.25 * SHARE.footLength;
          return numberAt(pose.values, sidedSlot("footZ", side)) + (side === "left" ? -1 : 1) * quarter * Math.sin(out);
        };
        expect(row[column("comZ")]).toBeCloseTo(weightLeft * pressure("left") + (1 - weightLeft) * pressure("right"), 5);
      }),
      { numRuns: cases(300, 20_000) },
    );
  });
});

test("a leg that is too short says so and by how much", () => {
  const pose = neutralPose();
  pose.values[sidedSlot("footZ", "left")] = -0.8;
  pose.values[sidedSlot("footZ", "right")] = 0.8;
  const { problem, row } = solvePose(pose);
  expect(problem).toMatchObject({ kind: "legTooShort" });
  expect(problem && "shortBy" in problem ? problem.shortBy : 0).toBeGreaterThan(0.2);
  expect(row.every(Number.isFinite)).toBe(true);
});

test("an arm that cannot hold on says so and by how much", () => {
  const pose = neutralPose({ ...STANDING_FRAME, hands: ["free", "firm"] });
  pose.values[sidedSlot("footZ", "left")] = -0.05;
  pose.values[sidedSlot("footZ", "right")] = 0.05;
  pose.values[sidedSlot("holdX", "right")] = 1;
  pose.values[sidedSlot("holdY", "right")] = 0.5;
  expect(solvePose(pose).problem).toMatchObject({ kind: "armTooShort", side: "right" });
});

test("a held hand is where the rail is", () => {
  const pose = neutralPose({ ...STANDING_FRAME, hands: ["free", "firm"] });
  const rail = { X: 0.1, Y: 0.53, Z: 0.25 };
  pose.values[sidedSlot("footZ", "left")] = -0.05;
  pose.values[sidedSlot("footZ", "right")] = 0.05;
  for (const axis of ["X", "Y", "Z"] as const) pose.values[sidedSlot(`hold${axis}`, "right")] = rail[axis];
  const { row, problem } = solvePose(pose);
  expect(problem).toBeNull();
  const hand = sidedPointColumn("handCentre", "right");
  expect(row[hand]).toBeCloseTo(rail.X, 6);
  expect(row[hand + 1]).toBeCloseTo(rail.Y, 6);
  expect(row[hand + 2]).toBeCloseTo(rail.Z, 6);
  expect(row[pointColumn("pelvis") + 1]).toBeLessThan(0.53);
});
