import { VERSION_CODES, type Version, versionOf } from "@able-tide/core/fit/version";
import { FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { describe, expect, test } from "vitest";
import { formatChange, formatOutOfWater, formatOwnChange, formatVersionLoss, formatVersions, versionName } from "./versions.ts";

const version = (some: Partial<Version>): Version => ({ posture: "standing", legs: "planned", arms: "all", ...some });
const NAMES = new Map([
  ["a", "Bela"],
  ["b", "Ruud"],
  ["c", "Wenna"],
]);
const change = { room: null, rise: [], sit: [], hands: [], waves: 0, seconds: 10 };

describe("versions in words", () => {
  test("name the posture, then what is left out of it", () => {
    expect(versionName(version({}))).toBe("Standing");
    expect(versionName(version({ legs: "higher", arms: "one" }))).toBe("Standing, higher, one arm");
    expect(versionName(version({ posture: "holding", arms: "none" }))).toBe("Holding on, arms rest");
    expect(versionName(version({ posture: "seated", arms: "none" }))).toBe("Seated, arms rest");
    expect(versionName(version({ posture: "atWall", legs: "still" }))).toBe("At the wall, arms only");
  });

  test("no two versions have one name", () => {
    const names = Array.from({ length: VERSION_CODES }, (_, code) => versionName(versionOf(code)));
    expect(new Set(names).size).toBe(VERSION_CODES);
  });

  test("a change says who, with whose hand and for how long", () => {
    expect(formatChange({ ...change, room: "rise", rise: ["a", "b", "c"], hands: ["a"], waves: 1 }, NAMES)).toBe(
      "Stand up together: everyone. A hand for Bela. 10 s",
    );
    expect(formatChange({ ...change, rise: ["b"], sit: ["c"] }, NAMES)).toBe("Stand up: Ruud. Sit down: Wenna. 10 s");
    expect(formatChange({ ...change, room: "sit", sit: ["a", "c"], seconds: 6 }, NAMES)).toBe(
      "Sit down together: Bela, Wenna. 6 s",
    );
  });

  test("a movement's versions say who, the shown one in short where it is most", () => {
    const shownVariant = FULL_STANDING_VARIANT;
    const four = new Map([...NAMES, ["d", "Osei"], ["e", "Pilar"]]);
    const of = (some: Partial<Version>, people: readonly string[]) => ({
      ...version(some),
      people,
      besides: false,
      variant: shownVariant,
    });
    const seated = of({ posture: "seated" }, ["a"]);
    expect(formatVersions({ versions: [seated, of({}, ["b", "c", "d"])], shown: 1, apart: ["e"] }, four)).toEqual([
      "Seated: Bela",
      "Standing, shown: Ruud, Wenna, Osei",
      "Breathing along or resting: Pilar",
    ]);
    expect(formatVersions({ versions: [seated, of({}, ["b", "c", "d", "e"])], shown: 1, apart: [] }, four)).toEqual([
      "Seated: Bela",
      "Standing, shown: everyone else",
    ]);
    expect(formatVersions({ versions: [of({}, ["a", "b", "c"])], shown: 0, apart: [] }, NAMES)).toEqual([
      "Standing, shown: everyone",
    ]);
  });

  test("who stays out of the water is told once, not in every movement", () => {
    const wall = { ...version({ posture: "atWall" }), people: ["a", "b"], besides: false, variant: FULL_STANDING_VARIANT };
    const inIt = new Map([...NAMES].filter(([id]) => id !== "c"));
    expect(formatOutOfWater(["c"], NAMES)).toBe("Not in the water: Wenna.");
    expect(formatOutOfWater([], NAMES)).toBe("");
    expect(formatVersions({ versions: [wall], shown: 0, apart: ["c"] }, inIt)).toEqual(["At the wall, shown: everyone"]);
  });

  test("one participant is told what they do before a movement", () => {
    const together = { ...change, rise: ["a", "b"], sit: ["c"], hands: ["a"] };
    expect(["a", "b", "c", "d"].map((id) => formatOwnChange(together, id))).toEqual([
      "Stand up with a helper's hand",
      "Stand up",
      "Sit down",
      "",
    ]);
    expect(formatOwnChange(null, "a")).toBe("");
  });

  test("the loss is never said as a gain", () => {
    expect(formatVersionLoss(3, 0.9, 0.904)).toBe("At most 3 versions at a time: match 90.0%. With any number: 90.4%.");
    expect(formatVersionLoss(2, 0.9, 0.89)).toContain("With any number: 90.0%.");
  });
});
