import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { present } from "../checked-access.ts";
import { readDemand } from "./demand.ts";
import { load, loadAll } from "./library.fixture.ts";
import { reversedTrack, waysOf } from "./reversal.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT, VARIANT_KINDS, type VariantKind } from "./variant.ts";

describe("repetitions by their way", () => {
  test("add up to all of them, and differ by one at most", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("halves" as const, "sides" as const, undefined),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 0, max: 1 }),
        (reversal, rounds, turn) => {
          const ways = waysOf(reversal === undefined ? {} : { reversal }, turn, { rounds });
          expect(ways.reduce((sum, part) => sum + part.rounds, 0)).toBe(rounds);
          if (reversal !== "halves") return;
          const back = ways.find(({ way }) => way === "back")?.rounds ?? 0;
          expect(rounds - back - back).toBeGreaterThanOrEqual(0);
          expect(rounds - back - back).toBeLessThanOrEqual(1);
        },
      ),
    );
  });

  test("go forth without a reversal, and by sides back on the second one", () => {
    expect(waysOf({}, 1, { rounds: 5 })).toEqual([{ way: "forth", rounds: 5 }]);
    expect(waysOf({ reversal: "sides" }, 0, { rounds: 5 })).toEqual([{ way: "forth", rounds: 5 }]);
    expect(waysOf({ reversal: "sides" }, 1, { rounds: 5 })).toEqual([{ way: "back", rounds: 5 }]);
    expect(waysOf({ reversal: "sides" }, 0, { rounds: 5, other: true })).toEqual([{ way: "back", rounds: 5 }]);
    expect(waysOf({ reversal: "halves" }, 0, { rounds: 1 })).toEqual([{ way: "forth", rounds: 1 }]);
  });
});

/**
 * Decimals to which both ways agree, a hundredth of the tolerance of a cap: the solver begins at the pose before, which is
 * another one on the way back.
 */
const SOLVED = 3;

const reversible = loadAll().filter(({ reversal }) => reversal !== undefined);
const trackFor = (id: string, kind: VariantKind) => trackOf(load(id), { ...FULL_STANDING_VARIANT, kind }, "right");
const CASES = reversible.flatMap(({ id }) =>
  VARIANT_KINDS.filter((kind) => kind !== "supported" && trackFor(id, kind) !== null).map((kind) => [id, kind] as const),
);

test("some shipped movements turn round", () => {
  expect(reversible.map(({ id }) => id)).toEqual(expect.arrayContaining(["hips-draw-circle", "wrist-circles", "ankle-circles"]));
});

describe.each(CASES)("%s, %s", (id, kind) => {
  const forth = present(trackFor(id, kind), "track");
  const back = reversedTrack(forth);

  test("begins and ends in the same pose, whichever way it goes", () => {
    const ends = [forth, back].map(({ segments }) => [segments[0]?.start, segments.at(-1)?.end]);
    for (const [start, end] of ends) for (const [i, value] of (start ?? []).entries()) expect(end?.[i]).toBeCloseTo(value, 9);
  });

  test("fills the repetition without a gap, and breathes in and out at the same times", () => {
    for (const [i, { from, to }] of back.segments.entries()) {
      expect(from).toBeCloseTo(i === 0 ? 0 : (back.segments[i - 1]?.to ?? -1), 12);
      expect(to).toBeGreaterThan(from);
    }
    expect(back.segments.at(-1)?.to).toBeCloseTo(1, 12);
    for (const { from, to, breath } of back.segments) {
      const middle = (from + to) / 2;
      expect(forth.segments.find((segment) => segment.from <= middle && middle <= segment.to)?.breath).toBe(breath);
    }
  });

  test("asks the same of the body: ranges, seconds and loads", () => {
    const depth = kind === "water" ? { depth: 1 } : {};
    const demand = (track: typeof forth) => readDemand(sampleTrack(track), { stature: 1.65, mass: 70, ...depth }, 16);
    const [one, other] = [demand(forth), demand(back)];
    for (const name of ["highest", "lowest"] as const)
      for (const [i, value] of one[name].entries()) expect(other[name][i]).toBeCloseTo(value, SOLVED);
    for (const name of [
      "oneLegSeconds",
      "toeDownSeconds",
      "handAboveShoulderSeconds",
      "heldOutSeconds",
      "handOutOfSightSeconds",
    ] as const)
      for (const side of [0, 1] as const) expect(other[name][side]).toBeCloseTo(one[name][side], 6);
    expect(other.longestHold).toBeCloseTo(one.longestHold, 6);
    expect(other.balance.total).toBeCloseTo(one.balance.total, SOLVED);
  });
});
