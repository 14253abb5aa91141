import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { readDemand } from "./demand.ts";
import { FULL_STANDING } from "./form.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { type Track, trackOf } from "./track.ts";

const samplesOf = (id: string) => sampleTrack(trackOf(load(id), FULL_STANDING, "right") as Track);
const shift = samplesOf("side-weight-shift");
const number = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });

describe("a form in water", () => {
  test("leaves less on the feet the deeper it is, and never puts more there", () => {
    fc.assert(
      fc.property(number(1.4, 1.95), number(0, 1.4), number(0, 1.4), (stature, a, b) => {
        const weightAt = (depth: number) => readDemand(shift, { stature, depth }, 8).water?.mostWeight ?? 2;
        const shallow = weightAt(Math.min(a, b));
        expect(shallow).toBeLessThanOrEqual(1 + 1e-9);
        expect(weightAt(Math.max(a, b))).toBeLessThanOrEqual(shallow + 1e-9);
      }),
      { numRuns: 40 },
    );
  });

  test.each([
    [1.65, 1.1, false, false],
    [1.65, 1.3, true, true],
    [1.45, 1.1, true, true],
    [1.9, 1.3, false, false],
  ])("somebody of %d m in %d m of water: out of depth %s, rail needed %s", (stature, depth, out, rail) => {
    const { water } = readDemand(shift, { stature, depth }, 8);
    expect(water?.outOfDepth).toBe(out);
    expect(water?.needsRail).toBe(rail);
  });

  test("at the waist it asks less steadiness than on land; on land there is no water to speak of", () => {
    const land = readDemand(shift, { stature: 1.65 }, 8);
    expect(land.water).toBeNull();
    expect(readDemand(shift, { stature: 1.65, depth: 1 }, 8).steadiness.total).toBeLessThan(land.steadiness.total);
  });

  test("a quicker pace changes the drag and not the margin", () => {
    const slow = readDemand(shift, { stature: 1.65, depth: 1.1 }, 8);
    const quick = readDemand(shift, { stature: 1.65, depth: 1.1 }, 4);
    expect(quick.leastMargin.metres).toBeCloseTo(slow.leastMargin.metres, 12);
    expect(quick.water?.drag.hip[0]).toBeCloseTo(4 * (slow.water?.drag.hip[0] ?? 0), 9);
  });
});
