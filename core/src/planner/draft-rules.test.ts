import { describe, expect, test } from "vitest";
import { createVariantCache } from "../fit/variant-cache.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { analyzePlan } from "./analyze-plan.ts";
import { brokenRules, type DraftRules, newsMissed, secondsInOtherPosture } from "./draft-rules.ts";

const variants = createVariantCache();
const analysisOf = (...blocks: Parameters<typeof planned>) => analyzePlan(planned(...blocks), circumstances(), variants);
const moved = (analysis: ReturnType<typeof analysisOf>): number =>
  analysis.reading.blocks.reduce((sum, { parts }) => sum + parts.repetitions, 0);

const STOOD = analysisOf("settling-breath", "waves-with-both-hands");
const SAT = analysisOf({ movementId: "settling-breath", as: "seated" }, { movementId: "waves-with-both-hands", as: "seated" });
const BOTH = analysisOf("settling-breath", { movementId: "waves-with-both-hands", as: "seated" });

describe("seconds in a posture that was not asked for", () => {
  test("are those on the other side, and none where any will do", () => {
    expect(secondsInOtherPosture(STOOD, "standing")).toBe(0);
    expect(secondsInOtherPosture(STOOD, "seated")).toBeCloseTo(moved(STOOD));
    expect(secondsInOtherPosture(SAT, "seated")).toBe(0);
    expect(secondsInOtherPosture(SAT, "standing")).toBeCloseTo(moved(SAT));
    expect(secondsInOtherPosture(BOTH, "any")).toBe(0);
  });

  test("in a mixed session are what either lacks to three tenths", () => {
    expect(secondsInOtherPosture(STOOD, "mixed")).toBeCloseTo(0.3 * moved(STOOD));
    expect(secondsInOtherPosture(SAT, "mixed")).toBeCloseTo(0.3 * moved(SAT));
    expect(secondsInOtherPosture(BOTH, "mixed")).toBe(0);
  });
});

test("new movements are counted to exactly as many as were asked for, or to any number", () => {
  const fresh = analyzePlan(
    planned("settling-breath", "waves-with-both-hands", "side-drift"),
    circumstances({ familiarityWith: (id) => (id === "settling-breath" ? "known" : "new") }),
    variants,
  );
  expect([0, 1, 2, 3].map((news) => newsMissed(fresh, news))).toEqual([2, 1, 0, 1]);
  expect(newsMissed(fresh, null)).toBe(0);
});

test("a draft breaks the rules that it does not keep, and only those", () => {
  const minutes = Math.ceil(STOOD.reading.total / 60);
  const rules: DraftRules = { time: { minutes, changing: 0 }, news: 0, posture: "standing" };
  expect(brokenRules(STOOD, rules)).toEqual([]);
  expect(brokenRules(STOOD, { ...rules, posture: "seated" })).toEqual(["posture"]);
  expect(brokenRules(STOOD, { ...rules, news: 2 })).toEqual(["newMovements"]);
  expect(brokenRules(STOOD, { ...rules, time: { minutes, changing: 61 } })).toEqual(["time"]);
  expect(brokenRules(STOOD, { ...rules, time: { minutes: minutes + 3, changing: 0 } })).toEqual(["time"]);
  expect(brokenRules(analysisOf({ movementId: "shift-and-press", only: "left" }, "settling-breath"), rules)).toEqual(
    expect.arrayContaining(["sides", "order"]),
  );
});
