import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY } from "../body/build.ts";
import { pointColumn } from "../body/channels.ts";
import { sidedSlot } from "../body/pose.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { SIDES } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { readDemand } from "./demand.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { valueAt } from "./solved-samples.ts";
import { trackOf } from "./track.ts";
import { evenSizes, FULL_STANDING_VARIANT } from "./variant.ts";

const walk = load("three-steps-and-back");
const PELVIS_X = pointColumn("pelvis");

describe("a walk there and back", () => {
  const track = trackOf(walk, FULL_STANDING_VARIANT, "right");
  if (!track) throw new Error("the walk is done standing");
  const samples = sampleTrack(track);

  test("takes four steps ahead and four back, the feet in turn", () => {
    const { steps } = readDemand(samples, { stature: 1.65 }, 48);
    expect(steps.map(({ direction }) => direction)).toEqual([...Array(4).fill("ahead"), ...Array(4).fill("back")]);
    expect(steps.map(({ side }) => side)).toEqual(["right", "left", "right", "left", "left", "right", "left", "right"]);
  });

  test("takes the body along: half way it stands over the feet, and at the end where it began", () => {
    const at = (sample: number) => valueAt(samples, sample, PELVIS_X);
    const furthest = Math.max(...Array.from({ length: samples.count }, (_, i) => at(i)));
    expect(furthest - at(0)).toBeGreaterThan(0.35);
    expect(at(samples.count - 1)).toBeCloseTo(at(0), 6);
  });

  test("ends where it says for every body and size", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(1.45, 1.6, 1.75, 1.9),
        fc.constantFrom(1, 3, 5, 8),
        fc.constantFrom("left" as const, "right" as const),
        (stature, size, lead) => {
          const choice = { ...FULL_STANDING_VARIANT, sizes: evenSizes(size) };
          const own = trackOf(walk, choice, lead, buildOf(USUAL_BODY, stature));
          if (!own) return;
          const first = itemAt(own.segments, 0).start;
          const last = itemAt(own.segments, own.segments.length - 1).end;
          const furthest = own.segments.map(({ end }) => end);
          for (const side of SIDES) {
            const x = sidedSlot("footX", side);
            expect(numberAt(last, x)).toBeCloseTo(numberAt(first, x), 9);
            const most = Math.max(...furthest.map((values) => numberAt(values, x)));
            expect(most - numberAt(first, x)).toBeCloseTo((0.36 * size) / 8, 9);
          }
          expect(sampleTrack(own).problem).toBeNull();
        },
      ),
      { numRuns: cases(16, 32) },
    );
  });
});
