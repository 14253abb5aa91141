import { expect, test } from "vitest";
import { breathOf, familiarityOf } from "./time.ts";

test.each([
  ["the plan's breath", 1, {}, 0, 8],
  ["its own", 1, { breathSeconds: 10 }, 0, 10],
  ["no quicker than the slowest may", 2, {}, 20, 10],
  ["no slower for a movement that is long anyway", 3, {}, 20, 8],
  ["half seconds, rounded up", 3, {}, 25, 8.5],
] as const)("the breath of a block is %s", (_, breaths, block, slowest, expected) => {
  expect(breathOf({ breaths }, block, 8, slowest)).toBe(expected);
});

test("a group knows a movement from its third time on", () => {
  expect([0, 1, 2, 9].map(familiarityOf)).toEqual(["new", "second", "known", "known"]);
});
