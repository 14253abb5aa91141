import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY } from "../body/build.ts";
import { pointColumn, sidedPointColumn } from "../body/channels.ts";
import { ON_ARMRESTS, onRail } from "../body/supports.ts";
import { otherSide, SIDES } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { movementProblems } from "./check-movement.ts";
import { readDemand } from "./demand.ts";
import type { Movement } from "./format.ts";
import { greatestJump, NO_JUMP } from "./jump.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { valueAt } from "./solved-samples.ts";
import { type Track, trackOf } from "./track.ts";
import { goesAlong, mayWalk, STAYS, type Travel, travelOf } from "./travel.ts";
import { evenSizes, FULL_STANDING_VARIANT, mirrorVariant, type VariantSpec } from "./variant.ts";

const toTheSide = load("side-steps-along");
const ahead = load("walk-the-length");
const PELVIS = pointColumn("pelvis");

function trackFor(movement: Movement, choice: VariantSpec = FULL_STANDING_VARIANT, lead: "left" | "right" = "right"): Track {
  const track = trackOf(movement, choice, lead);
  if (!track) throw new Error("no such variant");
  return track;
}

/** Where the hips are at the end of a repetition, measured from where they were. */
function hipsGone(track: Track): Travel {
  const samples = sampleTrack(track);
  const gone = (axis: 0 | 2) => valueAt(samples, samples.count - 1, PELVIS + axis) - valueAt(samples, 0, PELVIS + axis);
  return { ahead: gone(0), aside: gone(2) };
}

describe("a repetition that ends elsewhere", () => {
  test("goes as far as its key poses say: .11 H to the leading side, .26 H ahead", () => {
    expect(travelOf(trackFor(toTheSide))).toEqual({ ahead: 0, aside: expect.closeTo(0.11, 9) });
    expect(travelOf(trackFor(toTheSide, FULL_STANDING_VARIANT, "left"))).toEqual({ ahead: 0, aside: expect.closeTo(-0.11, 9) });
    expect(travelOf(trackFor(ahead))).toEqual({ ahead: expect.closeTo(0.26, 9), aside: 0 });
    expect(travelOf(trackFor(load("three-steps-and-back")))).toEqual(STAYS);
  });

  test("takes the whole body there, for every body, size and leading side", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(toTheSide, ahead),
        fc.constantFrom(1.45, 1.6, 1.75, 1.9),
        fc.constantFrom(1, 3, 5, 8),
        fc.constantFrom(...SIDES),
        (movement, stature, size, lead) => {
          const choice = { ...FULL_STANDING_VARIANT, sizes: evenSizes(size) };
          const track = trackOf(movement, choice, lead, buildOf(USUAL_BODY, stature));
          if (!track) throw new Error("done standing");
          const way = lead === "right" ? 1 : -1;
          const expected: Travel =
            movement === ahead ? { ahead: (0.26 * size) / 8, aside: 0 } : { ahead: 0, aside: (way * 0.11 * size) / 8 };
          expect(travelOf(track).ahead).toBeCloseTo(expected.ahead, 9);
          expect(travelOf(track).aside).toBeCloseTo(expected.aside, 9);
          const gone = hipsGone(track);
          expect(gone.ahead).toBeCloseTo(expected.ahead, 6);
          expect(gone.aside).toBeCloseTo(expected.aside, 6);
          expect(greatestJump(sampleTrack(track)).by).toBeLessThan(NO_JUMP);
        },
      ),
      { numRuns: cases(16, 32) },
    );
  });

  test("legs of no size take the body nowhere", () => {
    const still = trackFor(ahead, { ...FULL_STANDING_VARIANT, sizes: { ...FULL_STANDING_VARIANT.sizes, legs: 0 } });
    expect(travelOf(still)).toEqual(STAYS);
    expect(readDemand(sampleTrack(still), { stature: 1.65 }, 12).steps).toEqual([]);
  });

  test("counts a step of each foot, and the mirror image the same on the other side", () => {
    const steps = (lead: "left" | "right") =>
      readDemand(sampleTrack(trackFor(toTheSide, mirrorVariant(FULL_STANDING_VARIANT), lead)), { stature: 1.65 }, 12).steps;
    expect(steps("right").map(({ side, direction }) => `${side} ${direction}`)).toEqual(["right aside", "left aside"]);
    expect(steps("left").map(({ side }) => otherSide(side))).toEqual(["right", "left"]);
  });

  test("is told of a movement whatever its variants", () => {
    expect(mayWalk(ahead)).toBe(true);
    expect(mayWalk({ ...ahead, forms: { ...ahead.forms, standing: false, supported: false, water: false } })).toBe(false);
    expect(mayWalk(load("three-steps-and-back"))).toBe(false);
  });

  test("stays on the chair", () => {
    expect(travelOf(trackFor(ahead, { ...FULL_STANDING_VARIANT, kind: "seated" }))).toEqual(STAYS);
  });
});

describe("what is held on the way", () => {
  test("a stick comes along, a rail beside the body does not", () => {
    expect(goesAlong({ ahead: 0.2, aside: 0 }, { by: "stick", hand: "left" })).toBe(true);
    expect(goesAlong({ ahead: 0.2, aside: 0 }, onRail("left"))).toBe(false);
    expect(goesAlong({ ahead: 0, aside: 0.2 }, onRail("left"))).toBe(false);
    expect(goesAlong({ ahead: 0, aside: 0.2 }, { by: "rail", hand: "both" })).toBe(true);
    expect(goesAlong({ ahead: 0.2, aside: 0 }, ON_ARMRESTS)).toBe(false);
    expect(goesAlong(STAYS, onRail("left"))).toBe(true);
    expect(trackOf(ahead, { ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("right") }, "right")).toBeNull();
  });

  test("the hand that holds stays as far from the middle of the feet as it was", () => {
    const stick = trackFor(ahead, { ...FULL_STANDING_VARIANT, kind: "supported", hold: { by: "stick", hand: "right" } });
    const samples = sampleTrack(stick);
    expect(samples.problem).toBeNull();
    const hand = sidedPointColumn("handCentre", "right");
    expect(valueAt(samples, samples.count - 1, hand) - valueAt(samples, 0, hand)).toBeCloseTo(0.26, 6);
  });
});

describe("what cannot be walked", () => {
  const withKeys = (movement: Movement, change: (key: Movement["keys"][number], i: number) => object): Movement => ({
    ...movement,
    keys: movement.keys.map((key, i) => ({ ...key, ...change(key, i) })),
  });

  test("a chair that would be left behind", () => {
    const inherits: Movement = { ...ahead, forms: { ...ahead.forms, seated: {} } };
    expect(movementProblems(inherits)).toContainEqual({ path: "forms.seated", code: "travelsOnChair" });
  });

  test("a way that only one side leads", () => {
    expect(movementProblems({ ...ahead, sided: false })).toContainEqual({ path: "forms.standing", code: "travelNeedsSides" });
  });

  test("ahead and to the side at once", () => {
    const slanting = withKeys(ahead, ({ leadFoot, trailFoot }) => ({
      ...(leadFoot?.ahead && { leadFoot: { ...leadFoot, outward: 0.05 } }),
      ...(trailFoot?.ahead && { trailFoot: { ...trailFoot, outward: -0.05 } }),
    }));
    expect(movementProblems(slanting)).toContainEqual({ path: "forms.standing", code: "travelsTwoWays" });
  });

  test("one foot that ends further on than the other", () => {
    const uneven = withKeys(ahead, ({ leadFoot }, i) => (i === 6 ? { leadFoot: { ...leadFoot, ahead: 0.2 } } : {}));
    expect(movementProblems(uneven).map(({ code }) => code)).toContain("footLeavesUnderLoad");
  });
});
