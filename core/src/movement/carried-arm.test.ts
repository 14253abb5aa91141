import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { type Build, buildOf, massIndexes, USUAL_BODY, WHOLE } from "../body/build.ts";
import { ROW_WIDTH, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { MASS } from "../body/segments.ts";
import { minus, type Vector } from "../body/vector.ts";
import { itemAt, numberAt, present } from "../checked-access.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { CARRIED_UP_TO } from "./carried-arm.ts";
import { readDemand } from "./demand.ts";
import { load, loadAll } from "./library.fixture.ts";
import { mirrorDemand } from "./mirror-demand.ts";
import { sampleTrack, type VariantSamples } from "./samples.ts";
import { trackOf } from "./track.ts";
import {
  evenSizes,
  FULL_SEATED_VARIANT,
  FULL_STANDING_VARIANT,
  mirrorVariant,
  type VariantSpec,
  variantCode,
} from "./variant.ts";

const carriedOn = (side: Side): Build =>
  buildOf({ ...USUAL_BODY, arms: side === "left" ? [{ kind: "carried" }, WHOLE] : [WHOLE, { kind: "carried" }] }, 1.65);
const LEFT = carriedOn("left");
const RIGHT = carriedOn("right");
const STANDING: VariantSpec = { ...FULL_STANDING_VARIANT, carried: "left" };
const SEATED: VariantSpec = { ...FULL_SEATED_VARIANT, carried: "left" };

const solved = (id: string, choice: VariantSpec = STANDING, build = LEFT): VariantSamples | null => {
  const track = trackOf(load(id), choice, "right", build);
  return track && sampleTrack(track);
};
const whole = (id: string, choice: VariantSpec = STANDING): VariantSamples => {
  const samples = present(solved(id, choice), id);
  expect(samples.problem).toBeNull();
  return samples;
};
const point = (samples: VariantSamples, sample: number, name: Parameters<typeof sidedPointColumn>[0], side: Side): Vector => {
  const from = sample * ROW_WIDTH + sidedPointColumn(name, side);
  return [numberAt(samples.rows, from), numberAt(samples.rows, from + 1), numberAt(samples.rows, from + 2)];
};
const reading = (samples: VariantSamples, sample: number, name: "shoulderLoad" | "shoulderElevation", side: Side): number =>
  numberAt(samples.rows, sample * ROW_WIDTH + sidedColumn(name, side));
const each = (samples: VariantSamples): number[] => Array.from({ length: samples.count }, (_, sample) => sample);

/** Movements whose arms both lift in front, and how they are done. */
const CARRIED = ["settling-breath", "shift-and-press", "row-the-boat", "small-knee-bends"];

describe("an arm that the other hand carries", () => {
  test.each(CARRIED.flatMap((id) => [STANDING, SEATED].map((choice) => [id, choice.kind, choice] as const)))(
    "in %s, %s, rests on that hand near the elbow all along, away from wrist and hand",
    (id, _, choice) => {
      const samples = whole(id, choice);
      for (const sample of each(samples)) {
        const hand = point(samples, sample, "handCentre", "right");
        const far = (name: "elbowJoint" | "wristJoint" | "handCentre") =>
          Math.hypot(...minus(hand, point(samples, sample, name, "left")));
        expect(far("elbowJoint")).toBeLessThan(far("wristJoint"));
        expect(far("handCentre")).toBeGreaterThan(0.08);
      }
      expect(samples.reading.features).toContain("leftArmCarried");
    },
  );

  test("is lifted to 90 degrees at most, in every variant that there is of any movement, at any size", () => {
    let variants = 0;
    for (const movement of loadAll())
      for (const base of [STANDING, SEATED])
        for (const size of [8, 5, 1]) {
          const track = trackOf(movement, { ...base, sizes: evenSizes(size) }, "right", LEFT);
          if (track === null) continue;
          const samples = sampleTrack(track);
          if (samples.problem !== null) continue;
          variants += 1;
          for (const sample of each(samples))
            expect(reading(samples, sample, "shoulderElevation", "left")).toBeLessThanOrEqual(CARRIED_UP_TO + 1e-9);
        }
    expect(variants).toBeGreaterThan(50);
    const free = sampleTrack(present(trackOf(load("row-lift-and-settle"), FULL_STANDING_VARIANT, "right"), "free"));
    expect(Math.max(...each(free).map((sample) => reading(free, sample, "shoulderElevation", "left")))).toBeGreaterThan(110);
  });

  test.each(CARRIED)("in %s weighs on the shoulder of the other as the levers say, and on its own as little as can be", (id) => {
    const samples = whole(id);
    const { masses, bareArmMoment } = LEFT;
    /** Weight times horizontal lever about a shoulder, and the weight, from the points and the table of masses. */
    const arm = (sample: number, side: Side) => {
      const [shoulder, elbow, wrist, hand] = (["shoulder", "elbowJoint", "wristJoint", "handCentre"] as const).map((name) =>
        point(samples, sample, name, side),
      ) as [Vector, Vector, Vector, Vector];
      const parts = [
        ["upperArm", shoulder, elbow, MASS.upperArm.at],
        ["forearm", elbow, wrist, MASS.forearm.at],
        ["hand", wrist, hand, 1],
      ] as const;
      let [x, z, weight] = [0, 0, 0];
      for (const [segment, from, to, along] of parts) {
        const share = numberAt(masses, massIndexes(segment)[sideIndex(side)]);
        x += share * (from[0] + along * (to[0] - from[0]) - shoulder[0]);
        z += share * (from[2] + along * (to[2] - from[2]) - shoulder[2]);
        weight += share;
      }
      return { x, z, weight };
    };
    for (const sample of each(samples)) {
      const carried = arm(sample, "left");
      const own = arm(sample, "right");
      const hand = point(samples, sample, "handCentre", "right");
      const [fromLeft, fromRight] = SIDES.map((side) => minus(hand, point(samples, sample, "shoulder", side))) as [
        Vector,
        Vector,
      ];
      // By trying out: what the hand takes so that least is left, in thousandths of the arm's weight.
      const left = (force: number) => Math.hypot(carried.x - force * fromLeft[0], carried.z - force * fromLeft[2]);
      const forces = Array.from({ length: 1001 }, (_, i) => (i / 1000) * carried.weight);
      const best = forces.reduce((a, b) => (left(b) < left(a) ? b : a));
      const carrying = Math.hypot(own.x + best * fromRight[0], own.z + best * fromRight[2]);
      expect(reading(samples, sample, "shoulderLoad", "left")).toBeCloseTo(left(best) / bareArmMoment[0], 2);
      expect(reading(samples, sample, "shoulderLoad", "right")).toBeCloseTo(carrying / bareArmMoment[1], 2);
    }
    const most = (of: VariantSamples, side: Side) =>
      Math.max(...each(of).map((sample) => reading(of, sample, "shoulderLoad", side)));
    const free = sampleTrack(present(trackOf(load(id), FULL_STANDING_VARIANT, "right"), id));
    expect(most(samples, "left")).toBeLessThan(most(free, "left"));
    expect(most(samples, "right")).toBeGreaterThan(most(free, "right"));
  });

  test("on the right is the mirror image of one on the left", () => {
    fc.assert(
      fc.property(fc.constantFrom(...CARRIED), fc.integer({ min: 1, max: 8 }), fc.boolean(), (id, size, seated) => {
        const movement = load(id);
        const choice = { ...(seated ? SEATED : STANDING), sizes: evenSizes(size) };
        expect(mirrorVariant(mirrorVariant(choice))).toEqual(choice);
        const read = (spec: VariantSpec, lead: Side, build: Build) => {
          const track = trackOf(movement, spec, lead, build);
          return track && readDemand(sampleTrack(track), { stature: 1.65 }, 6 * movement.breaths);
        };
        const here = present(read(choice, "right", LEFT), "left");
        const there = mirrorDemand(present(read(mirrorVariant(choice), "left", RIGHT), "right"));
        expect(there.features).toEqual(here.features);
        here.highest.forEach((value, i) => {
          expect(numberAt(there.highest, i)).toBeCloseTo(value, 6);
        });
      }),
      { numRuns: cases(12, 60) },
    );
  });

  test("has a number of its own among the variants", () => {
    const codes = [FULL_STANDING_VARIANT, STANDING, mirrorVariant(STANDING), SEATED].map(variantCode);
    expect(new Set(codes).size).toBe(4);
  });

  test.each([
    ["arms that do not do the same", "slow-punch", STANDING],
    ["arms that hang still", "chin-glide", STANDING],
    ["hands that have work of their own", "fist-and-open", STANDING],
    ["hands that rest on the body", "warm-the-low-back", STANDING],
    ["a hand on the rail", "shift-and-press", { ...STANDING, kind: "supported", hold: { by: "rail", hand: "right" } }],
    ["one arm alone", "shift-and-press", { ...STANDING, arms: "left" }],
    ["the arm that is whole", "shift-and-press", { ...STANDING, carried: "right" }],
  ] as const)("is not carried with %s", (_, id, choice) => {
    expect(solved(id, choice)).toBeNull();
  });

  test("is not carried where the hand does not get there: arms that part", () => {
    expect(present(solved("press-then-open"), "track").problem?.what).toMatchObject({ kind: "armTooShort", side: "right" });
  });

  test("is not carried where no hand is left to carry it", () => {
    const both = buildOf({ ...USUAL_BODY, arms: [{ kind: "carried" }, { kind: "still" }] }, 1.65);
    expect(solved("shift-and-press", STANDING, both)).toBeNull();
    expect(solved("shift-and-press", STANDING, buildOf(USUAL_BODY, 1.65))).toBeNull();
  });

  test("where it rests instead, keeps still", () => {
    const samples = present(solved("shift-and-press", FULL_STANDING_VARIANT), "rests");
    const heights = each(samples).map((sample) => reading(samples, sample, "shoulderElevation", "left"));
    expect(Math.max(...heights) - Math.min(...heights)).toBeLessThan(5);
    expect(itemAt(samples.segments, 0).frame.hands).toEqual(["onBody", "free"]);
  });
});
