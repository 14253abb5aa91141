import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { evenSizes, FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "../movement/variant.ts";
import type { PlanItem } from "../plan/plan-item.ts";
import { placedPerson } from "../setup/placed-person.fixture.ts";
import { positionProblems } from "../setup/position-problems.ts";
import { type PlacedPerson, standingPositions, walkRoom } from "../setup/standing-positions.ts";
import { cases } from "../test-size.fixture.ts";
import { circumstances, planned } from "./plan.fixture.ts";
import { schedulePlan } from "./schedule-plan.ts";
import { walkedPlaces, walkLength } from "./walks.ts";

const AHEAD = "walk-the-length";
const ASIDE = "side-steps-along";
const H = 1.7;

const scheduled = (...blocks: (Partial<PlanItem> & { readonly movementId: string })[]) =>
  schedulePlan(planned(...blocks), circumstances({ style: { ...circumstances().style, counting: "eachSide" } })).blocks;
const whole = (count: number, choice = FULL_STANDING_VARIANT) => Array.from({ length: count }, () => ({ choice, rounds: 12 }));

describe("a walk in the schedule", () => {
  test("goes ahead on one side, turns round in two quarters, and comes back on the other", () => {
    const [item] = scheduled({ movementId: AHEAD, rounds: 6 });
    expect(item?.turns.map(({ lead, rounds, back }) => [lead, rounds, back ?? false])).toEqual([
      ["right", 3, false],
      ["left", 3, true],
    ]);
    expect(item?.sideChange?.steps.map(({ kind }) => kind)).toEqual(["turn", "turn"]);
    expect(item?.sideChange?.hazards).toEqual(["turns"]);
    expect(item?.parts.sideChange).toBe(6 + 3);
  });

  test("on one side only goes half its repetitions each way", () => {
    const [item] = scheduled({ movementId: AHEAD, rounds: 5, only: "left" });
    expect(item?.turns.map(({ lead, rounds, back }) => [lead, rounds, back ?? false])).toEqual([
      ["left", 3, false],
      ["left", 2, true],
    ]);
    expect(item?.repetitionsPerSide).toEqual([5, 0]);
  });

  test("to the side needs no turn: the other foot leads the way back", () => {
    const [item] = scheduled({ movementId: ASIDE, rounds: 6 });
    expect(item?.turns.every(({ back }) => back === undefined)).toBe(true);
    expect(item?.sideChange?.steps.filter(({ kind }) => kind === "turn")).toEqual([]);
  });

  test("is followed by facing the front again, in the next movement and on the way to the chairs", () => {
    const [, after] = scheduled({ movementId: AHEAD }, { movementId: "shift-and-press" });
    expect(after?.transition.steps.filter(({ kind }) => kind === "turn")).toHaveLength(2);
    expect(after?.transition.to.facing).toBe(0);
    const alone = schedulePlan(planned({ movementId: AHEAD }), circumstances());
    expect(alone.leaving.steps.filter(({ kind }) => kind === "turn")).toHaveLength(2);
    const noChairs = schedulePlan(
      planned({ movementId: AHEAD }),
      circumstances({ supports: { chairs: false, rail: "right", pool: true } }),
    );
    expect(noChairs.leaving.to.facing).toBe(0);
  });

  test("on chairs turns no one round", () => {
    const [item] = scheduled({ movementId: AHEAD, as: "seated" });
    expect(item?.turns.some(({ back }) => back)).toBe(false);
    expect(item?.sideChange?.steps).toEqual([]);
  });

  test("the whole is the sum of its parts", () => {
    for (const item of scheduled({ movementId: AHEAD, rounds: 7 }, { movementId: ASIDE, rounds: 5 }, { movementId: AHEAD })) {
      const { transition, explanation, demonstration, repetitions, sideChange } = item.parts;
      expect(item.total).toBeCloseTo(transition + explanation + demonstration + repetitions + sideChange, 9);
    }
  });
});

describe("where walks lead", () => {
  test("3 times .26 H ahead is 1.33 m towards the instructor, and back", () => {
    const items = scheduled({ movementId: AHEAD, rounds: 6 });
    const [there, back] = walkedPlaces(items, whole(1), H);
    expect(there).toEqual({ x: expect.closeTo(-1.326, 9), z: expect.closeTo(0, 9) });
    expect(back).toEqual({ x: expect.closeTo(0, 9), z: expect.closeTo(0, 9) });
  });

  test("facing the right it leads to the right, and side steps that lead with the right lead to the back", () => {
    const [there] = walkedPlaces(scheduled({ movementId: AHEAD, rounds: 6, facing: 1 }), whole(1), H);
    expect(there).toEqual({ x: expect.closeTo(0, 9), z: expect.closeTo(1.326, 9) });
    const [aside] = walkedPlaces(scheduled({ movementId: ASIDE, rounds: 6, facing: 1 }), whole(1), H);
    expect(aside).toEqual({ x: expect.closeTo(3 * 0.11 * H, 9), z: expect.closeTo(0, 9) });
  });

  test("side steps lead with the right to the right, and home", () => {
    const [there, back] = walkedPlaces(scheduled({ movementId: ASIDE, rounds: 6 }), whole(1), H);
    expect(there).toEqual({ x: expect.closeTo(0, 9), z: expect.closeTo(0.561, 9) });
    expect(back?.z).toBeCloseTo(0, 9);
  });

  test("smaller steps and fewer repetitions lead less far; a seat and rest lead nowhere, and all have as many places", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 8 }), fc.integer({ min: 0, max: 6 }), (legs, rounds) => {
        const items = scheduled({ movementId: AHEAD, rounds: 6 }, { movementId: "quiet-feet" }, { movementId: ASIDE, rounds: 5 });
        const choice = { ...FULL_STANDING_VARIANT, sizes: { ...evenSizes(8), legs } };
        const full = walkedPlaces(items, whole(3), H);
        const mine = walkedPlaces(
          items,
          [
            { choice, rounds },
            { choice, rounds },
            { choice, rounds },
          ],
          H,
        );
        expect(mine).toHaveLength(full.length);
        mine.forEach((place, i) => {
          expect(Math.hypot(place.x, place.z)).toBeLessThanOrEqual(Math.hypot(full[i]?.x ?? 0, full[i]?.z ?? 0) + 1e-9);
        });
        for (const still of [whole(3, FULL_SEATED_VARIANT), [{ choice: null, rounds: 0 }]])
          expect(walkedPlaces(items, still, H).every(({ x, z }) => Math.hypot(x, z) < 1e-12)).toBe(true);
      }),
      { numRuns: cases(20, 60) },
    );
  });

  test("an odd number ends one repetition further on", () => {
    const places = walkedPlaces(scheduled({ movementId: AHEAD, rounds: 7 }), whole(1), H);
    expect(places.at(-1)?.x).toBeCloseTo(-0.26 * H, 9);
  });

  test("one item says how far one repetition goes and how far all do", () => {
    const [item] = scheduled({ movementId: AHEAD, rounds: 6 });
    if (!item) throw new Error("one item");
    expect(walkLength(item, { choice: FULL_STANDING_VARIANT, rounds: 3 }, H)).toEqual({
      ahead: expect.closeTo(0.442, 9),
      aside: 0,
      furthest: expect.closeTo(1.326, 9),
      turnsRound: true,
    });
    expect(walkLength(item, { choice: FULL_SEATED_VARIANT, rounds: 3 }, H)).toBeNull();
  });
});

describe("room for walks", () => {
  const FLOOR = { length: 9, width: 8, rail: 0, pool: null };
  const walker = (id: string, walk: PlacedPerson["walk"]): PlacedPerson => placedPerson(id, { walk });
  const there = [
    { x: -2, z: 0 },
    { x: 0, z: 0 },
  ];
  const stays = [
    { x: 0, z: 0 },
    { x: 0, z: 0 },
  ];

  test("everyone who walks alike is given room in front", () => {
    const people = ["a", "b", "c", "d"].map((id) => walker(id, there));
    expect(walkRoom(people)).toEqual({ front: 2, rear: 0, left: 0, right: 0 });
    const places = standingPositions(FLOOR, people, new Map());
    expect(Math.min(...places.map(({ x }) => x))).toBeGreaterThanOrEqual(4);
    expect(positionProblems(FLOOR, people, places)).toEqual([]);
  });

  test("someone who walks into one who sits is told, however they pass", () => {
    const people = [walker("walks", there), walker("sits", stays)];
    const findings = (x: number, z: number) =>
      positionProblems(
        FLOOR,
        people,
        standingPositions(
          FLOOR,
          people,
          new Map([
            ["walks", { x: 6, z: 4 }],
            ["sits", { x, z }],
          ]),
        ),
      ).map(({ finding }) => finding);
    expect(findings(4, 4)).toEqual([{ found: "walksTooClose", by: expect.closeTo(1.2, 9) }]);
    expect(findings(4.8, 4.3)).toEqual([{ found: "walksTooClose", by: expect.closeTo(0.9, 9) }]);
    expect(findings(5, 6)).toEqual([]);
  });

  test("a walk off the floor, and one that ends away, say by how much", () => {
    const away = walker("a", [{ x: -2, z: 0 }]);
    const places = standingPositions(FLOOR, [away], new Map([["a", { x: 1.9, z: 4 }]]));
    expect(positionProblems(FLOOR, [away], places).map(({ finding }) => finding)).toEqual([
      { found: "walksOffTheFloor", by: expect.closeTo(0.5, 9) },
      { found: "endsAway", by: 2 },
    ]);
  });

  test("a walk into deeper water says so", () => {
    const POOL = { length: 9, width: 4, rail: 9, pool: { shallow: 0.9, deep: 1.8 } };
    const deeper = {
      ...walker("a", [
        { x: 2, z: 0 },
        { x: 0, z: 0 },
      ]),
      depth: 1.2,
    };
    const places = standingPositions(POOL, [deeper], new Map([["a", { x: 3, z: 2 }]]));
    expect(positionProblems(POOL, [deeper], places).map(({ finding }) => finding)).toEqual([
      { found: "walksTooDeep", by: expect.closeTo(0.2, 9) },
    ]);
  });
});
