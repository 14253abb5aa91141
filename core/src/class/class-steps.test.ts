import { expect, test } from "vitest";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { classSteps, repetitionAt } from "./class-steps.ts";
import { scriptItems } from "./script.ts";
import { CODES } from "./wording.fixture.ts";

const reading = schedulePlan(
  planned({ movementId: "settling-breath", rounds: 4 }, { movementId: "shift-and-press", rounds: 5, talk: 20 }),
  circumstances(),
);
const steps = classSteps(scriptItems(reading, CODES));

test("a sided movement is a step a side, in the order of its turns, an unsided one is one step", () => {
  expect(steps.map(({ blockIndex, side, rounds }) => [blockIndex, side, rounds])).toEqual([
    [0, null, 4],
    [1, "right", 5],
    [1, "left", 5],
  ]);
});

test("steps follow one another without a gap, as the plan's clock says", () => {
  let clock = 0;
  for (const { from, lead, rounds, roundSeconds } of steps) {
    expect(from).toBeCloseTo(clock, 9);
    clock = from + lead + rounds * roundSeconds;
  }
  expect(clock).toBeCloseTo(reading.blocks[1]?.to ?? 0, 9);
});

test("the way there and the hazards are said as a script says them", () => {
  const [, press] = scriptItems(reading, CODES);
  expect(press?.link).toEqual({
    words: ["handsTo", "weightTo left", "footForward right", "weightOnBoth both"],
    hazards: [],
  });
  const [, stood] = scriptItems(
    schedulePlan(planned({ movementId: "settling-breath", as: "seated" }, "quiet-feet"), circumstances()),
    CODES,
  );
  expect(stood?.link.hazards).toEqual(["standsUp"]);
});

// The link takes 4.5 s, talk 20 s and showing a known movement 10 s.
test.each([
  [0, 0],
  [34.4, 0],
  [34.5, 1],
  [42.5, 2],
  [500, 5],
])("%d s into a step of five repetitions of 8 s it is repetition %d", (seconds, round) => {
  const step = steps[1];
  expect(step && repetitionAt(step, seconds)).toBe(round);
});
