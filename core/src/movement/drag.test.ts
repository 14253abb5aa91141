import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY, WHOLE } from "../body/build.ts";
import { present } from "../checked-access.ts";
import { dragMoments, shortestCycle } from "./drag.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT } from "./variant.ts";

const samplesOf = (id: string) => sampleTrack(present(trackOf(load(id), FULL_STANDING_VARIANT, "right"), "track"));
const lift = samplesOf("lift-and-part");
/** The same legs with nothing at their ends. */
const footless = buildOf({ ...USUAL_BODY, legs: [WHOLE, { kind: "absent", from: "lower", prosthesis: false }] }, 1.65);
const body = { stature: 1.65, mass: 70 };
const number = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });

describe("drag in water", () => {
  test("doubling the speed gives four times the moment", () => {
    fc.assert(
      fc.property(number(1.35, 2), number(35, 160), number(0.5, 0.85), number(3, 16), (stature, mass, waterline, cycle) => {
        const slow = dragMoments(lift, { stature, mass }, waterline, cycle).shoulder[0];
        const quick = dragMoments(lift, { stature, mass }, waterline, cycle / 2).shoulder[0];
        expect(quick).toBeCloseTo(4 * slow, 6);
      }),
      { numRuns: 30 },
    );
  });

  test("there is none where nothing is under water", () => {
    expect(dragMoments(lift, body, 0.2, 8).shoulder).toEqual([0, 0]);
  });

  test("a paddle never takes off, and both sides of an even movement meet the same", () => {
    const bare = dragMoments(lift, body, 0.85, 8).shoulder;
    const paddled = dragMoments(lift, body, 0.85, 8, "paddles").shoulder;
    expect(paddled[0]).toBeGreaterThan(bare[0]);
    expect(bare[0]).toBeCloseTo(bare[1], 9);
  });

  test("an arm lifted in five seconds meets a few newton metres, as a hand's area and speed say", () => {
    // Hand speed about 0.5 m/s at 0.6 m: 0.5 x 1000 x 1.1 x 0.0147 x 0.25 x 0.6 is 1.2 N m of the hand alone.
    const [moment] = dragMoments(lift, body, 1.4, 11).shoulder;
    expect(moment).toBeGreaterThan(1);
    expect(moment).toBeLessThan(12);
  });

  test("standing legs meet next to nothing, a lifted one more", () => {
    const { hip } = dragMoments(samplesOf("one-leg-toe-near"), body, 0.7, 6);
    expect(hip[1]).toBeGreaterThan(3 * hip[0]);
  });
});

test("a foot that kicks meets the water too", () => {
  const kick = samplesOf("slow-kick");
  const { hip } = dragMoments(kick, body, 0.7, 6);
  // The sole of a heel that reaches forward at half a metre a second: .5 x 1000 x .5 x .0229 x .25 x .8 is 1.1 N m of itself.
  expect(hip[1]).toBeGreaterThan(dragMoments({ ...kick, build: footless }, body, 0.7, 6).hip[1]);
});

test("the shortest repetition for a cap meets just that cap", () => {
  const peak = dragMoments(lift, body, 0.85, 8).shoulder[0];
  const cycle = shortestCycle(8, peak, peak / 3);
  expect(dragMoments(lift, body, 0.85, cycle).shoulder[0]).toBeCloseTo(peak / 3, 9);
  expect(shortestCycle(8, peak, 0)).toBe(Number.POSITIVE_INFINITY);
});
