import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY } from "../body/build.ts";
import { column, pointColumn, sidedColumn } from "../body/channels.ts";
import type { FurnitureName } from "../body/seats.ts";
import { SHARE } from "../body/segments.ts";
import { ON_ARMRESTS } from "../body/supports.ts";
import { present } from "../checked-access.ts";
import { bodyOnSeat } from "../setup/seating.ts";
import { SIDES } from "../side.ts";
import { readDemand } from "./demand.ts";
import { greatestJump, NO_JUMP } from "./jump.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { segmentOfSample, valueAt } from "./solved-samples.ts";
import { statesOf } from "./start-and-end.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT, type VariantSpec } from "./variant.ts";

const rise = load("rise-and-sit");
const WITH_ARMS: VariantSpec = { ...FULL_STANDING_VARIANT, kind: "supported", hold: ON_ARMRESTS };
const samplesOf = (choice: VariantSpec) => sampleTrack(present(trackOf(rise, choice, "right"), "track"));
const demandOf = (choice: VariantSpec) => readDemand(samplesOf(choice), { stature: 1.65 }, 16);

describe("rising from a chair and sitting down again", () => {
  test.each([
    ["without hands", FULL_STANDING_VARIANT, 4.5],
    ["with the hands on the arms of the chair", WITH_ARMS, 3],
  ] as const)("asks of steadiness, %s, what the scale says", (_, choice, steadiness) => {
    expect(demandOf(choice).balance.total).toBeCloseTo(steadiness, 9);
  });

  test("neither the pace nor the body makes it harder: nothing of it is added twice", () => {
    const samples = samplesOf(FULL_STANDING_VARIANT);
    for (const [stature, cycle] of [
      [1.4, 8],
      [1.95, 30],
    ] as const)
      expect(readDemand(samples, { stature }, cycle).balance.total).toBeCloseTo(4.5, 9);
  });

  test.each([FULL_STANDING_VARIANT, WITH_ARMS])(
    "nothing jumps where the seat lets go, and the weight is over the feet by then",
    (choice) => {
      const samples = samplesOf(choice);
      expect(samples.problem).toBeNull();
      expect(greatestJump(samples).by).toBeLessThan(NO_JUMP);
      for (let sample = 0; sample < samples.count; sample += 1) {
        const { seating } = segmentOfSample(samples, sample).frame;
        const onFeet = SIDES.reduce((sum, side) => sum + valueAt(samples, sample, sidedColumn("footShare", side)), 0);
        if (seating.kind === "standing") expect(onFeet).toBeCloseTo(1, 9);
        else expect(onFeet + valueAt(samples, sample, column("seatShare"))).toBeCloseTo(1, 9);
        expect(valueAt(samples, sample, column("margin"))).toBeGreaterThan(0);
      }
    },
  );

  test("the hips go up from the seat to where they stand and come down again, without a stop on the way", () => {
    const samples = samplesOf(FULL_STANDING_VARIANT);
    const heights = Array.from({ length: samples.count }, (_, i) => valueAt(samples, i, pointColumn("pelvis") + 1));
    const top = heights.indexOf(Math.max(...heights));
    expect(heights.slice(0, top + 1).toSorted((a, b) => a - b)).toEqual(heights.slice(0, top + 1));
    expect(Math.max(...heights)).toBeCloseTo(0.528, 2);
    expect(heights[0]).toBeCloseTo(heights.at(-1) ?? 0, 9);
  });

  test("its knees are no low stance, but carry a load of their own", () => {
    const { highest } = demandOf(FULL_STANDING_VARIANT);
    expect(highest[sidedColumn("loadedKnee", "left")]).toBe(0);
    expect(highest[sidedColumn("knee", "left")]).toBeGreaterThan(90);
    expect(highest[sidedColumn("kneeLoad", "left")]).toBeGreaterThan(0.04);
  });

  test("begins and ends on the chair, and hands on its arms hold nothing there", () => {
    for (const choice of [FULL_STANDING_VARIANT, WITH_ARMS])
      expect(statesOf(rise, choice)).toMatchObject({ entry: { support: "seat" }, exit: { support: "seat" } });
    expect(statesOf(rise, WITH_ARMS)?.entry.hands).toBe("down");
    expect([...demandOf(WITH_ARMS).features]).toEqual(expect.arrayContaining(["holdsWithLeft", "holdsWithRight"]));
  });
});

describe("rising from other seats", () => {
  const from = (seat: FurnitureName, height: number) => {
    const measured = bodyOnSeat({ measured: USUAL_BODY, stature: 1.65, caps: [] }, { seat, position: "middle", height });
    return sampleTrack(present(trackOf(rise, FULL_STANDING_VARIANT, "right", buildOf(measured, 1.65)), "track"));
  };
  const kneeLoad = (samples: ReturnType<typeof from>) =>
    readDemand(samples, { stature: 1.65 }, 16).highest[sidedColumn("kneeLoad", "left")] ?? 0;

  test.each([
    ["bench", 0.45],
    ["bedEdge", 0.55],
    ["sofa", 0.43],
    ["lowWall", 0.45],
  ] as const)("from a %s the hips leave it where it is, without a jump, and no heel is under a closed front", (seat, height) => {
    const samples = from(seat, height);
    expect(samples.problem).toBeNull();
    expect(greatestJump(samples).by).toBeLessThan(NO_JUMP);
    const lowest = Math.min(...Array.from({ length: samples.count }, (_, i) => valueAt(samples, i, pointColumn("pelvis") + 1)));
    const gives = seat === "sofa" ? 0.05 : seat === "bedEdge" ? 0.03 : 0;
    // The model's seat is at the height of the knee crease without a shoe, .02 m.
    expect(1.65 * (lowest - SHARE.hipAboveSeat)).toBeCloseTo(height - gives - 0.02, 6);
    expect(samples.reading.features.has("meetsSeat")).toBe(false);
  });

  test("a lower seat asks more of the knees", () => {
    expect(kneeLoad(from("bench", 0.4))).toBeGreaterThan(kneeLoad(from("bench", 0.46)));
    expect(kneeLoad(from("bench", 0.46))).toBeGreaterThan(kneeLoad(from("bench", 0.55)));
  });
});
