import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { anyBody } from "../body/any-build.fixture.ts";
import { buildOf, USUAL_BODY, USUAL_BUILD } from "../body/build.ts";
import { MIDLINE_RANGES, SIDED_RANGES, type SidedColumn, sidedColumn, VALUE_WIDTH } from "../body/channels.ts";
import { HAND_SUPPORTS } from "../body/supports.ts";
import { itemAt } from "../checked-access.ts";
import { cases } from "../test-size.fixture.ts";
import { type Demand, readDemand } from "./demand.ts";
import { loadAll } from "./library.fixture.ts";
import { mirrorDemand } from "./mirror-demand.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { DEPTHS, mirrorVariant, VARIANT_KINDS, type VariantSpec } from "./variant.ts";

const size = fc.integer({ min: 1, max: 8 });
const anyChoice: fc.Arbitrary<VariantSpec> = fc
  .record({
    kind: fc.constantFrom(...VARIANT_KINDS),
    hold: fc.constantFrom(...HAND_SUPPORTS),
    depth: fc.constantFrom(...DEPTHS),
    toeDown: fc.boolean(),
    arms: fc.constantFrom("both", "left", "right"),
    sizes: fc.record({ armLeft: size, armRight: size, trunk: size, legs: size }),
    weightBack: fc.boolean(),
  })
  .map((choice) => ({ ...choice, hold: choice.kind === "supported" || choice.kind === "water" ? choice.hold : null }));
const sided = loadAll().filter((movement) => movement.sided);

/** Solved as asked, whatever its mirror image is. */
function solved(movement: (typeof sided)[number], choice: VariantSpec, lead: "left" | "right"): Demand | null {
  const track = trackOf(movement, choice, lead, USUAL_BUILD);
  const samples = track && sampleTrack(track);
  if (!samples || samples.problem !== null) return null;
  return readDemand(samples, { stature: 1.6, ...(choice.kind === "water" && { depth: 1.1 }) }, 9);
}

const ANGLES: ReadonlySet<number> = new Set([
  ...MIDLINE_RANGES.keys(),
  ...[...SIDED_RANGES.map(({ name }) => name), "loadedKnee", "heelDownDorsiflexion", "straightKneeDorsiflexion"].flatMap(
    (name) => [sidedColumn(name as SidedColumn, "left"), sidedColumn(name as SidedColumn, "right")],
  ),
]);
const TOLERANCE = 0.0005;
/**
 * Degrees. Where both legs come to be straight at once, the centre of mass is found to ten micrometres and the pelvis
 * to a tenth of a millimetre, which is much of an angle at a straight leg.
 */
const STRAIGHT_LEGS_TOLERANCE = 0.5;
/** Share of cases in which that may be so. */
const STRAIGHT_LEGS_CASES = 0.02;

/** All its numbers in a row, first those of the columns: highest, lowest and mean. */
const numbers = ({ highest, lowest, mean, features, steps, ...rest }: Demand): number[] => [
  ...highest,
  ...lowest,
  ...mean,
  ...(JSON.stringify(rest).match(/-?\d+(\.\d+)?(e-?\d+)?/g) ?? []).map(Number),
];

describe("the mirror image of a demand", () => {
  test("is what the other side leading asks of a body with two sides alike", () => {
    let count = 0;
    let straightLegs = 0;
    fc.assert(
      fc.property(fc.constantFrom(...sided), anyChoice, (movement, choice) => {
        const left = solved(movement, choice, "left");
        const image = solved(movement, mirrorVariant(choice), "right");
        expect(image === null).toBe(left === null);
        if (image === null || left === null) return;
        const mirrored = mirrorDemand(image);
        // When the same value is met twice in a repetition either may be named, so moments of a repetition are not
        // compared.
        const here = {
          ...mirrored,
          leastMargin: { ...mirrored.leastMargin, phase: 0 },
          balance: { ...mirrored.balance, phase: 0 },
        };
        const there = { ...left, leastMargin: { ...left.leastMargin, phase: 0 }, balance: { ...left.balance, phase: 0 } };
        const wanted = numbers(there);
        const found = numbers(here);
        count += 1;
        let isStraight = false;
        found.forEach((value, i) => {
          const off = Math.abs(value - itemAt(wanted, i));
          const isAngle = i < 3 * VALUE_WIDTH && ANGLES.has(i % VALUE_WIDTH);
          if (isAngle && off > TOLERANCE) isStraight = true;
          expect(off).toBeLessThan(isAngle ? STRAIGHT_LEGS_TOLERANCE : TOLERANCE);
        });
        if (isStraight) straightLegs += 1;
        expect(mirrored.features).toEqual(left.features);
        expect(mirrored.steps).toEqual(left.steps);
        expect(mirrorDemand(mirrored)).toEqual(image);
      }),
      { numRuns: cases(60, 3000) },
    );
    expect(straightLegs).toBeLessThanOrEqual(Math.max(1, STRAIGHT_LEGS_CASES * count));
  });

  test("is only taken of a body with two sides alike", () => {
    fc.assert(
      fc.property(anyBody, ({ build, mirrored }) => {
        expect(build.even).toBe(build.key === mirrored.key);
      }),
    );
    expect(USUAL_BUILD.even).toBe(true);
    const straight = { kind: "absent", from: "lower", prosthesis: true } as const;
    const legs = [straight, { ...straight, prosthesis: false }] as const;
    expect(buildOf({ ...USUAL_BODY, legs }, 1.6).even).toBe(false);
  });
});
