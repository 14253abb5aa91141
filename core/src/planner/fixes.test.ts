import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { createVariantCache } from "../fit/variant-cache.ts";
import { load } from "../movement/library.fixture.ts";
import type { PlanItem } from "../plan/plan-item.ts";
import type { PlanItemWithMovement } from "../schedule/items-with-movements.ts";
import { anyPlan, circumstances, planned } from "../schedule/plan.fixture.ts";
import { problemsOf } from "../schedule/schedule-plan.ts";
import { cases } from "../test-size.fixture.ts";
import { analyzePlan } from "./analyze-plan.ts";
import { fixDuration, ON_TIME, overrunSeconds } from "./fix-duration.ts";
import { type FixInput, fixSides, fixTransition } from "./fixes.ts";

const variants = createVariantCache();
const ask = (blocks: PlanItemWithMovement[], differs: Parameters<typeof circumstances>[0] = {}): FixInput => ({
  blocks,
  context: circumstances(differs),
  variants,
});
const analysis = ({ blocks, context: given }: FixInput) => analyzePlan(blocks, given, variants);
const withBlocks = (input: FixInput, blocks: readonly PlanItem[]): FixInput => ({
  ...input,
  blocks: blocks.map((block) => ({ block, movement: load(block.movementId) })),
});

const A_SESSION = [
  { movementId: "settling-breath", rounds: 12 },
  { movementId: "shoulder-circles", rounds: 8 },
  { movementId: "trunk-turn", rounds: 8 },
  "side-weight-shift",
  "shift-and-press",
  { movementId: "lift-and-part", rounds: 8, talk: 60 },
  "one-leg-toe-near",
  { movementId: "gather-and-close", rounds: 8 },
  { movementId: "quiet-feet", rounds: 8 },
] as const;

describe("a transition that cannot be", () => {
  test("is fixed in one touch, by ways that have been tried", () => {
    const input = ask(planned("settling-breath", { movementId: "shift-and-press", straight: true }));
    const before = analysis(input);
    const fixes = fixTransition(input, before, "b2");
    expect(fixes.map(({ change }) => change.change)).toEqual(["addTransition"]);
    for (const { blocks } of fixes) expect(problemsOf(analysis(withBlocks(input, blocks)).reading)).toEqual([]);
  });

  test("begins on the other side where that is what is wrong", () => {
    const input = ask(
      planned({ movementId: "shift-and-press", only: "right" }, { movementId: "press-then-open", straight: true, first: "left" }),
    );
    expect(fixTransition(input, analysis(input), "b2").map(({ change }) => change.change)).toEqual([
      "startOtherSide",
      "addTransition",
    ]);
  });

  test("in any plan each way that is offered leaves one impossible transition less", () => {
    fc.assert(
      fc.property(anyPlan, (blocks) => {
        const input = ask(blocks);
        const before = analysis(input);
        for (const { blockId } of problemsOf(before.reading))
          for (const fix of fixTransition(input, before, blockId))
            expect(problemsOf(analysis(withBlocks(input, fix.blocks)).reading).length).toBeLessThan(
              problemsOf(before.reading).length,
            );
      }),
      { numRuns: cases(10, 100) },
    );
  });
});

describe("sides that are apart", () => {
  test.each([
    ["one side alone", { movementId: "shift-and-press", only: "right", rounds: 6 }, { change: "doBothSides" }],
    ["an odd number shared out", { movementId: "shift-and-press", rounds: 3 }, { change: "repetitions", to: 4, from: 3 }],
  ] as const)("%s", (_, block, change) => {
    const input = ask(planned(block), { style: { ...circumstances().style, counting: "eachSide" } });
    const before = analysis(input);
    const [uneven] = before.uneven;
    const [fix] = uneven ? fixSides(input, before, uneven) : [];
    expect(fix).toMatchObject({ change, balances: uneven?.count });
    expect(analysis(withBlocks(input, fix?.blocks ?? [])).uneven).toEqual([]);
  });
});

describe("minutes", () => {
  const input = ask(planned(...A_SESSION));
  const before = analysis(input);

  test("a plan that overruns is shortened in order, talk first and the settling never, until it ends in time", () => {
    const time = { minutes: Math.floor(before.reading.total / 60) - 4, changing: 0 };
    const fixes = fixDuration(input, before, time);
    expect(fixes[0]?.change).toEqual({ change: "removeExplanation", movement: "Lift and part the arms" });
    const after = analysis(withBlocks(input, fixes[fixes.length - 1]?.blocks ?? []));
    expect(overrunSeconds(after, time)).toBeLessThanOrEqual(ON_TIME.late);
    const settling = (blocks: readonly PlanItem[]) =>
      blocks.filter(({ movementId }) => ["gather-and-close", "quiet-feet"].includes(movementId));
    for (const fix of fixes) expect(settling(fix.blocks)).toEqual(settling(input.blocks.map(({ block }) => block)));
  });

  test("one that falls short is deepened without overrunning", () => {
    const time = { minutes: Math.ceil(before.reading.total / 60) + 5, changing: 0 };
    const fixes = fixDuration(input, before, time);
    expect(fixes.length).toBeGreaterThan(0);
    for (const fix of fixes) expect(fix.seconds).toBeGreaterThan(0);
    const after = analysis(withBlocks(input, fixes[fixes.length - 1]?.blocks ?? []));
    expect(overrunSeconds(after, time)).toBeLessThanOrEqual(0);
    expect(after.reading.total).toBeGreaterThan(before.reading.total);
  });

  test("what a step says it saves is what it saves", () => {
    let total = before.reading.total;
    for (const fix of fixDuration(input, before, { minutes: 12, changing: 0 })) {
      const after = analysis(withBlocks(input, fix.blocks)).reading.total;
      expect(after - total).toBeCloseTo(fix.seconds, 6);
      total = after;
    }
  });

  test("seconds to sit down and stand up are kept free", () => {
    const time = { minutes: Math.ceil(before.reading.total / 60), changing: 90 };
    const fixes = fixDuration(input, before, time);
    const after = analysis(withBlocks(input, fixes[fixes.length - 1]?.blocks ?? []));
    expect(after.reading.total + 90).toBeLessThanOrEqual(60 * time.minutes);
    expect(after.reading.total).toBeLessThan(before.reading.total);
  });

  test("a plan that is on time is left alone", () => {
    const time = { minutes: Math.ceil(before.reading.total / 60), changing: 0 };
    expect(fixDuration(input, before, time)).toEqual([]);
  });
});
