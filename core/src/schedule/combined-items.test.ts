import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { capOf } from "../caps/cap.fixture.ts";
import { violatesCap } from "../caps/cap-violations.ts";
import { itemAt, present } from "../checked-access.ts";
import { cellOnFeet, cellWorth } from "../fit/cell.ts";
import { fitPerson } from "../fit/fit-person.ts";
import { fitPlanOf } from "../fit/fit-plan.ts";
import { anyPerson } from "../fit/group.fixture.ts";
import { itemWeights } from "../fit/item-weights.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { load } from "../movement/library.fixture.ts";
import { waysOf } from "../movement/reversal.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { type Combination, combinedItems } from "../plan/combination.ts";
import { planItemIdOf, switchItemSide } from "../plan/plan-item.ts";
import { analyzePlan } from "../planner/analyze-plan.ts";
import { cases } from "../test-size.fixture.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { anyCombination, circumstances, combined, planned } from "./plan.fixture.ts";
import { type ScheduledItem, schedulePlan } from "./schedule-plan.ts";
import { walkedPlaces } from "./walks.ts";

const variants = createVariantCache();
const COMFORTABLE = { size: "comfortable" } as const;
const PAIR = ["shift-and-press", "side-drift"];

/** Movement, sides with their repetitions, for each scheduled item. */
const told = (blocks: readonly ScheduledItem[]) =>
  blocks.map(({ movement, turns }) => `${movement.id} ${turns.map(({ lead, rounds }) => `${lead} ${rounds}`).join(", ")}`);

const onePass = (differs: Partial<Combination>) => combined(PAIR, { passes: [{ how: "joined" }], ...differs });

describe("a combination in a plan", () => {
  test("is taught in parts, then joined on one side and on the other, then quietly", () => {
    const { blocks } = schedulePlan(planned({ ...combined(PAIR), rounds: 2 }), circumstances());
    expect(told(blocks)).toEqual([
      "shift-and-press right 2, left 2",
      "side-drift right 2, left 2",
      ...Array.from({ length: 2 }, () => [
        "shift-and-press right 2",
        "side-drift right 2",
        "shift-and-press left 2",
        "side-drift left 2",
      ]).flat(),
    ]);
    expect(blocks.map(({ block }) => block.quiet ?? false)).toEqual([...Array(6).fill(false), ...Array(4).fill(true)]);
    expect(blocks.map(({ part }) => part?.runsOn)).toEqual([false, false, false, true, true, true, false, true, true, true]);
  });

  test("a movement whose sides go their own ways goes back on the second side, in any order of the parts", () => {
    const round = { ...load("shift-and-press"), reversal: "sides" as const };
    for (const order of ["sides", "inTurn"] as const) {
      const [item] = planned({ ...onePass({ order }), rounds: 2 });
      if (!item) throw new Error("one item");
      const parts = (item.parts ?? []).map((part) => (part.id === round.id ? round : part));
      const { blocks } = schedulePlan([{ ...item, parts }], circumstances());
      const ways = blocks
        .filter(({ movement }) => movement.id === round.id)
        .map(({ turns: [turn] }) => `${turn?.lead} ${waysOf(round, 0, present(turn, "turn")).map(({ way }) => way)}`);
      expect([...new Set(ways)]).toEqual(["right forth", "left back"]);
    }
  });

  test("a walk goes there on the first side and back on the second", () => {
    const pair = combined(["walk-the-length", "shift-and-press"], { passes: [{ how: "joined" }], order: "sides" });
    const { blocks } = schedulePlan(planned({ ...pair, rounds: 2 }), circumstances());
    expect(
      blocks.map(({ movement, turns }) => `${movement.id} ${turns.map(({ lead, back }) => `${lead}${back ? " back" : ""}`)}`),
    ).toEqual(["walk-the-length right", "shift-and-press right", "walk-the-length left back", "shift-and-press left"]);
    const cells = blocks.map(() => ({ choice: FULL_STANDING_VARIANT, rounds: 9 }));
    const [there, home] = walkedPlaces(blocks, cells, 1.7);
    expect(there?.x).toBeCloseTo(-2 * 0.26 * 1.7, 9);
    expect(home?.x).toBeCloseTo(0, 9);
  });

  test("a walk on one side only goes half its repetitions each way", () => {
    const pair = combined(["walk-the-length", "shift-and-press"], { passes: [{ how: "joined", side: "other" }], order: "sides" });
    const [walk] = schedulePlan(planned({ ...pair, rounds: 2 }), circumstances()).blocks;
    expect(walk?.turns.map(({ lead, rounds, back }) => [lead, rounds, back ?? false])).toEqual([
      ["left", 1, false],
      ["left", 1, true],
    ]);
  });

  test("shows each part once more before the joined pass begins, and nothing within it", () => {
    const { blocks } = schedulePlan(planned({ ...combined(PAIR), rounds: 2, talk: 20 }), circumstances());
    expect(blocks.map(({ parts }) => parts.demonstration)).toEqual([10, 10, 5, 0, 0, 0, 0, 0, 0, 0]);
    expect(blocks.map(({ parts }) => parts.explanation)).toEqual([20, ...Array(9).fill(0)]);
  });

  test.each<[string, Partial<Combination>, string[]]>([
    ["parts", { order: "parts" }, ["shift-and-press right 2, left 2", "side-drift right 2, left 2"]],
    [
      "in turn",
      { order: "inTurn" },
      ["right", "left"].flatMap((side) =>
        Array.from({ length: 2 }, () => [`shift-and-press ${side} 1`, `side-drift ${side} 1`]).flat(),
      ),
    ],
    [
      "in turn, one part twice",
      { order: "inTurn", parts: [{ movementId: "shift-and-press", times: 2 }, { movementId: "side-drift" }] },
      ["right", "left"].flatMap((side) =>
        Array.from({ length: 2 }, () => [`shift-and-press ${side} 2`, `side-drift ${side} 1`]).flat(),
      ),
    ],
    ["on the other side only", { passes: [{ how: "joined", side: "other" }] }, ["shift-and-press left 2", "side-drift left 2"]],
    [
      "with repetitions of the pass's own",
      { passes: [{ how: "joined", rounds: 3, side: "first" }] },
      ["shift-and-press right 3", "side-drift right 3"],
    ],
  ])("is joined %s", (_, differs, expected) => {
    expect(told(schedulePlan(planned({ ...onePass(differs), rounds: 2 }), circumstances()).blocks)).toEqual(expected);
  });

  test("has a pace of its own in each pass", () => {
    const passes: Combination["passes"] = [{ how: "parts" }, { how: "joined", breathSeconds: 6 }];
    const { blocks } = schedulePlan(planned({ ...combined(PAIR, { passes }), rounds: 2 }), circumstances());
    expect(blocks.map(({ breathSeconds }) => breathSeconds)).toEqual([8, 8, 6, 6, 6, 6]);
  });

  test("shares its repetitions between the sides where each side counts one", () => {
    const { blocks } = schedulePlan(
      planned({ ...onePass({}), rounds: 5 }),
      circumstances({ style: { ...circumstances().style, counting: "eachSide" } }),
    );
    expect(told(blocks)).toEqual([
      "shift-and-press right 3",
      "side-drift right 3",
      "shift-and-press left 2",
      "side-drift left 2",
    ]);
  });

  test("does each side once at least, however few are called, and all of them on one side only", () => {
    const eachSide = circumstances({ style: { ...circumstances().style, counting: "eachSide" } });
    const both = schedulePlan(planned({ ...onePass({}), rounds: 1 }), eachSide);
    expect(told(both.blocks)).toEqual([
      "shift-and-press right 1",
      "side-drift right 1",
      "shift-and-press left 1",
      "side-drift left 1",
    ]);
    const other = schedulePlan(planned({ ...onePass({ passes: [{ how: "joined", side: "other" }] }), rounds: 1 }), eachSide);
    expect(told(other.blocks)).toEqual(["shift-and-press left 1", "side-drift left 1"]);
  });

  test("whatever it is, it is the sum of its parts and their transitions, one after another", () => {
    fc.assert(
      fc.property(anyCombination, fc.integer({ min: 1, max: 6 }), (combination, rounds) => {
        const item = { movementId: itemAt(combination.parts, 0).movementId, combined: combination, rounds };
        const { blocks, leavingSeconds, leaveSafely, total } = schedulePlan(planned(item), circumstances());
        const seconds = blocks.reduce((sum, { parts, turns, cycleSeconds, betweenRepetitions }) => {
          const between = (betweenRepetitions?.tenths ?? 0) / 10;
          const moved = turns.reduce((all, turn) => all + turn.rounds * cycleSeconds + (turn.rounds - 1) * between, 0);
          return sum + parts.transition + parts.explanation + parts.demonstration + parts.sideChange + moved;
        }, 0);
        expect(total - leavingSeconds - leaveSafely).toBeCloseTo(seconds, 6);
        blocks.forEach((block, i) => {
          expect(block.from).toBe(i === 0 ? 0 : blocks[i - 1]?.to);
        });
        expect(blocks.length).toBeLessThanOrEqual(combinedItems(combination, rounds));
        expect(new Set(blocks.map(({ id }) => id)).size).toBe(blocks.length);
        expect(blocks.every(({ id }) => planItemIdOf(id) === "b1")).toBe(true);
      }),
      { numRuns: cases(60, 400) },
    );
  });

  test("switched to the other side twice it is the same, and once it does as much on each side", () => {
    fc.assert(
      fc.property(anyCombination, (combination) => {
        const [item] = planned({ movementId: itemAt(combination.parts, 0).movementId, combined: combination, rounds: 2 });
        if (!item) return;
        const twice = switchItemSide(switchItemSide(item.block, "right"), "right");
        expect(schedulePlan([{ ...item, block: twice }], circumstances()).blocks.map(({ turns }) => turns)).toEqual(
          schedulePlan([item], circumstances()).blocks.map(({ turns }) => turns),
        );
        const both = !combination.passes.some(({ side }) => side !== undefined);
        const [left, right] = analyzePlan([item], circumstances(), variants).totals.rounds;
        if (both) expect(left).toBe(right);
      }),
      { numRuns: cases(20, 100) },
    );
  });
});

describe("a combination fitted as a whole", () => {
  const planOf = (item: ReturnType<typeof combined>, place = OPEN_HALL) =>
    fitPlanOf(schedulePlan(planned({ ...item, rounds: 2 }), circumstances()), place, COMFORTABLE);
  const personWith = (...limits: Parameters<typeof capOf>[0][]) => ({
    id: "p",
    stature: 1.65,
    measured: USUAL_BODY,
    caps: limits.map((limit, i) => ({ ...capOf(limit), id: `c${i}` })),
  });

  test("without caps everyone does it whole", () => {
    const { cells } = fitPerson(planOf(combined(PAIR)), personWith(), variants);
    expect(cells.every(({ fidelity, choice }) => fidelity === 1 && choice?.kind === "standing")).toBe(true);
  });

  test("who has to sit for one part sits for all that are joined to it, and is told why", () => {
    const both = ["trunk-turn", "look-over-shoulder"];
    const alone = both.map((movementId) => ({ movementId, rounds: 2 }));
    const joinedOnly = { ...combined(both, { passes: [{ how: "joined" }] }), rounds: 2 };
    const { cells } = fitPerson(
      fitPlanOf(schedulePlan(planned(...alone, joinedOnly), circumstances()), { ...OPEN_HALL, rail: 0, helpers: 0 }, COMFORTABLE),
      personWith({ channel: "steadiness", limit: 3.2 }, { channel: "barredForm", limit: "supported" }),
      variants,
    );
    const [turn, look, ...joined] = cells;
    // By itself the first part is done standing, the second sitting.
    expect([turn, look].map((cell) => cell?.choice?.kind)).toEqual(["standing", "seated"]);
    expect(joined.map(({ choice }) => choice?.kind)).toEqual(joined.map(() => "seated"));
    expect(joined[0]).toMatchObject({ because: [], gaveWay: "runsOn" });
  });

  test("counts as one movement in someone's match, however often its parts are gone through", () => {
    const items = planned({ movementId: "settling-breath", rounds: 4 }, { ...combined(PAIR), rounds: 2 });
    const plan = fitPlanOf(schedulePlan(items, circumstances()), OPEN_HALL, COMFORTABLE);
    const { cells, fidelity } = fitPerson(plan, personWith({ channel: "handHeight", side: "both", limit: "navel" }), variants);
    const [alone = 0, ...parts] = cells.map(cellWorth);
    const mean = (of: readonly number[]) => of.reduce((sum, each) => sum + each, 0) / of.length;
    expect(parts.length).toBe(10);
    expect(mean(parts)).toBeLessThan(alone - 0.05);
    expect(fidelity).toBeCloseTo((alone + mean(parts)) / 2, 9);
    expect(itemWeights(plan.blocks)).toEqual([1, ...Array(10).fill(0.1)]);
  });

  test("whatever the caps, none is broken, and joined parts are all done on the feet or all sitting", () => {
    fc.assert(
      fc.property(anyCombination, anyPerson(3), (combination, person) => {
        const plan = planOf({ movementId: itemAt(combination.parts, 0).movementId, combined: combination });
        const { cells } = fitPerson(plan, { ...person, id: "p" }, variants);
        cells.forEach((cell, i) => {
          const { choice, demands } = cell;
          if (choice)
            for (const cap of person.caps)
              for (const demand of demands)
                expect(violatesCap(cap, choice, demand, cell.rounds), JSON.stringify(cap.limit)).toBe(false);
          if (plan.blocks[i]?.runsOn) expect(cellOnFeet(cell)).toBe(cellOnFeet(itemAt(cells, i - 1)));
        });
      }),
      { numRuns: cases(12, 80) },
    );
  });
});
