import { describe, expect, test } from "vitest";
import { capsOfAids } from "./aids.ts";
import { limitsAfterRelease, newcomerLimits } from "./newcomers.ts";
import type { StandStage } from "./rungs.ts";
import { limitInWords } from "./words.ts";

const STANDING = ["steadiness", "heldStanding", "bothHandsStanding"];
const standing = (limits: ReturnType<typeof newcomerLimits>) =>
  limits.filter(({ channel }) => STANDING.includes(channel)).map(limitInWords);

const BOTH_HANDS = "Standing only with both hands on fixed support, a helper in reach";

describe("how somebody stands, by the four-stage stand", () => {
  test.each<[StandStage, string[]]>([
    ["none", ["Steadiness stops at 1 of 10", BOTH_HANDS]],
    ["hipWidth", ["Steadiness stops at 3 of 10"]],
    ["sideBySide", ["Steadiness stops at 4 of 10"]],
    ["semiTandem", ["Steadiness stops at 5 of 10"]],
    ["tandem", ["Steadiness stops at 6.5 of 10"]],
    ["oneLeg", ["Steadiness stops at 8 of 10"]],
  ])("%s, before release as after it", (stage, words) => {
    expect(standing(newcomerLimits(stage))).toEqual(words);
    expect(standing(limitsAfterRelease(stage))).toEqual(words);
  });

  test("until it is tested: three, with a hand on something", () => {
    expect(standing(newcomerLimits(null))).toEqual(["Steadiness stops at 3 of 10", "Standing only with a hold"]);
  });
});

describe("who walks with an aid", () => {
  const words = (aid: "frame" | "stick", stage: StandStage | null) =>
    capsOfAids("p", [aid], stage, "2026-10-14").map(({ limit }) => limitInWords(limit));

  test("a frame: both hands on it or on something as firm, until feet together are held", () => {
    expect(words("frame", null)).toEqual([BOTH_HANDS]);
    expect(words("frame", "hipWidth")).toEqual([BOTH_HANDS]);
    expect(words("frame", "sideBySide")).toEqual(["Standing only with a hold"]);
  });

  test("a stick: with a hold, whatever was tested; without an aid nothing", () => {
    expect(words("stick", "oneLeg")).toEqual(["Standing only with a hold"]);
    expect(capsOfAids("p", [], null, "2026-10-14")).toEqual([]);
  });
});
