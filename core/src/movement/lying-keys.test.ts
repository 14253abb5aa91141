import { describe, expect, test } from "vitest";
import { buildOf, type MeasuredBody, USUAL_BODY } from "../body/build.ts";
import { column, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { otherSide, SIDES } from "../side.ts";
import { greatestJump, NO_JUMP } from "./jump.ts";
import { load, loadAll } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { segmentOfSample, valueAt } from "./solved-samples.ts";
import { trackOf } from "./track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, mirrorVariant } from "./variant.ts";

const IN_BED: MeasuredBody = { ...USUAL_BODY, sits: { seat: "bed", position: "back" }, seatRaise: 0.04 };
const STATURE = 1.65;
const build = buildOf(IN_BED, STATURE);
const movements = loadAll();

/** A movement in bed; null where there is nothing to do there. */
function inBed(id: string, body = build) {
  const track = trackOf(load(id), FULL_SEATED_VARIANT, "right", body);
  return track && sampleTrack(track);
}
const present = <Value>(value: Value | null): Value => {
  if (value === null) throw new Error("no such variant in bed");
  return value;
};
const range = (samples: ReturnType<typeof sampleTrack>, number: number): readonly [number, number] => {
  const all = Array.from({ length: samples.count }, (_, i) => valueAt(samples, i, number));
  return [Math.min(...all), Math.max(...all)];
};

describe("movements in bed with the back raised", () => {
  test.each(movements.map(({ id }) => id))("%s: on the mattress all along, without a jump, whoever's body it is", (id) => {
    for (const body of [
      build,
      buildOf({ ...IN_BED, legs: [{ kind: "absent", from: "upper", prosthesis: false }, { kind: "whole" }] }, STATURE),
    ]) {
      const samples = inBed(id, body);
      if (samples === null) continue;
      expect(samples.problem).toBeNull();
      expect(greatestJump(samples).by).toBeLessThan(NO_JUMP);
      const { seating } = segmentOfSample(samples, 0).frame;
      const bed = seating.kind === "seated" ? seating.seatHeight : 0;
      for (let sample = 0; sample < samples.count; sample += 1) {
        expect(valueAt(samples, sample, column("seatShare"))).toBe(1);
        for (const point of ["heel", "toe"] as const)
          for (const side of SIDES)
            expect(valueAt(samples, sample, sidedPointColumn(point, side) + 1)).toBeGreaterThan(bed - 0.0125);
      }
    }
  });

  test("standing, rising and stepping movements have no variant in bed", () => {
    expect(trackOf(load("rise-and-sit"), FULL_STANDING_VARIANT, "right", build)).toBeNull();
    expect(inBed("step-behind-and-home")).toBeNull();
  });

  test("heels that rise on the floor bend at the ankle in bed, the knees straight", () => {
    const samples = present(inBed("heels-up"));
    for (const side of SIDES) {
      const [lowest, highest] = range(samples, sidedColumn("dorsiflexion", side));
      expect(highest - lowest).toBeGreaterThan(10);
      expect(range(samples, sidedColumn("knee", side))[1]).toBeLessThan(1);
    }
  });

  test("who reaches level on a chair reaches level in bed", () => {
    const height = (samples: ReturnType<typeof sampleTrack>) => range(samples, sidedColumn("handOverShoulder", "right"))[1];
    const upright = sampleTrack(present(trackOf(load("press-then-open"), FULL_SEATED_VARIANT, "right")));
    expect(height(present(inBed("press-then-open")))).toBeCloseTo(height(upright), 1);
  });

  test("the trunk off the raised back is no longer supported", () => {
    const supported = (id: string) =>
      new Set(present(inBed(id)).segments.map(({ frame: { seating } }) => seating.kind === "seated" && seating.backSupported));
    expect([...supported("open-and-gather")]).toEqual([true]);
    expect([...supported("hinge-and-lengthen")]).toContain(false);
  });

  test("the left leads as the mirror image of the right", () => {
    for (const movement of movements.filter(({ sided }) => sided)) {
      const [right, left] = (["right", "left"] as const).map((lead) => {
        const track = trackOf(movement, lead === "right" ? FULL_SEATED_VARIANT : mirrorVariant(FULL_SEATED_VARIANT), lead, build);
        return track && sampleTrack(track);
      });
      expect(left === null).toBe(right === null);
      if (!right || !left) continue;
      for (const name of ["shoulderElevation", "knee", "hipFlexion", "dorsiflexion", "handOverShoulder"] as const)
        for (const side of SIDES)
          for (const end of [0, 1] as const)
            expect(range(left, sidedColumn(name, otherSide(side)))[end]).toBeCloseTo(
              range(right, sidedColumn(name, side))[end],
              4,
            );
    }
  });
});
