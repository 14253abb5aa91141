import { anyLimit } from "@able-tide/core/caps/any-limit.fixture";
import type { Cap, CapLimit } from "@able-tide/core/caps/cap";
import { capOf } from "@able-tide/core/caps/cap.fixture";
import { CAP_CHANNEL_NAMES } from "@able-tide/core/caps/channels";
import { CAP_GROUPS, groupOf } from "@able-tide/core/caps/groups";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { formatCap, formatCapLimit, formatCapLimitBriefly } from "./format-cap.ts";

/** One limit a channel, in the words that a person reads. */
const SPOKEN: readonly (readonly [CapLimit, string])[] = [
  [{ channel: "handHeight", side: "left", limit: "navel" }, "Left hand: up to navel height"],
  [{ channel: "motion", motion: "neckRotation", side: "left", limit: 40 }, "Neck turn to the left: up to 40°"],
  [{ channel: "motion", motion: "hipFlexion", side: "both", limit: 90 }, "Hip bend (flexion), both sides: up to 90°"],
  [{ channel: "motion", motion: "hipExtension", side: "right", limit: 0 }, "No right leg back (hip extension)"],
  [{ channel: "handSeparation", limit: 1 }, "Hands no wider than shoulder width"],
  [{ channel: "loadedKnee", side: "left", limit: 30 }, "Left knee bend under load: up to 30°"],
  [{ channel: "dorsiflexion", side: "both", limit: 10 }, "Ankle bend, both sides: up to 10°"],
  [{ channel: "straightKneeDorsiflexion", side: "right", limit: 8 }, "Right ankle bend (knee straight): up to 8°"],
  [{ channel: "kneeLoad", side: "left", limit: 8 }, "Left knee load: up to 8% of body weight × height"],
  [
    { channel: "shoulderLoad", side: "both", limit: 60 },
    "Shoulder load, both sides: up to 60% of the load with the arm held straight out",
  ],
  [{ channel: "lowBackLoad", limit: 5 }, "Lower back load: up to 5% of body weight × height"],
  [{ channel: "legShare", side: "right", limit: 0 }, "No weight on the right leg"],
  [
    { channel: "legShare", side: "left", limit: 50, poolAllowed: true },
    "Left leg weight: up to 50% of body weight; in the pool, weight in water counts",
  ],
  [{ channel: "shoulderDrag", side: "left", limit: 0.4 }, "Left shoulder water resistance: up to 0.4% of body weight × height"],
  [{ channel: "hipDrag", side: "both", limit: 1 }, "Hip water resistance, both sides: up to 1% of body weight × height"],
  [
    { channel: "motion", motion: "shoulderOutwardTurn", side: "right", limit: 30 },
    "Right upper arm turn out (outward rotation): up to 30°; arm raise up to 90°",
  ],
  [{ channel: "handWeight", side: "both", limit: 0 }, "No weights in the hands"],
  [{ channel: "heldOutShare", side: "left", limit: 50 }, "Left arm held out: up to half the time"],
  [{ channel: "noStanding" }, "No standing"],
  [{ channel: "holdSecondsInAll", limit: 30 }, "Timed holds: up to 30 s in total"],
  [{ channel: "bothHandsStanding" }, "Standing only with both hands on fixed support and a helper in reach"],
  [{ channel: "handToRise" }, "Standing up only with a helping hand"],
  [{ channel: "chairWithArms" }, "Chair with arms"],
  [{ channel: "higherSeat", limit: 5 }, "Seat at least 5 cm higher"],
  [{ channel: "heldStanding" }, "Standing only with hand support"],
  [{ channel: "barredForm", limit: "water" }, "No pool"],
  [{ channel: "barredFeature", limit: "percussion" }, "No tapping"],
  [{ channel: "steadiness", limit: 4 }, "Balance demand: up to 4 out of 10"],
  [{ channel: "oneLegSeconds", side: "both", limit: 5 }, "One-leg standing: up to 5 s at a time"],
  [{ channel: "oneLegSecondsInAll", side: "left", limit: 120 }, "One-leg standing on the left leg: up to 2 min in total"],
  [{ channel: "handsUpSeconds", side: "right", limit: 45 }, "Right hand above the shoulder: up to 45 s at a time"],
  [{ channel: "handsUpSecondsInAll", side: "both", limit: 300 }, "Each hand above the shoulder: up to 5 min in total"],
  [{ channel: "holdSeconds", limit: 10 }, "Static hold: up to 10 s"],
  [{ channel: "standingMinutesAtATime", limit: 8 }, "Standing: up to 8 min at a time"],
  [{ channel: "standingMinutes", limit: 20 }, "Standing: up to 20 min in total"],
  [{ channel: "sessionMinutes", limit: 45 }, "Session: up to 45 min"],
  [{ channel: "rounds", limit: 4 }, "Up to 4 repetitions"],
  [{ channel: "roundsShare", part: "rightArm", limit: 50 }, "Right arm: up to 50% of the repetitions"],
  [{ channel: "sizeShare", part: "neck", limit: 0 }, "Neck rests"],
  [{ channel: "longestBreath", limit: 6 }, "Breath length: up to 6 s"],
  [{ channel: "shortestCycle", limit: 10 }, "At least 10 s per repetition"],
  [{ channel: "breathPause", limit: 0 }, "No breath-holding"],
  [{ channel: "effort", limit: 4 }, "Effort: up to 4 out of 10"],
  [{ channel: "heartRate", limit: 110 }, "Heart rate: up to 110 beats per minute"],
  [{ channel: "waterMinutes", limit: 20 }, "In the water: up to 20 min"],
  [{ channel: "waterDepth", limit: 70 }, "Water depth: up to the lower breastbone"],
  [{ channel: "waterWarmest", limit: 29 }, "Water: up to 29 °C"],
  [{ channel: "waterCoolest", limit: 31 }, "Water: at least 31 °C"],
];

test.each(SPOKEN)("%j", (limit, words) => {
  expect(formatCapLimit(limit)).toBe(words);
});

test("every channel is spoken of here", () => {
  const spoken = SPOKEN.map(([{ channel }]) => channel);
  expect(CAP_CHANNEL_NAMES.filter((name) => !spoken.includes(name))).toEqual([]);
});

test("any limit has whole words, brief ones no longer than them, and a group to be found in", () => {
  fc.assert(
    fc.property(anyLimit, (limit) => {
      const words = formatCapLimit(limit);
      expect(words).toMatch(/^[A-Z0-9]/);
      expect(words).not.toMatch(/undefined|NaN|null|\s{2}/);
      expect(formatCapLimitBriefly(limit).length).toBeLessThanOrEqual(words.length + 4);
      expect(CAP_GROUPS).toContain(groupOf(limit));
    }),
  );
});

const cap = (more: Partial<Cap> = {}): Cap =>
  capOf({ channel: "noStanding" }, { reason: "dizzy", source: "the clinic", from: "2026-03-01", until: "2026-03-14", ...more });

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
