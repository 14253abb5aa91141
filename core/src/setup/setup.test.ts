import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { load } from "../movement/library.fixture.ts";
import { cases } from "../test-size.fixture.ts";
import { floorMarks } from "./floor-marks.ts";
import { longestStep } from "./longest-step.ts";
import { cushionUnderFeet, seatHeights } from "./seat.ts";
import { deepestWater, depthForShare } from "./standing-depth.ts";

const press = load("shift-and-press");
const stature = fc.double({ min: 1.35, max: 2, noNaN: true });

describe("the chair", () => {
  test.each([
    [1.6, 0.42, 0.01],
    [1.5, 0.395, 0.035],
    [1.8, 0.47, 0],
  ])("someone of %d m sits still at %d m and needs %d m under the feet on a chair of 43 cm", (height, seat, cushion) => {
    expect(seatHeights(height).sitting).toBeCloseTo(seat, 9);
    expect(cushionUnderFeet(height, 0.43)).toBeCloseTo(cushion, 9);
  });

  test("rising wants five to ten centimetres more", () => {
    const { sitting, rising } = seatHeights(1.7);
    expect(rising.least - sitting).toBeCloseTo(0.05, 9);
    expect(rising.most - sitting).toBeCloseTo(0.1, 9);
  });
});

describe("the depth to stand in", () => {
  test("leaves the wanted share, and less share is deeper", () => {
    fc.assert(
      fc.property(stature, (height) => {
        const half = depthForShare(0.6, height) ?? 9;
        const third = depthForShare(0.4, height) ?? 9;
        expect(third).toBeGreaterThan(half);
        expect(third).toBeLessThanOrEqual(deepestWater(height));
      }),
      { numRuns: cases(8, 60) },
    );
  });

  test("is .56 of the stature for 60 % and near .70 for 34 %", () => {
    expect((depthForShare(0.602, 1.65) ?? 0) / 1.65).toBeCloseTo(0.56, 2);
    expect((depthForShare(0.343, 1.65) ?? 0) / 1.65).toBeCloseTo(0.7, 2);
  });

  test("puts no one out of depth: where that would, there is none", () => {
    expect(depthForShare(0.1, 1.65)).toBeNull();
    fc.assert(
      fc.property(stature, (height) => {
        expect(deepestWater(height)).toBeLessThanOrEqual(0.72 * height + 1e-6);
        expect(0.9 * height - deepestWater(height)).toBeGreaterThanOrEqual(0.15 - 0.01);
      }),
      { numRuns: cases(8, 60) },
    );
  });
});

describe("the longest step", () => {
  test("grows with the person and shrinks with a stiff ankle, whichever it is", () => {
    const free = longestStep(press, 1.65);
    expect(free).toBeGreaterThan(0.2);
    expect(longestStep(press, 1.85)).toBeGreaterThanOrEqual(free);
    const stiff = longestStep(press, 1.65, [12, 25]);
    expect(stiff).toBeLessThan(free);
    expect(longestStep(press, 1.65, [25, 12])).toBe(stiff);
  });

  test("tightening an ankle never lengthens it", () => {
    const ankle = fc.double({ min: 6, max: 25, noNaN: true });
    fc.assert(
      fc.property(ankle, ankle, (a, b) => {
        const loose = longestStep(press, 1.7, [Math.max(a, b), 25]);
        expect(longestStep(press, 1.7, [Math.min(a, b), 25])).toBeLessThanOrEqual(loose);
      }),
      { numRuns: cases(4, 40) },
    );
  });

  test("asks for a movement with a foot ahead", () => {
    expect(() => longestStep(load("settling-breath"), 1.65)).toThrow(RangeError);
  });
});

test("floor marks are the stance in whole centimetres", () => {
  expect(floorMarks(press, 1.65)).toEqual({ width: 20, length: 28, toeOut: 0, rearToeOut: 35 });
  expect(floorMarks(load("waves-with-both-hands"), 1.5).width).toBe(51);
});
