import fc from "fast-check";
import { expect, test } from "vitest";
import { anyLimit } from "./any-limit.fixture.ts";
import type { CapLimit } from "./cap.ts";
import { CAP_CHANNEL_NAMES } from "./channels.ts";
import { CAP_GROUPS, groupOf } from "./groups.ts";
import { limitInBrief, limitInWords } from "./words.ts";

/** One limit a channel, in the words that a person reads. */
const SPOKEN: readonly (readonly [CapLimit, string])[] = [
  [{ channel: "handHeight", side: "left", limit: "navel" }, "Left hand stops at navel height"],
  [{ channel: "motion", motion: "neckRotation", side: "left", limit: 40 }, "Neck turns to the left 40° at most"],
  [{ channel: "motion", motion: "hipFlexion", side: "both", limit: 90 }, "Each hip bends 90° at most"],
  [{ channel: "motion", motion: "hipExtension", side: "right", limit: 0 }, "Right hip stretches back not at all"],
  [{ channel: "handSeparation", limit: 1 }, "Hands no wider apart than the shoulders"],
  [{ channel: "loadedKnee", side: "left", limit: 30 }, "Left knee bends to 30° at most under load"],
  [{ channel: "dorsiflexion", side: "both", limit: 10 }, "Ankles bend forward 10° at most"],
  [
    { channel: "straightKneeDorsiflexion", side: "right", limit: 8 },
    "Right ankle bends forward 8° at most with the knee straight",
  ],
  [{ channel: "kneeLoad", side: "left", limit: 8 }, "Left knee loaded to 8 % of weight × stature at most"],
  [{ channel: "shoulderLoad", side: "both", limit: 60 }, "Shoulders carry 60 % of the arm straight out at most"],
  [{ channel: "lowBackLoad", limit: 5 }, "Low back loaded to 5 % of weight × stature at most"],
  [{ channel: "legShare", side: "right", limit: 0 }, "No weight on the right leg"],
  [
    { channel: "legShare", side: "left", limit: 50, poolAllowed: true },
    "Left leg takes 50 % of body weight at most, in the pool with the water counted",
  ],
  [{ channel: "shoulderDrag", side: "left", limit: 0.4 }, "Left shoulder meets 0.4 % of weight × height of water drag at most"],
  [{ channel: "hipDrag", side: "both", limit: 1 }, "Hips meet 1 % of weight × height of water drag at most"],
  [
    { channel: "motion", motion: "shoulderOutwardTurn", side: "right", limit: 30 },
    "Right upper arm turns out 30° at most, and lifts to 90°",
  ],
  [{ channel: "handWeight", side: "both", limit: 0 }, "Nothing heavy in the hands"],
  [{ channel: "heldOutShare", side: "left", limit: 50 }, "Left arm is held out for half the time at most"],
  [{ channel: "noStanding" }, "No standing"],
  [{ channel: "bothHandsStanding" }, "Standing only with both hands on fixed support, a helper in reach"],
  [{ channel: "chairWithArms" }, "A chair with arms"],
  [{ channel: "higherSeat", limit: 5 }, "A seat 5 cm higher at least"],
  [{ channel: "heldStanding" }, "Standing only with a hold"],
  [{ channel: "barredForm", limit: "water" }, "Not in the pool"],
  [{ channel: "barredFeature", limit: "percussion" }, "No tapping and percussion"],
  [{ channel: "steadiness", limit: 4 }, "Steadiness stops at 4 of 10"],
  [{ channel: "oneLegSeconds", side: "both", limit: 5 }, "Either leg alone 5 s at most"],
  [{ channel: "oneLegSecondsInAll", side: "left", limit: 120 }, "Left leg alone 2 min at most in all"],
  [{ channel: "handsUpSeconds", side: "right", limit: 45 }, "Right hand above the shoulder 45 s at most at a time"],
  [{ channel: "handsUpSecondsInAll", side: "both", limit: 300 }, "Hands above the shoulder 5 min at most in all"],
  [{ channel: "holdSeconds", limit: 10 }, "Holds last 10 s at most"],
  [{ channel: "standingMinutesAtATime", limit: 8 }, "Standing 8 min at most at a time"],
  [{ channel: "standingMinutes", limit: 20 }, "Standing 20 min at most in all"],
  [{ channel: "sessionMinutes", limit: 45 }, "The first 45 min of the session at most"],
  [{ channel: "rounds", limit: 4 }, "4 rounds at most"],
  [{ channel: "roundsShare", part: "rightArm", limit: 50 }, "Half the rounds where the right arm works"],
  [{ channel: "sizeShare", part: "neck", limit: 0 }, "Neck rests"],
  [{ channel: "longestBreath", limit: 6 }, "One breath lasts 6 s at most"],
  [{ channel: "shortestCycle", limit: 10 }, "One movement takes 10 s at least"],
  [{ channel: "breathPause", limit: 0 }, "No holding of the breath"],
  [{ channel: "effort", limit: 4 }, "Effort 4 of 10 at most"],
  [{ channel: "heartRate", limit: 110 }, "Heart rate 110 a minute at most"],
  [{ channel: "waterMinutes", limit: 20 }, "In the water 20 min at most"],
  [{ channel: "waterDepth", limit: 70 }, "Water no deeper than the lower breastbone"],
  [{ channel: "waterWarmest", limit: 29 }, "Water no warmer than 29 °C"],
  [{ channel: "waterCoolest", limit: 31 }, "Water no cooler than 31 °C"],
];

test.each(SPOKEN)("%j", (limit, words) => {
  expect(limitInWords(limit)).toBe(words);
});

test("every channel is spoken of here", () => {
  const spoken = SPOKEN.map(([{ channel }]) => channel);
  expect(CAP_CHANNEL_NAMES.filter((name) => !spoken.includes(name))).toEqual([]);
});

test("any limit has whole words, brief ones no longer than them, and a group to be found in", () => {
  fc.assert(
    fc.property(anyLimit, (limit) => {
      const words = limitInWords(limit);
      expect(words).toMatch(/^[A-Z0-9]/);
      expect(words).not.toMatch(/undefined|NaN|null|\s{2}/);
      expect(limitInBrief(limit).length).toBeLessThanOrEqual(words.length + 4);
      expect(CAP_GROUPS).toContain(groupOf(limit));
    }),
  );
});
