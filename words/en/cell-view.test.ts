import { buildOf, USUAL_BODY, USUAL_BUILD, WHOLE } from "@able-tide/core/body/build";
import type { Cap, CapLimit } from "@able-tide/core/caps/cap";
import { capOf } from "@able-tide/core/caps/cap.fixture";
import { fitCell, mindCell } from "@able-tide/core/fit/cell";
import { limitedResources } from "@able-tide/core/fit/support-options";
import { createVariantCache, leadingSides } from "@able-tide/core/fit/variant-cache";
import { load } from "@able-tide/core/movement/library.fixture";
import { FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { OPEN_HALL } from "@able-tide/core/venues/resources";
import { describe, expect, test } from "vitest";
import { CARRY_WITH_CARE, viewCell } from "./cell-view.ts";

const variants = createVariantCache();
const ROUNDS = 6;
/** In a hall with enough of everything. */
const ALONE = { depth: null, aids: [], resources: OPEN_HALL, scarce: limitedResources(OPEN_HALL, 1), workingShare: 1 };
const cap = (limit: CapLimit): Cap => capOf(limit, { reason: "sore", source: "the clinic" });
function view(id: string, ...limits: CapLimit[]) {
  const movement = load(id);
  const question = {
    movement,
    breathSeconds: 8,
    stature: 1.65,
    build: USUAL_BUILD,
    caps: limits.map(cap),
    turns: leadingSides(movement).map((lead) => ({ lead, rounds: ROUNDS })),
    plannedVariant: FULL_STANDING_VARIANT,
    ...ALONE,
  };
  return viewCell(fitCell(question, variants), FULL_STANDING_VARIANT, { repetitions: ROUNDS, hold: null, paused: false });
}

describe("a cell as people read it", () => {
  test("whole, it says nothing", () => {
    expect(view("settling-breath")).toMatchObject({ form: "standing", whole: true, level: 1, brief: "", why: [] });
  });

  test.each<[string, CapLimit[], Partial<ReturnType<typeof view>>]>([
    [
      "lift-and-part",
      [{ channel: "handHeight", side: "right", limit: "shoulder" }],
      { form: "standing", lighterSide: "right", brief: "right hand to shoulder" },
    ],
    ["lift-and-part", [{ channel: "noStanding" }], { form: "seated", brief: "seated", lighterSide: null }],
    ["one-leg-toe-near", [{ channel: "oneLegSeconds", side: "both", limit: 0 }], { brief: "keep the toes down" }],
    [
      "lift-and-part",
      [{ channel: "roundsShare", part: "all", limit: 70 }],
      { form: "standing", rounds: 4, brief: "4 of 6 repetitions" },
    ],
    [
      "tap-down-the-legs",
      [{ channel: "barredFeature", limit: "percussion" }],
      { form: "rest", level: 0, brief: "sit and breathe along" },
    ],
    [
      "one-leg-arms-rise",
      [
        { channel: "steadiness", limit: 4.5 },
        { channel: "barredFeature", limit: "holdsWithLeft" },
      ],
      { form: "supported", hold: "right" },
    ],
  ])("%s with %j", (id, limits, expected) => {
    expect(view(id, ...limits)).toMatchObject(expected);
  });

  test("someone in a wheelchair does all of it, seated, and the room is told so", () => {
    const movement = load("lift-and-part");
    const build = buildOf({ ...USUAL_BODY, wheelchair: true }, 1.65);
    const question = {
      movement,
      breathSeconds: 8,
      stature: 1.65,
      build,
      caps: [],
      turns: leadingSides(movement).map((lead) => ({ lead, rounds: ROUNDS })),
      plannedVariant: FULL_STANDING_VARIANT,
      ...ALONE,
    };
    const cell = viewCell(fitCell(question, variants), FULL_STANDING_VARIANT, { repetitions: ROUNDS, hold: null, paused: false });
    expect(cell).toMatchObject({ form: "seated", level: 1, whole: false, brief: "seated", why: [] });
  });

  test("says why for every cap that the whole would break, and only for those", () => {
    const { why } = view(
      "lift-and-part",
      { channel: "handHeight", side: "left", limit: "chest" },
      { channel: "standingMinutes", limit: 60 },
    );
    expect(why).toEqual([{ limit: "Left hand: up to chest height", reason: "sore; source: the clinic" }]);
  });

  test("an arm that the other hand carries is said, with the care it needs", () => {
    const carried = buildOf({ ...USUAL_BODY, arms: [{ kind: "carried" }, WHOLE] }, 1.65);
    const movement = load("settling-breath");
    const turns = leadingSides(movement).map((lead) => ({ lead, rounds: ROUNDS }));
    const planned = { plannedVariant: FULL_STANDING_VARIANT, turns, breathSeconds: 8, stature: 1.65, caps: [] };
    const cell = fitCell({ movement, build: carried, ...planned, ...ALONE }, variants);
    expect(viewCell(cell, FULL_STANDING_VARIANT, { repetitions: ROUNDS, hold: null, paused: false })).toMatchObject({
      whole: false,
      brief: "right hand carries the left forearm from below",
      care: CARRY_WITH_CARE,
      why: [],
    });
    expect(view("settling-breath").care).toBeUndefined();
  });

  test("a hand that rests is named once", () => {
    const { brief } = view("one-up-one-down", { channel: "handHeight", side: "left", limit: "lap" });
    expect(brief.match(/left hand/g)?.length ?? 0).toBeLessThanOrEqual(1);
  });
});

test("a movement that is only pictured says so, and who chose it", () => {
  const pictured = viewCell(mindCell(true, [], "held"), FULL_STANDING_VARIANT, {
    repetitions: ROUNDS,
    hold: null,
    paused: false,
  });
  expect(pictured).toMatchObject({
    form: "rest",
    inMind: "standing",
    brief: "picture it, breathe along, nothing moves",
    rounds: 0,
  });
});
