import * as v from "valibot";
import { describe, expect, test } from "vitest";
import { PHASES } from "../movement/format.ts";
import { addMovement } from "./edit-plan.ts";
import { EMPTY_PLAN } from "./plan.ts";
import { differingParts, pauseOf, repetitionsIn, type TeachingStyle, TeachingStyleSchema, USUAL_STYLE } from "./style.ts";

const LONG_FLOW: TeachingStyle = { ...USUAL_STYLE, phases: { flow: { ideal: 10, least: 5 } } };

describe("repetitions by phase", () => {
  test("are the style's own where a phase has none", () => {
    for (const phase of PHASES)
      expect(repetitionsIn(LONG_FLOW, phase)).toEqual(
        phase === "flow" ? { ideal: 10, least: 5 } : { ideal: USUAL_STYLE.rounds, least: USUAL_STYLE.leastRounds },
      );
  });

  test("are what a movement of the phase is added with", () => {
    const added = (phase: "flow" | "settle") =>
      addMovement({ id: "m", phase }, null)({ ...EMPTY_PLAN, style: LONG_FLOW }).blocks[0];
    expect(added("flow")?.rounds).toBe(10);
    expect(added("settle")?.rounds).toBe(USUAL_STYLE.rounds);
  });

  test("are read from 2 to 10, the least no more than the ideal", () => {
    const reads = (ideal: number, least: number) =>
      v.safeParse(TeachingStyleSchema, { ...USUAL_STYLE, phases: { loosen: { ideal, least } } }).success;
    expect([reads(2, 2), reads(10, 2), reads(11, 2), reads(10, 1), reads(4, 5), reads(4.5, 3)]).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
    ]);
    expect(v.parse(TeachingStyleSchema, LONG_FLOW)).toEqual(LONG_FLOW);
  });

  test("set two styles apart", () => {
    expect(differingParts(USUAL_STYLE, LONG_FLOW)).toEqual(["phases"]);
    expect(differingParts(LONG_FLOW, { ...LONG_FLOW, phases: { flow: { ideal: 10, least: 5 } } })).toEqual([]);
    // A phase that says what the style says anyway is no difference.
    const { rounds: ideal, leastRounds: least } = USUAL_STYLE;
    expect(differingParts(USUAL_STYLE, { ...USUAL_STYLE, phases: { flow: { ideal, least } } })).toEqual([]);
  });
});

test("a pause is the item's own, else the style's, and none at the top with two breaths to one", () => {
  const pausing: TeachingStyle = { ...USUAL_STYLE, breath: "pause" };
  expect(pauseOf(USUAL_STYLE, {})).toBeNull();
  expect(pauseOf(pausing, {})).toEqual({ at: "top", seconds: 1 });
  expect(pauseOf(pausing, { pause: { at: "top", seconds: 0 } })).toBeNull();
  expect(pauseOf(USUAL_STYLE, { pause: { at: "bottom", seconds: 3 }, breathsToOne: 2 })).toEqual({ at: "bottom", seconds: 3 });
  expect(pauseOf(pausing, { breathsToOne: 2 })).toBeNull();
});
