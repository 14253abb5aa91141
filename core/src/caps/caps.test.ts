import { describe, expect, test } from "vitest";
import { capOf } from "./cap.fixture.ts";
import { asksOn, type Cap, type CapLimit, holdsOn, instructorMayEnd, sidesOf } from "./cap.ts";
import { formatCap, formatCapLimit, formatCapLimitBriefly } from "./format-cap.ts";

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
    expect(holdsOn(cap({ strength }), day)).toBe(holds);
    expect(holdsOn(cap({ strength }), day) && asksOn(cap({ strength }), day)).toBe(asks);
  });

  test("without a date it holds for good and never asks", () => {
    expect(holdsOn(cap({ until: null, strength: "comfort" }), "2040-01-01")).toBe(true);
    expect(asksOn(cap({ until: null }), "2040-01-01")).toBe(false);
  });
});

describe("a cap in words", () => {
  test.each<[CapLimit, string, string]>([
    [{ channel: "handHeight", side: "right", limit: "shoulder" }, "Right hand: up to shoulder height", "right hand to shoulder"],
    [{ channel: "handHeight", side: "both", limit: "eye" }, "Both hands: up to eye height", "hands to eye"],
    [{ channel: "loadedKnee", side: "left", limit: 30 }, "Left knee bend under load: up to 30°", "left knee to 30°"],
    [{ channel: "dorsiflexion", side: "both", limit: 10 }, "Ankle bend, both sides: up to 10°", "ankles to 10°"],
    [{ channel: "oneLegSeconds", side: "left", limit: 0 }, "No one-leg standing on the left leg", "not on left leg"],
    [{ channel: "oneLegSeconds", side: "both", limit: 5 }, "One-leg standing: up to 5 s at a time", "one leg 5 s"],
    [{ channel: "standingMinutes", limit: 12 }, "Standing: up to 12 min in total", "stands up to 12 min"],
    [{ channel: "barredFeature", limit: "holdsWithLeft" }, "No support with the left hand", "no support with the left hand"],
    [{ channel: "noStanding" }, "No standing", "seated"],
  ])("%j", (limit, words, brief) => {
    expect(formatCapLimit(limit)).toBe(words);
    expect(formatCapLimitBriefly(limit)).toBe(brief);
  });

  test("says why, who and until when", () => {
    expect(formatCap(cap({ dateKind: "ends" }))).toBe("No standing. Dizzy; source: the clinic, until 14 March");
    expect(formatCap(cap())).toBe("No standing. Dizzy; source: the clinic, review by 14 March");
    expect(formatCap(cap({ until: null }))).toBe("No standing. Dizzy; source: the clinic");
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
