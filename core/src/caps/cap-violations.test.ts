import { describe, expect, test } from "vitest";
import { USUAL_BUILD } from "../body/build.ts";
import { REFERENCE_STATURE } from "../body/segments.ts";
import { onRail } from "../body/supports.ts";
import { createVariantCache, leadingSides } from "../fit/variant-cache.ts";
import type { Demand } from "../movement/demand.ts";
import type { Movement } from "../movement/format.ts";
import { load } from "../movement/library.fixture.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import { capOf } from "./cap.fixture.ts";
import type { CapLimit } from "./cap.ts";
import { repetitionsAllowed, repetitionsWithinHold, violatesCap } from "./cap-violations.ts";

const variants = createVariantCache();
const doer = { stature: REFERENCE_STATURE, build: USUAL_BUILD };
const BREATH = 8;
const ROUNDS = 6;
const demandsOf = (movement: Movement, choice: VariantSpec = FULL_STANDING_VARIANT): readonly Demand[] =>
  variants.demands(movement, choice, doer, BREATH, leadingSides(movement)) ?? [];
const breaksIt = (limit: CapLimit, id: string, choice: VariantSpec = FULL_STANDING_VARIANT, rounds = ROUNDS): boolean =>
  demandsOf(load(id), choice).some((demand) => violatesCap(capOf(limit), choice, demand, rounds));

/** Each channel with a limit that a movement keeps and a tighter one that it breaks. */
describe("a cap is broken by what goes beyond it and by nothing else", () => {
  test.each<[string, string, CapLimit, CapLimit]>([
    [
      "hand height",
      "shift-and-press",
      { channel: "handHeight", side: "right", limit: "crown" },
      { channel: "handHeight", side: "right", limit: "navel" },
    ],
    [
      "neck turn",
      "look-over-shoulder",
      { channel: "motion", motion: "neckRotation", side: "both", limit: 70 },
      { channel: "motion", motion: "neckRotation", side: "left", limit: 20 },
    ],
    [
      "rounding the spine",
      "round-and-open",
      { channel: "motion", motion: "spineFlexion", side: "both", limit: 55 },
      { channel: "motion", motion: "spineFlexion", side: "both", limit: 5 },
    ],
    [
      "hip",
      "march-opposite-hand",
      { channel: "motion", motion: "hipFlexion", side: "right", limit: 120 },
      { channel: "motion", motion: "hipFlexion", side: "right", limit: 30 },
    ],
    ["hands apart", "lift-and-part", { channel: "handSeparation", limit: 5 }, { channel: "handSeparation", limit: 1.2 }],
    [
      "Knee bend under load",
      "small-knee-bends",
      { channel: "loadedKnee", side: "both", limit: 60 },
      { channel: "loadedKnee", side: "left", limit: 10 },
    ],
    [
      "ankle",
      "shift-and-press",
      { channel: "dorsiflexion", side: "both", limit: 25 },
      { channel: "dorsiflexion", side: "both", limit: 8 },
    ],
    [
      "ankle with the knee straight",
      "shift-and-press",
      { channel: "straightKneeDorsiflexion", side: "both", limit: 30 },
      { channel: "straightKneeDorsiflexion", side: "both", limit: 3 },
    ],
    [
      "knee load",
      "side-weight-shift",
      { channel: "kneeLoad", side: "both", limit: 15 },
      { channel: "kneeLoad", side: "both", limit: 1 },
    ],
    [
      "shoulder load",
      "lift-and-part",
      { channel: "shoulderLoad", side: "both", limit: 100 },
      { channel: "shoulderLoad", side: "both", limit: 20 },
    ],
    ["low-back load", "hinge-and-lengthen", { channel: "lowBackLoad", limit: 15 }, { channel: "lowBackLoad", limit: 1 }],
    [
      "weight on a leg",
      "side-weight-shift",
      { channel: "legShare", side: "right", limit: 100 },
      { channel: "legShare", side: "right", limit: 50 },
    ],
    ["steadiness", "one-leg-toe-near", { channel: "steadiness", limit: 10 }, { channel: "steadiness", limit: 3 }],
    [
      "one leg at a time",
      "one-leg-toe-near",
      { channel: "oneLegSeconds", side: "both", limit: 60 },
      { channel: "oneLegSeconds", side: "left", limit: 1 },
    ],
    [
      "hand up at a time",
      "lift-and-part",
      { channel: "handsUpSeconds", side: "both", limit: 60 },
      { channel: "handsUpSeconds", side: "right", limit: 0 },
    ],
    ["hold", "low-and-still", { channel: "holdSeconds", limit: 120 }, { channel: "holdSeconds", limit: 1 }],
    ["shortest cycle", "settling-breath", { channel: "shortestCycle", limit: 8 }, { channel: "shortestCycle", limit: 9 }],
    [
      "size",
      "lift-and-part",
      { channel: "sizeShare", part: "leftArm", limit: 100 },
      { channel: "sizeShare", part: "leftArm", limit: 50 },
    ],
    [
      "feature",
      "tap-down-the-legs",
      { channel: "barredFeature", limit: "bounce" },
      { channel: "barredFeature", limit: "percussion" },
    ],
    [
      "fist",
      "fist-and-open",
      { channel: "barredFeature", limit: "eyesClosed" },
      { channel: "barredFeature", limit: "closedFist" },
    ],
    [
      "step back",
      "step-behind-and-home",
      { channel: "barredFeature", limit: "fullNeckCircle" },
      { channel: "barredFeature", limit: "unheldStepBack" },
    ],
  ])("%s, in %s", (_, id, kept, broken) => {
    expect(breaksIt(kept, id)).toBe(false);
    expect(breaksIt(broken, id)).toBe(true);
  });
});

describe("variants", () => {
  const held: VariantSpec = { ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("right") };
  test.each<[string, CapLimit, boolean, boolean, boolean]>([
    ["no standing", { channel: "noStanding" }, true, true, false],
    ["standing only with a hold", { channel: "heldStanding" }, true, false, false],
    ["not standing free", { channel: "barredForm", limit: "standing" }, true, false, false],
    ["not seated", { channel: "barredForm", limit: "seated" }, false, false, true],
    ["no pool", { channel: "barredForm", limit: "water" }, false, false, false],
  ])("%s", (_, limit, standing, supported, seated) => {
    expect(
      [FULL_STANDING_VARIANT, held, FULL_SEATED_VARIANT].map((choice) => breaksIt(limit, "settling-breath", choice)),
    ).toEqual([standing, supported, seated]);
  });

  test("a cap that holds in one variant says nothing of another", () => {
    const seatedOnly = capOf({ channel: "handHeight", side: "both", limit: "lap" }, { forms: ["seated"] });
    const movement = load("lift-and-part");
    expect(demandsOf(movement).some((demand) => violatesCap(seatedOnly, FULL_STANDING_VARIANT, demand, ROUNDS))).toBe(false);
    expect(
      demandsOf(movement, FULL_SEATED_VARIANT).some((demand) => violatesCap(seatedOnly, FULL_SEATED_VARIANT, demand, ROUNDS)),
    ).toBe(true);
  });

  test("stepping back with a hold is no unheld step", () => {
    expect(breaksIt({ channel: "barredFeature", limit: "unheldStepBack" }, "step-behind-and-home", held)).toBe(false);
  });
});

describe("over repetitions", () => {
  test("what lasts the whole repetition goes on through all of them", () => {
    // The arms stay out from the first repetition to the last.
    const arms: Movement = structuredClone(load("settling-breath"));
    for (const key of arms.keys) key.arms = { elevation: 120, plane: 60, elbow: 10 };
    const limit: CapLimit = { channel: "handsUpSeconds", side: "both", limit: 20 };
    const broken = (rounds: number) =>
      demandsOf(arms).some((demand) => violatesCap(capOf(limit), FULL_STANDING_VARIANT, demand, rounds));
    expect([broken(2), broken(3)]).toEqual([false, true]);
  });

  test("a cap on repetitions leaves fewer, and breaks nothing", () => {
    const [demand] = demandsOf(load("lift-and-part"));
    if (!demand) throw new Error("it has a standing form");
    const left = (...limits: CapLimit[]) =>
      repetitionsAllowed(
        limits.map((limit) => capOf(limit)),
        "standing",
        demand,
        7,
      );
    expect(left()).toBe(7);
    expect(left({ channel: "rounds", limit: 4 })).toBe(4);
    expect(left({ channel: "roundsShare", part: "all", limit: 50 })).toBe(3);
    expect(left({ channel: "roundsShare", part: "rightArm", limit: 50 })).toBe(3);
    // The neck keeps still in it.
    expect(left({ channel: "roundsShare", part: "neck", limit: 50 })).toBe(7);
    expect(left({ channel: "rounds", limit: 5 }, { channel: "roundsShare", part: "all", limit: 30 })).toBe(2);
  });

  test("half the held-out time is half the repetitions, or all of them with the arm at rest", () => {
    const movement = load("lift-and-part");
    const plannedDemands = demandsOf(movement);
    const left = (limit: number, choice: VariantSpec) =>
      repetitionsWithinHold(
        [capOf({ channel: "heldOutShare", side: "right", limit })],
        choice,
        demandsOf(movement, choice),
        plannedDemands,
        ROUNDS,
      );
    expect(left(50, FULL_STANDING_VARIANT)).toBe(3);
    expect(left(100, FULL_STANDING_VARIANT)).toBe(6);
    for (const limit of [50, 0]) expect(left(limit, { ...FULL_STANDING_VARIANT, arms: "left" })).toBe(6);
    expect(left(0, FULL_STANDING_VARIANT)).toBe(0);
  });

  test("an arm that hangs is not held out", () => {
    const hanging: Movement = structuredClone(load("settling-breath"));
    for (const key of hanging.keys) key.arms = { elevation: 4, plane: 20, elbow: 5 };
    const plannedDemands = demandsOf(hanging);
    const cap = capOf({ channel: "heldOutShare", side: "both", limit: 10 });
    expect(repetitionsWithinHold([cap], FULL_STANDING_VARIANT, plannedDemands, plannedDemands, ROUNDS)).toBe(ROUNDS);
  });
});
