import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt, numberAt, present } from "../checked-access.ts";
import { loadAll } from "../movement/library.fixture.ts";
import { sampleTrack, type VariantSamples } from "../movement/samples.ts";
import { segmentOfSample } from "../movement/solved-samples.ts";
import { trackOf } from "../movement/track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { anyPose } from "./any-pose.fixture.ts";
import { pointAt } from "./body-axes.ts";
import { FIST_COLUMNS, ROW_WIDTH, sidedPointColumn } from "./channels.ts";
import { isOnSupport, mirrorPose } from "./pose.ts";
import { solvePose } from "./solve.ts";
import { onRail } from "./supports.ts";
import { dot, minus, unit, type Vector } from "./vector.ts";

const AHEAD = 0.03;
const fingersOf = (row: Float64Array, side: Side): Vector =>
  unit(minus(pointAt(row, sidedPointColumn("fingertip", side)), pointAt(row, sidedPointColumn("wristJoint", side))));
const palmOf = (row: Float64Array, side: Side): Vector =>
  minus(pointAt(row, sidedPointColumn("palm", side)), pointAt(row, sidedPointColumn("handCentre", side)));

describe("the palm of any pose", () => {
  test("is .03 H before the middle of the hand, square to its fingers", () => {
    fc.assert(
      fc.property(anyPose, (pose) => {
        const { row } = solvePose(pose);
        for (const side of SIDES) {
          const palm = palmOf(row, side);
          expect(Math.hypot(...palm)).toBeCloseTo(AHEAD, 9);
          expect(dot(palm, fingersOf(row, side))).toBeCloseTo(0, 9);
        }
      }),
      { numRuns: cases(100, 400) },
    );
  });

  test("is mirrored with the pose", () => {
    fc.assert(
      fc.property(anyPose, (pose) => {
        const [row, mirrored] = [solvePose(pose).row.slice(), solvePose(mirrorPose(pose)).row.slice()];
        const [right, left] = [palmOf(row, "right"), palmOf(mirrored, "left")];
        expect(left[0]).toBeCloseTo(right[0], 9);
        expect(left[1]).toBeCloseTo(right[1], 9);
        expect(left[2]).toBeCloseTo(-right[2], 9);
        expect(numberAt(mirrored, FIST_COLUMNS[0])).toBe(numberAt(row, FIST_COLUMNS[1]));
      }),
      { numRuns: cases(60, 200) },
    );
  });
});

const rowsOf = (samples: VariantSamples) =>
  Array.from({ length: samples.count }, (_, sample) => ({
    row: samples.rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH),
    frame: segmentOfSample(samples, sample).frame,
  }));

/** Hands of the shipped movements in a variant that hold on to something, or rest on the own body. */
const handsIn = (choice: VariantSpec, what: "held" | "rests") =>
  loadAll().flatMap((movement) => {
    const track = trackOf(movement, choice, "right");
    if (!track) return [];
    return rowsOf(sampleTrack(track)).flatMap(({ row, frame }) =>
      SIDES.filter((side) => {
        const hand = itemAt(frame.hands, sideIndex(side));
        return what === "held" ? isOnSupport(hand) : hand === "onBody";
      }).map((side) => ({ palm: unit(palmOf(row, side)), fist: numberAt(row, FIST_COLUMNS[sideIndex(side)]), row, side })),
    );
  });

describe("a hand that holds or rests", () => {
  test("lies palm down on the rail and closes around it", () => {
    const held = handsIn({ ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("right") }, "held");
    expect(held.length).toBeGreaterThan(500);
    for (const { palm, fist, row, side } of held) {
      // As far down as any direction square to the fingers.
      expect(palm[1]).toBeCloseTo(-Math.sqrt(1 - fingersOf(row, side)[1] ** 2), 6);
      expect(palm[1]).toBeLessThan(0);
      expect(fist).toBe(0.75);
    }
  });

  test("rests its fingertips on the rail open", () => {
    const held = handsIn({ ...FULL_STANDING_VARIANT, kind: "supported", hold: { by: "fingertips", hand: "right" } }, "held");
    expect(Math.max(...held.map(({ fist }) => fist))).toBe(0);
  });

  test("lies palm down on the thigh of a body that sits, and on the belly of one that stands", () => {
    const seated = handsIn({ ...FULL_SEATED_VARIANT, arms: "right" }, "rests");
    expect(seated.length).toBeGreaterThan(500);
    for (const { palm } of seated) expect(palm[1]).toBeLessThan(-0.5);
    const standing = handsIn({ ...FULL_STANDING_VARIANT, arms: "right" }, "rests");
    expect(standing.length).toBeGreaterThan(500);
    for (const { palm, row, side } of standing) {
      const pelvis = pointAt(row, sidedPointColumn("hip", side));
      const inward = minus(pelvis, pointAt(row, sidedPointColumn("handCentre", side)));
      expect(palm[0] * inward[0] + palm[2] * inward[2]).toBeGreaterThan(0);
    }
  });

  test("a hand that moves is closed as its key pose says", () => {
    const fist = present(
      loadAll().find(({ id }) => id === "fist-and-open"),
      "fist and open",
    );
    const track = present(trackOf(fist, FULL_SEATED_VARIANT, "right"), "track");
    const closed = rowsOf(sampleTrack(track)).map(({ row }) => numberAt(row, FIST_COLUMNS[1]));
    expect(Math.max(...closed)).toBeGreaterThan(0.9);
    expect(Math.min(...closed)).toBe(0);
  });
});
