import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { chestAxes, pelvisAxes, pointAt } from "../body/body-axes.ts";
import { rangeNamed, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { dot, minus, unit, type Vector } from "../body/vector.ts";
import { present } from "../checked-access.ts";
import { type Side, sideSign } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { movementProblems } from "./check-movement.ts";
import type { Anchor, Movement, RestingPalm } from "./format.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack, type VariantSamples } from "./samples.ts";
import { valueAt } from "./solved-samples.ts";
import { type Track, trackOf } from "./track.ts";
import { evenSizes, FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "./variant.ts";

const { entry: _, exit: __, ...breath } = load("settling-breath");

/** Both hands from beside the body to a place on it, and back. */
const resting = (anchor: Anchor, palm?: RestingPalm): Movement => ({
  ...breath,
  vary: {},
  forms: { standing: {}, supported: false, seated: {} },
  keys: [
    { at: 0, arms: { elevation: 15, plane: 40, elbow: 30, forearm: 10 } },
    { at: 0.4, breath: "in", arms: { anchor, ...(palm && { palm }) } },
    { at: 0.6, breath: "in", spine: { flexion: 2 } },
    { at: 1, breath: "out", like: 0 },
  ],
});

const tracked = (movement: Movement, choice: VariantSpec = FULL_STANDING_VARIANT, lead: Side = "right"): Track =>
  present(trackOf(movement, choice, lead), "track");
/** The number of the sample in which the hands have arrived, 8 stretches after the first. */
const ARRIVED = 9;

const rowOf = ({ rows, count }: VariantSamples, sample: number): Float64Array =>
  rows.subarray((sample * rows.length) / count, ((sample + 1) * rows.length) / count);

/** The way that a palm looks. */
const palmOf = (row: Float64Array, side: Side): Vector =>
  unit(minus(pointAt(row, sidedPointColumn("palm", side)), pointAt(row, sidedPointColumn("handCentre", side))));

/** The way out of the body at some places, from the frames of pelvis and chest alone. */
const OUTWARD: Readonly<Partial<Record<Anchor, (row: Float64Array, side: Side) => Vector>>> = {
  belly: (row) => pelvisAxes(row).ahead,
  lowBack: (row) => pelvisAxes(row).ahead.map((value) => -value) as unknown as Vector,
  chest: (row) => chestAxes(row).ahead,
  hip: (row, side) => pelvisAxes(row).right.map((value) => value * sideSign(side)) as unknown as Vector,
};

describe("the palm of a resting hand", () => {
  test("of a hanging arm looks at the body: the zero of the forearm", () => {
    const hanging = resting("belly");
    const keys = hanging.keys.map((key, i) =>
      i === 0 ? { ...key, arms: { elevation: 0, plane: 90, axial: 0, elbow: 0 } } : key,
    );
    const row = rowOf(sampleTrack(tracked({ ...hanging, keys })), 0);
    expect(palmOf(row, "right")[2]).toBeLessThan(-0.9);
    expect(palmOf(row, "left")[2]).toBeGreaterThan(0.9);
  });

  test.each(["belly", "chest", "hip", "lowBack"] as const)("on the %s looks into the body, and away from it", (anchor) => {
    const look = (palm: RestingPalm, side: Side): number => {
      const row = rowOf(sampleTrack(tracked(resting(anchor, palm))), ARRIVED);
      return dot(palmOf(row, side), present(OUTWARD[anchor], anchor)(row, side));
    };
    for (const side of ["left", "right"] as const) {
      expect(look("on", side), `${side} on`).toBeLessThan(look("away", side) - 0.4);
      expect(look("on", side), `${side} on`).toBeLessThan(-0.2);
    }
  });

  test("is turned as near to it as any turn of the forearm within its range", () => {
    const { lowest, highest } = rangeNamed("forearm");
    fc.assert(
      fc.property(
        fc.constantFrom("belly" as const, "chest" as const, "hip" as const),
        fc.constantFrom("on" as const, "away" as const),
        fc.constantFrom("left" as const, "right" as const),
        fc.double({ min: lowest, max: highest, noNaN: true }),
        (anchor, palm, side, other) => {
          const track = tracked(resting(anchor, palm));
          const samples = sampleTrack(track);
          const row = rowOf(samples, ARRIVED);
          const out = present(OUTWARD[anchor], anchor)(row, side);
          const wanted = palm === "on" ? -1 : 1;
          const found = wanted * dot(palmOf(row, side), out);
          const lookAt = (forearm: number): number => {
            const turned = tracked({
              ...resting(anchor),
              keys: resting(anchor).keys.map((key, i) => (i === 1 ? { ...key, arms: { anchor, forearm } } : key)),
            });
            return wanted * dot(palmOf(rowOf(sampleTrack(turned), ARRIVED), side), out);
          };
          // Where both ends of the range are about as near, either may be taken.
          const either = Math.abs(lookAt(lowest) - lookAt(highest)) < 0.36;
          expect(valueAt(samples, ARRIVED, sidedColumn("forearm", side))).toBeGreaterThanOrEqual(lowest);
          expect(found).toBeGreaterThanOrEqual(lookAt(other) - (either ? 0.36 : 1e-6));
        },
      ),
      { numRuns: cases(20, 80) },
    );
  });

  test("leaves the middle of the hand and the shoulder where they were: the wrist bends for it", () => {
    // Places within reach: a standing arm is too short for the middle of its thigh.
    for (const [choice, anchor] of [
      [FULL_STANDING_VARIANT, "belly"],
      [FULL_SEATED_VARIANT, "thigh"],
    ] as const) {
      const [as, on] = [resting(anchor), resting(anchor, "away")].map((each) => sampleTrack(tracked(each, choice)));
      for (const [name, within] of [
        ["handCentre", 0.004],
        ["shoulder", 0.00005],
      ] as const)
        for (let axis = 0; axis < 3; axis += 1) {
          const column = sidedPointColumn(name, "left") + axis;
          const moved = valueAt(present(on, "on"), ARRIVED, column) - valueAt(present(as, "as"), ARRIVED, column);
          expect(Math.abs(moved), `${name} ${axis} ${choice.kind}`).toBeLessThan(within);
        }
    }
  });

  test("leads with the left as the mirror image", () => {
    const one: Movement = { ...resting("thigh", "away"), sided: true };
    const led = { ...one, keys: one.keys.map(({ arms, ...key }) => ({ ...key, ...(arms && { leadArm: arms }) })) };
    const forearm = (lead: Side) =>
      valueAt(sampleTrack(tracked(led, FULL_SEATED_VARIANT, lead)), ARRIVED, sidedColumn("forearm", lead));
    expect(forearm("right")).toBeCloseTo(forearm("left"), 6);
  });

  test("at half the size turns half as far on the way to its rest", () => {
    const forearm = (size: number) =>
      valueAt(
        sampleTrack(tracked(resting("belly", "on"), { ...FULL_STANDING_VARIANT, sizes: evenSizes(size) })),
        ARRIVED,
        sidedColumn("forearm", "right"),
      );
    expect(forearm(4)).toBeCloseTo(10 + (forearm(8) - 10) / 2, 6);
  });

  test("does not turn over on its way along the thigh", () => {
    for (const palm of ["on", "away"] as const) {
      const movement: Movement = {
        ...resting("thigh", palm),
        keys: [
          { at: 0, arms: { anchor: "upperThigh", palm } },
          { at: 0.5, breath: "in", arms: { anchor: "knee" }, spine: { flexion: 30 } },
          { at: 1, breath: "out", like: 0 },
        ],
      };
      const samples = sampleTrack(tracked(movement, FULL_SEATED_VARIANT));
      const turn = (at: number) => valueAt(samples, at, sidedColumn("forearm", "right"));
      for (let sample = 1; sample < samples.count; sample += 1)
        expect(Math.abs(turn(sample) - turn(sample - 1)), `${palm} at ${sample}`).toBeLessThan(40);
    }
  });

  test("is refused where the hand does not rest", () => {
    const free: Movement = {
      ...breath,
      keys: breath.keys.map((key, i) =>
        i === 1 ? { ...key, arms: { ...key.arms, anchor: undefined, elbow: 20, palm: "on" } } : key,
      ),
    };
    expect(movementProblems(free)).toContainEqual({ path: "keys[1].arms.palm", code: "palmNeedsRest" });
  });
});
