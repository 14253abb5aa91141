import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { flowSlope, minimumJerk, quinticBetween, splineDerivatives } from "./timing.ts";

describe("minimum jerk", () => {
  test.each([
    [0, 0],
    [0.25, 0.103515625],
    [0.5, 0.5],
    [1, 1],
  ])("at %d of the way it is at %d", (u, share) => {
    expect(minimumJerk(u)).toBeCloseTo(share, 12);
  });

  test("is the quintic without slopes at its ends", () => {
    for (let u = 0; u <= 1; u += 0.1) expect(quinticBetween(3, 8, 0, 0, u)).toBeCloseTo(3 + 5 * minimumJerk(u), 12);
  });
});

describe("a flowing key", () => {
  const secant = fc.integer({ min: -1000, max: 1000 }).map((tenths) => tenths / 10);
  const length = fc.double({ min: 0.05, max: 0.9, noNaN: true });

  test("has no slope where the direction turns, and otherwise one between, at most twice the smaller", () => {
    fc.assert(
      fc.property(secant, secant, length, length, (before, after, lengthBefore, lengthAfter) => {
        const slope = flowSlope(before, after, lengthBefore, lengthAfter);
        if (before * after <= 0) expect(slope).toBe(0);
        else {
          expect(Math.sign(slope)).toBe(Math.sign(before));
          expect(Math.abs(slope)).toBeLessThanOrEqual(2 * Math.min(Math.abs(before), Math.abs(after)) + 1e-9);
        }
      }),
    );
  });

  test("lets a channel peak only at keys", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 90, noNaN: true }),
        fc.double({ min: 1, max: 90, noNaN: true }),
        length,
        (first, second, lengthBefore) => {
          const lengthAfter = 1 - Math.min(0.95, lengthBefore);
          const slope = flowSlope(first / lengthBefore, second / lengthAfter, lengthBefore, lengthAfter);
          let last = 0;
          for (let i = 0; i <= 20; i += 1) {
            const value = quinticBetween(0, first, 0, slope * lengthBefore, i / 20);
            expect(value).toBeGreaterThanOrEqual(last - 1e-9);
            last = value;
          }
          for (let i = 0; i <= 20; i += 1) {
            const value = quinticBetween(first, first + second, slope * lengthAfter, 0, i / 20);
            expect(value).toBeGreaterThanOrEqual(last - 1e-9);
            last = value;
          }
        },
      ),
    );
  });
});

test("the derivative of samples of a minimum-jerk path is the path's own, to a per cent of its peak", () => {
  const intervals = 8;
  const samples = Array.from({ length: intervals + 1 }, (_, i) => minimumJerk(i / intervals));
  const peak = 1.875;
  splineDerivatives(samples, 1 / intervals, true).forEach((slope, i) => {
    const u = i / intervals;
    expect(Math.abs(slope - 30 * u * u * (1 - u) * (1 - u))).toBeLessThan(0.01 * peak);
  });
});
