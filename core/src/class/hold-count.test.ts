import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import type { TimedHold } from "../movement/timed-hold.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { classSteps, movingSeconds, phaseOfStep, repetitionAt } from "./class-steps.ts";
import { holdCountAt, secondsToHold } from "./hold-count.ts";
import { scriptItems } from "./script.ts";
import { CODES } from "./wording.fixture.ts";

const LEVELS: TimedHold = [
  { seconds: 20, share: 0.5 },
  { seconds: 10, share: 1 },
  { seconds: 10, share: 0.5 },
];

/** Low and still takes three breaths of 8 s: 6 s to the held pose and 6 s back, the stay between left to the seconds. */
const THERE = 6;
const HOLD = 40;
const CYCLE = THERE + HOLD + 6;
const TALL = 10;

const reading = schedulePlan(
  planned(
    { movementId: "low-and-still", rounds: 2, timedHold: LEVELS },
    { movementId: "one-leg-toe-near", rounds: 1, timedHold: [{ seconds: 15, share: 1 }] },
  ),
  circumstances(),
);
const items = scriptItems(reading, CODES);
const item = itemAt(items, 0);
const steps = classSteps(items);
const step = itemAt(steps, 0);

describe("a plan with holds", () => {
  test("takes the way there, the seconds, the way back, and standing tall between two", () => {
    expect(reading.blocks[0]?.cycleSeconds).toBe(CYCLE);
    expect(reading.blocks[0]?.parts.repetitions).toBe(2 * CYCLE + TALL);
  });

  test("holds on each side, whatever the style counts", () => {
    for (const counting of ["eachSide", "together"] as const) {
      const { style } = circumstances();
      const turns = schedulePlan(
        planned({ movementId: "one-leg-toe-near", rounds: 1, timedHold: [{ seconds: 15, share: 1 }] }),
        circumstances({ style: { ...style, counting } }),
      ).blocks[0]?.turns;
      expect(turns?.map(({ lead, rounds }) => [lead, rounds])).toEqual([
        ["right", 1],
        ["left", 1],
      ]);
    }
  });

  test("repeats a movement that has no key pose to hold", () => {
    const [block] = schedulePlan(
      planned({ movementId: "settling-breath", rounds: 4, timedHold: LEVELS }),
      circumstances(),
    ).blocks;
    expect(block).toMatchObject({ timedHold: null, holdPieces: [] });
    expect(block?.performed).toBe(block?.movement);
  });
});

describe("a hold in class", () => {
  test("is a step a side, whose time is the plan's", () => {
    expect(steps.map(({ blockIndex, side, rounds }) => [blockIndex, side, rounds])).toEqual([
      [0, null, 2],
      [1, "right", 1],
      [1, "left", 1],
    ]);
    expect(movingSeconds(step)).toBe(2 * CYCLE + TALL);
  });

  const at = (seconds: number) => holdCountAt(item, step, step.lead + seconds);

  test("is counted down level by level, with what comes before and after", () => {
    expect(holdCountAt(item, step, step.lead - 1)).toBeNull();
    expect(at(0)).toEqual({ stage: "goingThere" });
    expect(at(THERE)).toEqual({ stage: "holding", level: LEVELS[0], before: null, left: 20 });
    expect(at(THERE + 19.5)).toMatchObject({ stage: "holding", left: 1 });
    expect(at(THERE + 20)).toEqual({ stage: "holding", level: LEVELS[1], before: LEVELS[0], left: 10 });
    expect(at(THERE + 30)).toMatchObject({ level: LEVELS[2], before: LEVELS[1], left: 10 });
    expect(at(THERE + HOLD)).toEqual({ stage: "comingBack" });
    expect(at(CYCLE)).toEqual({ stage: "standingTall" });
    expect(at(CYCLE + TALL)).toEqual({ stage: "goingThere" });
    expect(at(CYCLE + TALL + THERE + 5)).toMatchObject({ stage: "holding", left: 15 });
    expect(at(2 * CYCLE + TALL + 100)).toEqual({ stage: "standingTall" });
  });

  test("is counted as a repetition, and standing tall belongs to the one before", () => {
    const number = (seconds: number) => repetitionAt(step, step.lead + seconds);
    expect([number(0), number(CYCLE + TALL - 1), number(CYCLE + TALL), number(1000)]).toEqual([1, 1, 2, 2]);
  });

  test("is shown as it is held before it begins, moves with the count and stays at its end", () => {
    const from = secondsToHold(item, step.roundSeconds);
    expect(from).toBeCloseTo(THERE, 9);
    const phase = (seconds: number) => phaseOfStep(step, step.lead + seconds, from);
    expect(phase(-3)).toBeCloseTo(THERE / CYCLE, 9);
    expect(phase(0)).toBe(0);
    expect(phase(THERE)).toBeCloseTo(THERE / CYCLE, 9);
    expect(phase(CYCLE + 4)).toBe(1);
    expect(phase(CYCLE + TALL)).toBeCloseTo(0, 9);
    expect(phase(9999)).toBe(1);
  });
});

test("a movement that is repeated goes through its repetitions from the first on, and while it is shown", () => {
  const [again] = classSteps(
    scriptItems(schedulePlan(planned({ movementId: "settling-breath", rounds: 3 }), circumstances()), CODES),
  );
  const repeated = itemAt([again], 0);
  if (!repeated) throw new Error("no step");
  const { lead, roundSeconds } = repeated;
  expect(phaseOfStep(repeated, lead, null)).toBe(0);
  expect(phaseOfStep(repeated, lead + roundSeconds / 4, null)).toBeCloseTo(0.25, 9);
  expect(phaseOfStep(repeated, lead + 1.5 * roundSeconds, null)).toBeCloseTo(0.5, 9);
  expect(phaseOfStep(repeated, lead - roundSeconds / 4, null)).toBeCloseTo(0.75, 9);
});
