import { describe, expect, test } from "vitest";
import { capOf } from "./cap.fixture.ts";
import { type Cap, instructorMayEnd, isActiveOn, isReviewDue, sidesOf } from "./cap.ts";

const cap = (more: Partial<Cap> = {}): Cap =>
  capOf({ channel: "noStanding" }, { reason: "dizzy", source: "the clinic", from: "2026-03-01", until: "2026-03-14", ...more });

describe("a cap's dates", () => {
  test.each<[string, Cap["strength"], string, boolean, boolean]>([
    ["before it begins", "firm", "2026-02-28", false, false],
    ["on its first day", "firm", "2026-03-01", true, false],
    ["on its last day", "firm", "2026-03-14", true, false],
    ["after its date a firm one holds and asks", "firm", "2026-03-15", true, true],
    ["after its date an absolute one holds and asks", "absolute", "2026-09-01", true, true],
    ["after its date a comfort one has lapsed", "comfort", "2026-03-15", false, false],
  ])("%s", (_, strength, day, holds, asks) => {
    expect(isActiveOn(cap({ strength }), day)).toBe(holds);
    expect(isActiveOn(cap({ strength }), day) && isReviewDue(cap({ strength }), day)).toBe(asks);
  });

  test("without a date it holds for good and never asks", () => {
    expect(isActiveOn(cap({ until: null, strength: "comfort" }), "2040-01-01")).toBe(true);
    expect(isReviewDue(cap({ until: null }), "2040-01-01")).toBe(false);
  });
});

test("both means the two sides, and a cap on the whole body none", () => {
  expect(sidesOf({ channel: "loadedKnee", side: "both", limit: 30 })).toEqual(["left", "right"]);
  expect(sidesOf({ channel: "noStanding" })).toEqual([]);
});

test.each<[Cap["strength"], Cap["dateKind"], string, boolean]>([
  ["firm", "review", "2026-03-10", true],
  ["comfort", "review", "2026-03-10", true],
  ["absolute", "review", "2026-03-20", false],
  ["absolute", "ends", "2026-03-14", false],
  ["absolute", "ends", "2026-03-15", true],
])("a %s cap that %s on 14 March: an instructor may end it on %s: %s", (strength, dateKind, day, may) => {
  expect(instructorMayEnd(cap({ strength, dateKind }), day)).toBe(may);
});
