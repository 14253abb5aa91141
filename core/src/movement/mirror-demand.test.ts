import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { anyBody } from "../body/any-build.fixture.ts";
import { isEven, USUAL_BUILD } from "../body/build.ts";
import { HOLDS } from "../body/supports.ts";
import { type Demand, readDemand } from "./demand.ts";
import { DEPTHS, FORM_KINDS, type FormChoice, mirrorChoice } from "./form.ts";
import { loadAll } from "./library.fixture.ts";
import { mirrorDemand } from "./mirror-demand.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";

const size = fc.integer({ min: 1, max: 8 });
const anyChoice: fc.Arbitrary<FormChoice> = fc
  .record({
    kind: fc.constantFrom(...FORM_KINDS),
    hold: fc.constantFrom(...HOLDS),
    depth: fc.constantFrom(...DEPTHS),
    toeDown: fc.boolean(),
    arms: fc.constantFrom("both", "left", "right"),
    sizes: fc.record({ armLeft: size, armRight: size, trunk: size, legs: size }),
    weightBack: fc.boolean(),
  })
  .map((choice) => ({ ...choice, hold: choice.kind === "supported" || choice.kind === "water" ? choice.hold : null }));
const sided = loadAll().filter((movement) => movement.sided);

/** Solved as asked, whatever its mirror image is. */
function solved(movement: (typeof sided)[number], choice: FormChoice, lead: "left" | "right"): Demand | null {
  const track = trackOf(movement, choice, lead, USUAL_BUILD);
  const samples = track && sampleTrack(track);
  if (!samples || samples.problem !== null) return null;
  return readDemand(samples, { stature: 1.6, ...(choice.kind === "water" && { depth: 1.1 }) }, 9);
}

/** All its numbers in a row. */
const numbers = ({ highest, lowest, mean, features, steps, ...rest }: Demand): number[] => [
  ...highest,
  ...lowest,
  ...mean,
  ...(JSON.stringify(rest).match(/-?\d+(\.\d+)?(e-?\d+)?/g) ?? []).map(Number),
];

describe("the mirror image of a demand", () => {
  test("is what the other side leading asks of a body with two sides alike", () => {
    fc.assert(
      fc.property(fc.constantFrom(...sided), anyChoice, (movement, choice) => {
        const left = solved(movement, choice, "left");
        const image = solved(movement, mirrorChoice(choice), "right");
        expect(image === null).toBe(left === null);
        if (image === null || left === null) return;
        const mirrored = mirrorDemand(image);
        // When the same value is met twice in a round either may be named, so moments of a round are not compared.
        const here = {
          ...mirrored,
          leastMargin: { ...mirrored.leastMargin, phase: 0 },
          steadiness: { ...mirrored.steadiness, phase: 0 },
        };
        const there = { ...left, leastMargin: { ...left.leastMargin, phase: 0 }, steadiness: { ...left.steadiness, phase: 0 } };
        const wanted = numbers(there);
        numbers(here).forEach((value, i) => {
          // A pose is found to a micrometre, which is up to some ten thousandths of a degree at a knee nearly straight.
          expect(value).toBeCloseTo(wanted[i] as number, 3);
        });
        expect(mirrored.features).toEqual(left.features);
        expect(mirrored.steps).toEqual(left.steps);
        expect(mirrorDemand(mirrored)).toEqual(image);
      }),
      { numRuns: 150 },
    );
  });

  test("is only taken of a body with two sides alike", () => {
    fc.assert(
      fc.property(anyBody, ({ build, mirrored }) => {
        expect(isEven(build)).toBe(build.key === mirrored.key);
      }),
    );
    expect(isEven(USUAL_BUILD)).toBe(true);
  });
});
