import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { switchItemSide } from "../plan/plan-item.ts";
import { firstSideOf, USUAL_STYLE } from "../plan/style.ts";
import { analyzePlan } from "../planner/analyze-plan.ts";
import { otherSide } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import type { PlanItemWithMovement } from "./items-with-movements.ts";
import { readPhases } from "./phases.ts";
import { anyPlan, circumstances, HALL, planned } from "./plan.fixture.ts";
import { schedulePlan } from "./schedule-plan.ts";

const variants = createVariantCache();

describe("time of a plan", () => {
  test("an item is its transition, explanation and demonstration, its repetitions, and the change of sides", () => {
    const [, press] = schedulePlan(
      planned("settling-breath", { movementId: "shift-and-press", talk: 20 }),
      circumstances(),
    ).blocks;
    // hands 1.0, weight 1.0, step 1.5, weight 1.0; to the other side: weight 1.0, in 1.5, step 1.5, weight 1.0, words
    // 3.
    expect(press?.parts).toEqual({
      transition: 4.5,
      explanation: 20,
      demonstration: 10,
      repetitions: 96,
      sideChange: expect.any(Number),
    });
    expect(press?.total).toBe(4.5 + 20 + 10 + 96 + (press?.parts.sideChange ?? 0));
  });

  test.each([
    ["new", 30 + 16],
    ["second", 15 + 8],
    ["known", 10],
  ] as const)("a movement that is %s to the group is shown for %d s", (familiarity, seconds) => {
    const reading = schedulePlan(
      planned("shift-and-press", "shift-and-press"),
      circumstances({ familiarityWith: () => familiarity }),
    );
    expect(reading.blocks.map(({ parts }) => parts.demonstration)).toEqual([seconds, 5]);
  });

  test("the group's slowest sets the pace of what would be quicker, and no one's long breath slows the room", () => {
    const slow = schedulePlan(planned("shift-and-press", "side-drift"), circumstances({ slowestCycle: 11 }));
    expect(slow.blocks.map(({ breathSeconds }) => breathSeconds)).toEqual([11, 8]);
  });

  test("a pause at the top of the breath takes its time", () => {
    const style = { ...USUAL_STYLE, breath: "pause" as const };
    expect(schedulePlan(planned("settling-breath"), circumstances({ style })).blocks[0]?.cycleSeconds).toBe(9);
  });

  test("everyone sits before leaving, and that is in the clock", () => {
    const stood = schedulePlan(planned("settling-breath"), circumstances());
    expect(stood.leavingSeconds).toBe(6);
    expect(stood.leaving.hazards).toEqual(["sitsDown"]);
    const sat = schedulePlan(planned("settling-breath"), circumstances({ seatedOnly: true }));
    expect(sat.leavingSeconds).toBe(0);
    expect(stood.total).toBe(sat.total + 6);
  });

  test.each<[string, Parameters<typeof planned>, object, string]>([
    ["standing", ["shift-and-press"], {}, "stand"],
    [
      "where the first block is done on chairs, seated",
      [{ movementId: "settling-breath", as: "seated" }, "quiet-feet"],
      {},
      "seat",
    ],
    ["in a group that sits, seated", ["shift-and-press"], { seatedOnly: true }, "seat"],
    ["where there are no chairs, standing all the same", [], { place: { chairs: false, rail: null, pool: false } }, "stand"],
  ])("someone who has lost their place waits %s", (_, blocks, differs, support) => {
    const { home } = schedulePlan(planned(...blocks), circumstances(differs));
    expect(home).toEqual({ support, feet: "hip", foot: null, load: "both", facing: 0, hands: "down" });
  });

  test("from chairs to standing everyone rises, and the helper is told", () => {
    const [, second] = schedulePlan(
      planned({ movementId: "settling-breath", as: "seated" }, "settling-breath"),
      circumstances(),
    ).blocks;
    expect(second?.transition.hazards).toEqual(["standsUp"]);
    expect(second?.parts.transition).toBe(10);
  });

  test("parts, blocks and phases add up to the clock, and blocks follow without a gap", () => {
    fc.assert(
      fc.property(anyPlan, (blocks) => {
        const reading = schedulePlan(blocks, circumstances());
        let clock = 0;
        for (const block of reading.blocks) {
          expect(block.from).toBeCloseTo(clock, 9);
          const { transition, explanation, demonstration, repetitions, sideChange } = block.parts;
          expect(block.total).toBeCloseTo(transition + explanation + demonstration + repetitions + sideChange, 9);
          const done = block.turns.reduce((sum, turn) => sum + turn.rounds * block.cycleSeconds, 0);
          expect(block.parts.repetitions).toBeCloseTo(done, 9);
          clock = block.to;
        }
        const phases = readPhases(reading).reduce((sum, { seconds }) => sum + seconds, 0);
        expect(phases).toBeCloseTo(clock, 9);
        expect(reading.total).toBeCloseTo(clock + reading.leavingSeconds + reading.leaveSafely, 9);
      }),
      { numRuns: cases(15, 200) },
    );
  });
});

describe("sides", () => {
  const mirrorPlan = (blocks: readonly PlanItemWithMovement[]): PlanItemWithMovement[] =>
    blocks.map(({ block, movement }) => ({
      movement,
      block: switchItemSide(block, movement.sided ? firstSideOf(circumstances().style, 0) : "right"),
    }));

  test("a plan mirrored swaps left and right and changes nothing else; twice it is the same", () => {
    fc.assert(
      fc.property(anyPlan, (blocks) => {
        const here = analyzePlan(blocks, circumstances(), variants);
        const mirrored = mirrorPlan(blocks);
        const there = analyzePlan(mirrored, circumstances({ supports: { ...HALL, rail: "left" } }), variants);
        expect(there.reading.total).toBe(here.reading.total);
        expect(there.reading.blocks.map(({ from, parts }) => [from, parts])).toEqual(
          here.reading.blocks.map(({ from, parts }) => [from, parts]),
        );
        for (const count of ["rounds", "oneLegSeconds", "loadedSeconds"] as const)
          for (const side of [0, 1] as const)
            expect(there.totals[count][side]).toBeCloseTo(itemAt(here.totals[count], 1 - side), 6);
        for (const [i, height] of here.balance.entries()) expect(there.balance[i]).toBeCloseTo(height, 6);
        const twice = analyzePlan(mirrorPlan(mirrored), circumstances(), variants);
        const asTaught = ({ reading }: typeof here) =>
          reading.blocks.map(({ turns, transition, parts }) => ({ turns, seam: transition, parts }));
        expect(asTaught(twice)).toEqual(asTaught(here));
      }),
      { numRuns: cases(10, 100) },
    );
  });

  test("totals are what a run would do step by step", () => {
    fc.assert(
      fc.property(anyPlan, (blocks) => {
        const analysis = analyzePlan(blocks, circumstances(), variants);
        const walked = { left: 0, right: 0, onLeft: 0, onRight: 0 };
        for (const [i, { turns, movement }] of analysis.reading.blocks.entries())
          for (const [turn, { lead, rounds }] of turns.entries())
            for (let round = 0; round < rounds; round += 1) {
              if (!movement.sided || lead === "left") walked.left += 1;
              if (!movement.sided || lead === "right") walked.right += 1;
              walked.onLeft += analysis.demands[i]?.[turn]?.oneLegSeconds[0] ?? 0;
              walked.onRight += analysis.demands[i]?.[turn]?.oneLegSeconds[1] ?? 0;
            }
        expect(analysis.totals.rounds).toEqual([walked.left, walked.right]);
        expect(analysis.totals.oneLegSeconds[0]).toBeCloseTo(walked.onLeft, 6);
        expect(analysis.totals.oneLegSeconds[1]).toBeCloseTo(walked.onRight, 6);
      }),
      { numRuns: cases(10, 100) },
    );
  });

  test.each([
    ["eachSide", 6, "right", [3, 3]],
    ["eachSide", 5, "right", [2, 3]],
    ["eachSide", 5, "left", [3, 2]],
    ["together", 5, "right", [5, 5]],
  ] as const)("%s counting of %d beginning %s comes to %j", (counting, rounds, firstSide, expected) => {
    const style = { ...USUAL_STYLE, counting, firstSide };
    expect(
      schedulePlan(planned({ movementId: "shift-and-press", rounds }), circumstances({ style })).blocks[0]?.repetitionsPerSide,
    ).toEqual(expected);
  });

  test("sides alternate by week where the style says so", () => {
    const style = { ...USUAL_STYLE, firstSide: "alternate" as const };
    const leads = [0, 1, 2].map(
      (week) => schedulePlan(planned("shift-and-press"), circumstances({ style, week })).blocks[0]?.turns[0]?.lead,
    );
    expect(leads).toEqual(["right", "left", "right"]);
  });

  test("one side alone is asked about, with the block that tips it; both sides are not", () => {
    const uneven = analyzePlan(
      planned("side-weight-shift", { movementId: "one-leg-toe-near", only: "left" }),
      circumstances(),
      variants,
    );
    expect(uneven.uneven.map(({ count, tippedBy }) => [count, tippedBy])).toContainEqual(["oneLegSeconds", "b2"]);
    const even = analyzePlan(planned("side-weight-shift", "one-leg-toe-near"), circumstances(), variants);
    expect(even.uneven).toEqual([]);
  });

  test("a mirrored block begins on the other side", () => {
    expect(switchItemSide({ id: "b1", movementId: "x", rounds: 6 }, "right").first).toBe(otherSide("right"));
  });
});

test("the tide line rises where everyone stands up or sits down: 4.5 without arms on the chair", () => {
  const seated = (movementId: string) => ({ movementId, as: "seated" as const });
  const blocks = planned(seated("settling-breath"), "one-leg-toe-near", "side-drift", seated("trunk-turn"));
  expect(analyzePlan(blocks, circumstances(), variants).rising).toEqual([null, 4.5, null, 4.5, null]);
  // Everyone sits before leaving.
  expect(analyzePlan(planned("one-leg-toe-near"), circumstances(), variants).rising).toEqual([null, 4.5]);
  expect(analyzePlan(blocks, circumstances({ seatedOnly: true }), variants).rising).toEqual([null, null, null, null, null]);
});

test("the tide line is the balance demand of each block as planned", () => {
  const blocks = planned("settling-breath", "one-leg-toe-near");
  const [calm = 0, high = 0] = analyzePlan(blocks, circumstances(), variants).balance;
  expect(high).toBeGreaterThan(calm + 3);
  const [, seated = 9] = analyzePlan(blocks, circumstances({ seatedOnly: true }), variants).balance;
  expect(seated).toBeLessThan(2);
});
