import { describe, expect, test } from "vitest";
import { type Build, buildOf, USUAL_BODY, USUAL_BUILD } from "../body/build.ts";
import { pointColumn, ROW_WIDTH } from "../body/channels.ts";
import { itemAt, numberAt, present } from "../checked-access.ts";
import type { Movement } from "../movement/format.ts";
import { load, loadAll } from "../movement/library.fixture.ts";
import { sampleTrack, type VariantSamples } from "../movement/samples.ts";
import { segmentOfSample } from "../movement/solved-samples.ts";
import { trackOf } from "../movement/track.ts";
import { travelOf } from "../movement/travel.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantKind, type VariantSpec } from "../movement/variant.ts";
import { someOf } from "../test-size.fixture.ts";
import { bestView, type TELLING_VIEWS } from "./best-view.ts";
import { projection, VIEWS } from "./camera.ts";
import { figureParts } from "./figure-parts.ts";
import { type FramedPose, pictureOf, pictureOfRows } from "./framing.ts";
import { deepestHand } from "./hand-depth.ts";
import { surfaceOf } from "./mesh.ts";
import type { FigurePart } from "./part.ts";
import { tellingPoses } from "./telling-poses.ts";

const KINDS: Readonly<Record<VariantKind, VariantSpec>> = {
  standing: FULL_STANDING_VARIANT,
  supported: { ...FULL_STANDING_VARIANT, kind: "supported", hold: { by: "rail", hand: "left" } },
  seated: FULL_SEATED_VARIANT,
  water: { ...FULL_STANDING_VARIANT, kind: "water" },
};

function samplesOf(movement: Movement, choice: VariantSpec, build: Build = USUAL_BUILD): VariantSamples | null {
  const track = trackOf(movement, choice, "right", build);
  return track && sampleTrack(track);
}

const poseAt = (samples: VariantSamples, sample: number): FramedPose => ({
  row: samples.rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH),
  frame: segmentOfSample(samples, sample).frame,
});

const LIBRARY = loadAll();
const variants = (movement: Movement) => Object.values(KINDS).filter(({ kind }) => (movement.forms[kind] ?? false) !== false);

/** A centimetre on a body of 1.65 m, share of stature. */
const CENTIMETRE = 0.01 / 1.65;

describe.each(LIBRARY.map((movement) => [movement.id, movement] as const))("%s", (_, movement) => {
  test("has no hand more than a centimetre inside trunk, thigh or seat, in any sample of any variant", () => {
    for (const choice of variants(movement)) {
      const samples = samplesOf(movement, choice);
      if (samples === null) continue;
      for (let sample = 0; sample < samples.count; sample += 1) {
        const { row, frame } = poseAt(samples, sample);
        const found = deepestHand(row, frame, samples.build);
        const where = `${choice.kind} at ${numberAt(samples.phases, sample).toFixed(2)}: ${found?.side} in ${found?.inside}`;
        expect(found?.depth ?? 0, where).toBeLessThan(CENTIMETRE);
      }
    }
  });
});

/** Height of the highest point of a part, share of stature. */
const highestOf = (part: FigurePart): number => Math.max(...surfaceOf(part, 8).points.filter((_, axis) => axis % 3 === 1));

test("a chair in the pool is of bars with a belt, on land it is of wood or has large wheels", () => {
  const movement = load("settling-breath");
  const madeOf = (inWater: boolean, build: Build = USUAL_BUILD) => {
    const track = trackOf(movement, FULL_SEATED_VARIANT, "right", build, inWater);
    const { row, frame } = poseAt(sampleTrack(present(track, "a seated variant")), 0);
    const parts = figureParts(row, frame, build);
    const widest = Math.max(0, ...parts.filter(({ material }) => material === "tyre").map((part) => highestOf(part)));
    return {
      ...Object.fromEntries(
        (["sling", "metal", "wood"] as const).map((name) => [name, parts.some(({ material }) => material === name)]),
      ),
      large: widest > 0.2,
    };
  };
  const wheelchair = buildOf({ ...USUAL_BODY, wheelchair: true }, 1.65);
  const pool = { sling: true, metal: true, wood: false, large: false };
  expect(madeOf(true)).toEqual(pool);
  expect(madeOf(true, wheelchair)).toEqual(pool);
  expect(madeOf(false)).toEqual({ sling: false, metal: false, wood: true, large: false });
  expect(madeOf(false, wheelchair)).toEqual({ sling: false, metal: true, wood: false, large: true });
});

describe("a figure that repeats a movement", () => {
  test("ends a repetition where it begins the next, or one walk further on", () => {
    for (const movement of LIBRARY)
      for (const choice of variants(movement)) {
        const samples = samplesOf(movement, choice);
        if (samples === null) continue;
        const { ahead, aside } = travelOf(samples);
        const [first, last] = [poseAt(samples, 0).row, poseAt(samples, samples.count - 1).row];
        for (let column = pointColumn("pelvis"); column < ROW_WIDTH; column += 3) {
          const step = (axis: number): number => numberAt(last, column + axis) - numberAt(first, column + axis);
          const jump = Math.hypot(step(0) - ahead, step(1), step(2) - aside);
          // A foot that hangs and one that stands are turned by a degree or less to each other: 5 mm at the toes.
          expect(jump, `${movement.id} ${choice.kind} ${column}`).toBeLessThan(0.003);
        }
      }
  });
});

describe("the picture of a movement", () => {
  test("shows all of the body in every pose, from every view", () => {
    for (const movement of someOf(LIBRARY, 6))
      for (const choice of variants(movement)) {
        const samples = samplesOf(movement, choice);
        if (samples === null) continue;
        for (const view of ["facing", "oblique", "side", "above"] as const) {
          const { left, top, wide, high } = pictureOfRows(samples, (at) => segmentOfSample(samples, at).frame, VIEWS[view]);
          const put = projection(VIEWS[view]);
          for (let sample = 0; sample < samples.count; sample += 6) {
            const { row, frame } = poseAt(samples, sample);
            for (const part of figureParts(row, frame, samples.build).filter(
              ({ side, name }) => side !== null || name === "shirt",
            )) {
              const { points } = surfaceOf(part, 8);
              for (let i = 0; i < points.length; i += 3) {
                const { across, up } = put(numberAt(points, i), numberAt(points, i + 1), numberAt(points, i + 2));
                const inside = across >= left && across <= left + wide && up <= top && up >= top - high;
                expect(inside, `${movement.id} ${choice.kind} ${view}: ${part.name} at ${across}, ${up}`).toBe(true);
              }
            }
          }
        }
      }
  });

  test("is wide enough for a bed, a wheelchair and a rail", () => {
    const breath = load("settling-breath");
    const wide = (choice: VariantSpec, build: Build = USUAL_BUILD): number => {
      const samples = samplesOf(breath, choice, build);
      return samples ? pictureOf([poseAt(samples, 0)], VIEWS.side).wide : 0;
    };
    const bed = buildOf({ ...USUAL_BODY, sits: { seat: "bed", position: "back" } }, 1.65);
    expect(wide(FULL_SEATED_VARIANT, bed)).toBeGreaterThan(1.2);
    expect(wide(FULL_SEATED_VARIANT, buildOf({ ...USUAL_BODY, wheelchair: true }, 1.65))).toBeGreaterThan(0.5);
    expect(wide(KINDS.supported)).toBeGreaterThan(wide(KINDS.standing));
  });
});

describe("the view that tells a movement", () => {
  const viewOf = (id: string, choice: VariantSpec = FULL_STANDING_VARIANT): string => {
    const samples = samplesOf(load(id), choice);
    return samples ? bestView(samples) : "none";
  };

  test("is face to face where arms part and the trunk bends to the side", () => {
    for (const id of ["open-and-gather", "bend-like-a-reed", "lift-and-part", "side-weight-shift", "waves-with-both-hands"])
      expect(viewOf(id), id).toBe("facing");
  });

  test("is turned where the body goes ahead", () => {
    for (const id of [
      "shift-and-press",
      "row-the-boat",
      "hinge-and-lengthen",
      "settling-breath",
      "chin-glide",
      "walk-the-length",
    ])
      expect(viewOf(id), id).not.toBe("facing");
  });

  test("has the hand that holds on the far side", () => {
    for (const hand of ["left", "right"] as const) {
      const choice: VariantSpec = { ...KINDS.supported, hold: { by: "rail", hand } };
      const azimuths = LIBRARY.flatMap((movement) => {
        const samples = samplesOf(movement, choice);
        return samples ? [VIEWS[bestView(samples) as (typeof TELLING_VIEWS)[number]].azimuth] : [];
      });
      expect(azimuths.length).toBeGreaterThan(30);
      // Along the way ahead a rail looks like a post from the front.
      for (const azimuth of azimuths) expect(hand === "left" ? azimuth : -azimuth).toBeGreaterThan(0);
    }
  });

  test("has the wall of a pool on the far side", () => {
    expect(VIEWS[viewOf("wall-stand", KINDS.water) as (typeof TELLING_VIEWS)[number]].azimuth).toBeLessThan(0);
  });
});

describe("the poses that tell a movement", () => {
  test("are key poses in order, no two alike, no more than asked for, the first always among them", () => {
    for (const movement of LIBRARY) {
      const samples = samplesOf(movement, itemAt(variants(movement), 0));
      if (samples === null) continue;
      for (const most of [2, 4]) {
        const poses = tellingPoses(samples, most);
        expect(poses[0]).toBe(0);
        expect(poses.length).toBeLessThanOrEqual(most);
        expect([...new Set(poses)].sort((a, b) => a - b)).toEqual(poses);
      }
    }
  });

  test("of a press are its two ends, and of many steps those that differ the most", () => {
    const press = samplesOf(load("shift-and-press"), FULL_STANDING_VARIANT);
    expect(press && tellingPoses(press, 4)).toEqual([0, 9]);
    const steps = samplesOf(load("three-steps-and-back"), FULL_STANDING_VARIANT);
    expect(steps && tellingPoses(steps, 4).length).toBe(4);
  });
});
