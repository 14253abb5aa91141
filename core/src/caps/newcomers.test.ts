import { formatCapLimit } from "@able-tide/words/format-cap";
import { describe, expect, test } from "vitest";
import { capsOfAids } from "./aids.ts";
import type { StandStage } from "./balance-levels.ts";
import { capsAfterNewcomer, newcomerCaps } from "./newcomers.ts";

const STANDING = ["steadiness", "heldStanding", "bothHandsStanding"];
const standing = (limits: ReturnType<typeof newcomerCaps>) =>
  limits.filter(({ channel }) => STANDING.includes(channel)).map(formatCapLimit);

const BOTH_HANDS = "Standing only with both hands on fixed support and a helper in reach";

describe("how someone stands, by the four-stage stand", () => {
  test.each<[StandStage, string[]]>([
    ["none", ["Balance demand: up to 1 out of 10", BOTH_HANDS]],
    ["hipWidth", ["Balance demand: up to 3 out of 10"]],
    ["sideBySide", ["Balance demand: up to 4 out of 10"]],
    ["semiTandem", ["Balance demand: up to 5 out of 10"]],
    ["tandem", ["Balance demand: up to 6.5 out of 10"]],
    ["oneLeg", ["Balance demand: up to 8 out of 10"]],
  ])("%s, before release as after it", (stage, words) => {
    expect(standing(newcomerCaps(stage))).toEqual(words);
    expect(standing(capsAfterNewcomer(stage))).toEqual(words);
  });

  test("until it is tested: three, with a hand on something", () => {
    expect(standing(newcomerCaps(null))).toEqual(["Balance demand: up to 3 out of 10", "Standing only with hand support"]);
  });
});

describe("who walks with an aid", () => {
  const words = (aid: "frame" | "stick", stage: StandStage | null) =>
    capsOfAids("p", [aid], stage, "2026-10-14").map(({ limit }) => formatCapLimit(limit));

  test("a frame: both hands on it or on something as firm, until feet together are held", () => {
    expect(words("frame", null)).toEqual([BOTH_HANDS]);
    expect(words("frame", "hipWidth")).toEqual([BOTH_HANDS]);
    expect(words("frame", "sideBySide")).toEqual(["Standing only with hand support"]);
  });

  test("a stick: with a hold, whatever was tested; without an aid nothing", () => {
    expect(words("stick", "oneLeg")).toEqual(["Standing only with hand support"]);
    expect(capsOfAids("p", [], null, "2026-10-14")).toEqual([]);
  });
});
