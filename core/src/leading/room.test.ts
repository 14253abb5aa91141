import { describe, expect, test } from "vitest";
import { versionCode } from "../fit/version.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { isRoomOnFeet, risingBefore, shownVersion, versionsDone } from "./room.ts";

const standing = versionCode({ posture: "standing", legs: "planned", arms: "all" });
const higher = versionCode({ posture: "standing", legs: "higher", arms: "all" });
const holding = versionCode({ posture: "holding", legs: "planned", arms: "all" });
const seated = versionCode({ posture: "seated", legs: "planned", arms: "all" });
const onFeet = (version: number) => ({ onFeet: true, version });
const sits = { onFeet: false, version: seated };
const rests = { onFeet: false, version: null };
const STANDING = { plannedVariant: FULL_STANDING_VARIANT };
const SEATED = { plannedVariant: FULL_SEATED_VARIANT };

describe("what a room does", () => {
  test("it is on its feet with most of those who move; as many either way do as planned", () => {
    expect(isRoomOnFeet([onFeet(standing), onFeet(holding), sits, rests, rests], SEATED)).toBe(true);
    expect(isRoomOnFeet([onFeet(standing), sits, sits], STANDING)).toBe(false);
    expect(isRoomOnFeet([onFeet(standing), sits], STANDING)).toBe(true);
    expect(isRoomOnFeet([onFeet(standing), sits], SEATED)).toBe(false);
    expect(isRoomOnFeet([rests], SEATED)).toBe(false);
  });

  test("versions are listed in the order of cues, with who does each", () => {
    expect(versionsDone([onFeet(standing), sits, onFeet(holding), onFeet(standing), rests])).toEqual([
      { version: seated, people: [1] },
      { version: holding, people: [2] },
      { version: standing, people: [0, 3] },
    ]);
  });

  test("the version shown is the most used on the room's side, of equals the fuller", () => {
    const shown = (done: Parameters<typeof versionsDone>[0], up: boolean) => shownVersion(versionsDone(done), up);
    // Three sit, but five are on their feet: one of theirs is shown.
    const mixed = [sits, sits, sits, onFeet(standing), onFeet(standing), onFeet(holding), onFeet(holding), onFeet(higher)];
    expect(shown(mixed, true)).toBe(standing);
    expect(shown([...mixed, onFeet(holding)], true)).toBe(holding);
    expect(shown([onFeet(standing), onFeet(higher)], true)).toBe(standing);
    expect(shown([sits, sits, onFeet(standing)], false)).toBe(seated);
    expect(shown([rests], true)).toBeNull();
  });

  test("who stands up is who was off the feet", () => {
    expect(risingBefore([sits, rests, onFeet(standing)], [onFeet(standing), onFeet(holding), onFeet(standing)])).toEqual([0, 1]);
    expect(risingBefore([onFeet(standing)], [sits])).toEqual([]);
  });
});
