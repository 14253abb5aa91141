import { describe, expect, test } from "vitest";
import { onRail } from "../body/supports.ts";
import type { Movement, MovementKey } from "./format.ts";
import { load } from "./library.fixture.ts";
import { stateProblems, statesOf, withStates } from "./start-and-end.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "./variant.ts";

const press = load("shift-and-press");
const entryOf = (differs: Partial<Movement>, choice = FULL_STANDING_VARIANT) => statesOf({ ...press, ...differs }, choice)?.entry;
const startingWith = (key: Partial<MovementKey>): Partial<Movement> => ({
  stance: { kind: "hip" },
  keys: [{ at: 0, ...key }, { at: 0.5 }, { at: 1, like: 0 }],
});

describe("where a repetition begins", () => {
  test.each<[string, Movement["stance"], object]>([
    ["feet together", { kind: "together" }, { feet: "together", foot: null }],
    ["hip wide", { kind: "hip" }, { feet: "hip", foot: null }],
    ["wide", { kind: "wide" }, { feet: "wide", foot: null }],
    ["a bow, the trailing foot in front", { kind: "bow", front: "trail" }, { feet: "bow", foot: "trail" }],
    ["instep to toe", { kind: "semiTandem", front: "lead" }, { feet: "semi", foot: "lead" }],
    ["heel to toe", { kind: "tandem", front: "lead" }, { feet: "tandem", foot: "lead" }],
  ])("%s", (_, stance, expected) => {
    expect(entryOf({ ...startingWith({}), stance })).toMatchObject(expected);
  });

  test.each<[string, Partial<MovementKey>, object]>([
    ["hands hanging, weight on both legs", {}, { hands: "down", load: "both" }],
    ["weight on the lead foot", { weight: 0.95 }, { load: "lead" }],
    ["weight on the trailing foot", { weight: 0.05 }, { load: "trail" }],
    ["hands in front", { arms: { elevation: 60, plane: 90, elbow: 60 } }, { hands: "front" }],
    ["Time with hands above shoulders", { arms: { elevation: 140, plane: 90 } }, { hands: "up" }],
  ])("%s", (_, key, expected) => {
    expect(entryOf(startingWith(key))).toMatchObject(expected);
  });

  test("follows the variant: what carries the body, and which hand holds on", () => {
    expect(entryOf({}, FULL_SEATED_VARIANT)).toMatchObject({ support: "seat", load: "both" });
    expect(entryOf({}, { ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("right") })).toMatchObject({
      hands: "holdLead",
    });
    expect(entryOf({}, { ...FULL_STANDING_VARIANT, kind: "supported", hold: { by: "frame", hand: "both" } })).toMatchObject({
      hands: "holdBoth",
    });
  });
});

describe("what a file says of it", () => {
  test("is filled in from the key poses, and what it leaves open stays open", () => {
    const { entry: _, exit: __, ...bare } = press;
    expect(withStates(bare as Movement)).toMatchObject({ entry: press.entry, exit: "entry" });
    const open = { ...press, entry: { feet: "bow", load: "both", hands: "any" } as const };
    expect(withStates(open).entry?.hands).toBe("any");
    expect(stateProblems(open)).toEqual([]);
  });

  test("is refused where the key poses contradict it, with the place", () => {
    const wrong = { ...press, entry: { feet: "bow", load: "lead", hands: "front" } as const };
    expect(stateProblems(wrong)).toEqual([
      { path: "entry.load", code: "contradictsKeyPose", requirement: { said: "lead", key: "first", has: "both" } },
    ]);
  });

  test("an exit that differs from the entry is told in full", () => {
    const ending = { ...press, ...startingWith({}), keys: [{ at: 0 }, { at: 1, weight: 0.95 }] };
    expect(withStates(ending).exit).toEqual({ feet: "hip", load: "lead", hands: "down" });
  });
});
