import { expect, test } from "vitest";
import { load } from "../movement/library.fixture.ts";
import { planTime } from "../plan/time.ts";
import { classSteps, roundAt } from "./steps.ts";

const blocks = [
  { movement: load("settling-breath"), rounds: 4 },
  { movement: load("shift-and-press"), rounds: 5 },
];

test("a sided movement is a step a side, right first, an unsided one is one step", () => {
  expect(classSteps(blocks, 8).map(({ blockIndex, side, rounds }) => [blockIndex, side, rounds])).toEqual([
    [0, null, 4],
    [1, "right", 5],
    [1, "left", 5],
  ]);
});

test("steps begin when the plan's clock says", () => {
  const steps = classSteps(blocks, 8);
  const time = planTime(blocks, 8);
  const last = steps[2];
  expect(steps[0]?.from).toBe(0);
  expect(steps[1]?.from).toBe(time.blocks[1]?.from);
  expect((last?.from ?? 0) + (last?.lead ?? 0) + 5 * 8).toBe(time.blocks[1]?.to);
});

test.each([
  [0, 0],
  [19.9, 0],
  [20, 1],
  [28, 2],
  [500, 5],
])("%d s into a step of five rounds of 8 s shown for 20 s it is round %d", (seconds, round) => {
  const step = classSteps(blocks, 8)[1];
  expect(step && roundAt(step, seconds)).toBe(round);
});
