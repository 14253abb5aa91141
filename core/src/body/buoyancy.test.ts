import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { numberAt } from "../checked-access.ts";
import { anyBody, onBuild } from "./any-build.fixture.ts";
import { anyPose } from "./any-pose.fixture.ts";
import { buildOf, USUAL_BODY } from "./build.ts";
import { GRIP_SHARE, isOutOfDepth, waterRelief, weightInWater } from "./buoyancy.ts";
import { column, pointColumn } from "./channels.ts";
import { footIsUnsupported, neutralPose, sidedSlot, slot } from "./pose.ts";
import { SHARE } from "./segments.ts";
import { solvePose } from "./solve.ts";

function standing(sink = 0) {
  const pose = neutralPose();
  pose.values[sidedSlot("footZ", "left")] = -SHARE.hipHalfSeparation;
  pose.values[sidedSlot("footZ", "right")] = SHARE.hipHalfSeparation;
  pose.values[slot("sink")] = sink;
  return solvePose(pose).row;
}

describe("standing in water, arms hanging", () => {
  test.each([
    ["at the seventh neck bone", 0.845, 0.094],
    ["at the lower breastbone", 0.7, 0.343],
    ["at the hip bone", 0.56, 0.602],
  ])("%s", (_, waterline, share) => {
    expect(weightInWater(standing(), waterline).share).toBeCloseTo(share, 3);
  });

  test("on land everything is on the feet, over the centre of mass", () => {
    const row = standing();
    const { share, centre } = weightInWater(row, 0);
    expect(share).toBeCloseTo(1, 12);
    expect(centre[0]).toBeCloseTo(numberAt(row, column("comX")), 6);
  });

  test("under water nearly nothing is, and the feet have no grip", () => {
    const { share } = weightInWater(standing(), 2);
    expect(share).toBeCloseTo(0.0209, 3);
    expect(share).toBeLessThan(GRIP_SHARE);
  });

  test("a build that floats more carries less", () => {
    expect(weightInWater(standing(), 0.7, buildOf({ ...USUAL_BODY, floats: 0.02 }, 1.65)).share).toBeLessThan(
      weightInWater(standing(), 0.7).share,
    );
  });
});

describe("whatever the pose", () => {
  const waterline = fc.double({ min: 0, max: 1.3, noNaN: true });

  test("water never makes a person heavier, and deeper water never heavier than shallower", () => {
    fc.assert(
      fc.property(anyPose, anyBody, waterline, waterline, (asked, { build }, a, b) => {
        const pose = onBuild(asked, build);
        fc.pre(pose.frame.feet.some((contact) => !footIsUnsupported(contact)));
        const { row } = solvePose(pose, undefined, undefined, build);
        const shallow = weightInWater(row, Math.min(a, b), build).share;
        const deep = weightInWater(row, Math.max(a, b), build).share;
        expect(shallow).toBeLessThanOrEqual(1 + 1e-9);
        expect(deep).toBeLessThanOrEqual(shallow + 1e-9);
      }),
    );
  });

  test("the net force acts over the centre of mass while nothing is under water", () => {
    fc.assert(
      fc.property(anyPose, (pose) => {
        const { row } = solvePose(pose);
        const { centre } = weightInWater(row, -1);
        expect(centre[0]).toBeCloseTo(numberAt(row, column("comX")), 6);
        expect(centre[1]).toBeCloseTo(numberAt(row, column("comZ")), 6);
      }),
    );
  });
});

describe("out of depth", () => {
  test.each([
    ["at the chest", 0.7, 0, 1.65, false],
    ["over .72 of the stature", 0.73, 0, 1.65, true],
    ["deep knees bring the mouth to the water", 0.72, 90, 1.4, true],
    ["a tall person, knees a little bent", 0.7, 30, 1.9, false],
  ])("%s", (_, waterline, sink, stature, out) => {
    expect(isOutOfDepth(standing(sink), waterline, stature)).toBe(out);
  });

  test("the mouth stands at .90 of the stature", () => {
    const row = standing();
    const mouth = numberAt(row, pointColumn("eyes") + 1) - 0.035;
    expect(mouth).toBeCloseTo(0.9, 2);
  });
});

test("water takes off most at the waist, and nothing where the feet barely touch", () => {
  expect([0.7, 0.5, 0.3, 0.2].map(waterRelief)).toEqual([0.5, 1.5, 1, 0]);
});
