import fc from "fast-check";
import { expect, test } from "vitest";
import { ARROW_KEYS, movedBy } from "./floor-position.ts";

const HALL = { length: 10, width: 6 };

test("an arrow key moves by ten centimetres, as the floor is drawn", () => {
  const from = { x: 5, z: 3 };
  expect(movedBy(HALL, from, ARROW_KEYS["ArrowUp"] ?? from)).toEqual({ x: 4.9, z: 3 });
  expect(movedBy(HALL, from, ARROW_KEYS["ArrowRight"] ?? from)).toEqual({ x: 5, z: 3.1 });
});

test("no one is moved off the floor, and a position is a multiple of 5 cm", () => {
  const metres = fc.double({ min: -30, max: 30, noNaN: true });
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 10, noNaN: true }),
      fc.double({ min: 0, max: 6, noNaN: true }),
      metres,
      metres,
      (x, z, dx, dz) => {
        const to = movedBy(HALL, { x, z }, { x: dx, z: dz });
        expect(to.x).toBeGreaterThanOrEqual(0);
        expect(to.x).toBeLessThanOrEqual(HALL.length);
        expect(to.z).toBeGreaterThanOrEqual(0);
        expect(to.z).toBeLessThanOrEqual(HALL.width);
        for (const value of [to.x, to.z]) expect(20 * value).toBeCloseTo(Math.round(20 * value), 9);
      },
    ),
  );
});
