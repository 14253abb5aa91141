import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { present } from "../checked-access.ts";
import { readDemand } from "./demand.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT } from "./variant.ts";

const samplesOf = (id: string) => {
  const movement = load(id);
  const kind = movement.forms.standing === false ? "water" : "standing";
  return sampleTrack(present(trackOf(movement, { ...FULL_STANDING_VARIANT, kind }, "right"), "track"));
};
const shift = samplesOf("side-weight-shift");
const number = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });

describe("a variant in water", () => {
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
  ])("someone of %d m in %d m of water: out of depth %s, rail needed %s", (stature, depth, out, rail) => {
    const { water } = readDemand(shift, { stature, depth }, 8);
    expect(water?.outOfDepth).toBe(out);
    expect(water?.needsRail).toBe(rail);
  });

  test("at the waist it asks less steadiness than on land; on land there is no water to speak of", () => {
    const land = readDemand(shift, { stature: 1.65 }, 8);
    expect(land.water).toBeNull();
    expect(readDemand(shift, { stature: 1.65, depth: 1 }, 8).balance.total).toBeLessThan(land.balance.total);
  });

  test("a quicker pace changes the drag and not the margin", () => {
    const slow = readDemand(shift, { stature: 1.65, depth: 1.1 }, 8);
    const quick = readDemand(shift, { stature: 1.65, depth: 1.1 }, 4);
    expect(quick.leastMargin.metres).toBeCloseTo(slow.leastMargin.metres, 12);
    expect(quick.water?.drag?.hip[0]).toBeCloseTo(4 * (slow.water?.drag?.hip[0] ?? 0), 9);
  });

  test("a slow side shift at the lower breastbone puts 41 % of the body's weight on a leg: .80 x .34 x 1.5", () => {
    const { water } = readDemand(shift, { stature: 1.65, depth: 0.7 * 1.65 }, 8);
    expect(water?.legShare[0]).toBeCloseTo(0.8 * 0.343 * 1.5, 2);
    expect(water?.legShare[1]).toBeCloseTo(0.8 * 0.343 * 1.5, 2);
    expect(water?.fastSteps).toBe(false);
    expect(readDemand(shift, { stature: 1.65, depth: 0.7 * 1.65 }, 4).water?.fastSteps).toBe(true);
  });

  test("standing still it is the share without the half more, and shallower water leaves more", () => {
    const still = samplesOf("settling-breath");
    const { water } = readDemand(still, { stature: 1.65, depth: 0.7 * 1.65 }, 8);
    expect(water?.legShare[0]).toBeCloseTo(0.5 * Math.max(0.343, water?.mostWeight ?? 0), 3);
    const shallow = readDemand(still, { stature: 1.65, depth: 0.7 * 1.65, shallowest: 0.9 }, 8).water;
    expect(shallow?.legShare[0]).toBeGreaterThan(1.5 * (water?.legShare[0] ?? 1));
    expect(shallow?.mostWeight).toBeCloseTo(water?.mostWeight ?? 0, 12);
  });

  test("floats under water take as much off the feet as they lift", () => {
    const under = samplesOf("open-and-close-under");
    const at = (equipment: "bare" | "floats") => readDemand(under, { stature: 1.65, mass: 70, depth: 1.15, equipment }, 8).water;
    expect((at("bare")?.mostWeight ?? 0) - (at("floats")?.mostWeight ?? 0)).toBeCloseTo((2 * 15) / (70 * 9.81), 9);
  });
});
