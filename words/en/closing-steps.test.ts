import { expect, test } from "vitest";
import { leaveSafely } from "./closing-steps.ts";

const placeIn = (lines: readonly string[], words: RegExp): number => {
  const at = lines.findIndex((line) => words.test(line));
  expect(at).toBeGreaterThanOrEqual(0);
  return at;
};

test("cushions are removed before anyone stands up", () => {
  const lines = leaveSafely(false);
  expect(placeIn(lines, /remove cushions/i)).toBeLessThan(placeIn(lines, /^stand up/i));
});

test("people leave the water after a wait, sit, and are counted", () => {
  const lines = leaveSafely(true);
  expect(placeIn(lines, /waist-deep/)).toBeLessThan(placeIn(lines, /one at a time/));
  expect(placeIn(lines, /one at a time/)).toBeLessThan(placeIn(lines, /^sit down/i));
  expect(placeIn(lines, /count everyone/i)).toBe(lines.length - 1);
  expect(lines.join(" ")).not.toMatch(/cushion|stand up/i);
});
