import { describe, expect, test } from "vitest";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { classSteps, countSteps, repetitionAt } from "./class-steps.ts";
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

describe("a movement that turns round", () => {
  const circles = schedulePlan(
    planned({ movementId: "hips-draw-circle", rounds: 7 }, { movementId: "ankle-circles", rounds: 4 }),
    circumstances(),
  );
  const ways = classSteps(scriptItems(circles, CODES));

  test("is a step a way, half the repetitions each, on each side", () => {
    expect(ways.map(({ blockIndex, side, way, rounds }) => [blockIndex, side, way, rounds])).toEqual([
      [0, null, "forth", 4],
      [0, null, "back", 3],
      [1, "right", "forth", 2],
      [1, "right", "back", 2],
      [1, "left", "forth", 2],
      [1, "left", "back", 2],
    ]);
    expect(ways.map(({ turnsRound }) => turnsRound)).toEqual([false, true, false, true, false, true]);
  });

  test("goes on the other way without a pause: its steps take what the plan has for them", () => {
    for (const [i, step] of ways.entries()) {
      const next = ways[i + 1];
      if (next) expect(step.from + step.lead + step.rounds * step.roundSeconds).toBeCloseTo(next.from, 6);
    }
    const last = ways.at(-1);
    expect((last?.from ?? 0) + (last?.lead ?? 0) + (last?.rounds ?? 0) * (last?.roundSeconds ?? 0)).toBeCloseTo(
      circles.blocks[1]?.to ?? 0,
      6,
    );
  });
});

test.each([1, 2, 7, 8])("the steps of %i repetitions are as many as are counted from their turns alone", (rounds) => {
  const items = scriptItems(
    schedulePlan(
      planned(
        { movementId: "settling-breath", rounds },
        { movementId: "hips-draw-circle", rounds },
        { movementId: "ankle-circles", rounds },
        { movementId: "shift-and-press", rounds },
      ),
      circumstances(),
    ),
    CODES,
  );
  const counted = items.map(({ movement: { reversal }, turns }) => ({
    movement: { ...(reversal && { reversal }) },
    turns: turns.map((turn) => ({ rounds: turn.rounds })),
  }));
  expect(countSteps(counted)).toBe(classSteps(items).length);
  expect(countSteps(counted)).toBe(rounds === 1 ? 6 : 9);
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
