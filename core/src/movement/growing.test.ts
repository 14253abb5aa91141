import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { cases } from "../test-size.fixture.ts";
import { authoredKeys } from "./authored-keys.ts";
import { growthShare, partWay } from "./growing.ts";
import { loadAll } from "./library.fixture.ts";

test("each repetition goes evenly further than the one before, from half the way to all of it", () => {
  expect([0, 1, 2, 3, 4].map((number) => growthShare(number, 5))).toEqual([0.5, 0.625, 0.75, 0.875, 1]);
  expect(growthShare(0, 1)).toBe(1);
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 12 }), (rounds) => {
      const shares = Array.from({ length: rounds }, (_, i) => growthShare(i, rounds));
      expect([shares[0], shares.at(-1)]).toEqual([0.5, 1]);
      shares.slice(1).forEach((share, i) => {
        expect(share - itemAt(shares, i)).toBeCloseTo(0.5 / (rounds - 1), 12);
      });
    }),
    { numRuns: cases(20, 100) },
  );
});

describe.each(loadAll().map((movement) => [movement.id, movement] as const))("%s", (_, movement) => {
  test("done in full is itself", () => {
    expect(partWay(movement, 1)).toBe(movement);
  });

  test("part of the way goes no further in any slot than in full, from the same beginning", () => {
    const full = authoredKeys(movement.keys);
    const first = itemAt(full, 0).stated;
    for (const share of [0.5, 0.75]) {
      const part = authoredKeys(partWay(movement, share).keys);
      part.forEach(({ stated, lift }, i) => {
        const whole = itemAt(full, i);
        expect(lift).toEqual(whole.lift);
        stated.forEach((value, slot) => {
          const [a, b] = [itemAt(first, slot), itemAt(whole.stated, slot)];
          if (Number.isNaN(value)) return;
          expect(value).toBeGreaterThanOrEqual(Math.min(a, b) - 1e-9);
          expect(value).toBeLessThanOrEqual(Math.max(a, b) + 1e-9);
        });
      });
    }
  });
});
