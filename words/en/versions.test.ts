import { VERSION_CODES, type Version, versionOf } from "@able-tide/core/fit/version";
import { describe, expect, test } from "vitest";
import { formatChange, formatVersionLoss, versionName } from "./versions.ts";

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
    expect(versionName(version({ posture: "holding", arms: "none" }))).toBe("Holding on, other arm rests");
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

  test("the loss is never said as a gain", () => {
    expect(formatVersionLoss(3, 0.9, 0.904)).toBe("At most 3 versions at a time: match 90.0%. With any number: 90.4%.");
    expect(formatVersionLoss(2, 0.9, 0.89)).toContain("With any number: 90.0%.");
  });
});
