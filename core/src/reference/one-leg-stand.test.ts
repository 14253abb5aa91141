import { describe, expect, test } from "vitest";
import { bestTrial, oneLegStandNorm } from "./one-leg-stand.ts";

describe("one-leg stand", () => {
  test.each([
    [59, null],
    [60, 32.1],
    [69, 32.1],
    [70, 21.5],
    [79, 21.5],
    [80, 9.4],
    [99, 9.4],
    [100, null],
  ])("the norm at %d years is %s", (age, mean) => expect(oneLegStandNorm(age)).toBe(mean));

  test("the best trial counts, up to the ceiling", () => {
    expect(bestTrial([3.2, 7.9, 5])).toBe(7.9);
    expect(bestTrial([12, 51])).toBe(45);
  });

  test("no trial is no result", () => expect(() => bestTrial([])).toThrow(RangeError));
});
