import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { baseOfSupport, type Contact, convexHull, marginOfStability, nearestEdge, type Point } from "./base-of-support.ts";

const square = (x: number, z: number, side: number): Point[] => [
  [x, z],
  [x + side, z],
  [x + side, z + side],
  [x, z + side],
];
const area = (polygon: readonly Point[]): number =>
  polygon.reduce((sum, [x, z], i) => {
    const [nextX, nextZ] = itemAt(polygon, (i + 1) % polygon.length);
    return sum + (z * nextX - nextZ * x) / 2;
  }, 0);

const number = (lowest: number, highest: number) => fc.double({ min: lowest, max: highest, noNaN: true });
/** Places to the millimetre, on which corners are corners and lines are lines. */
const place = fc.integer({ min: -1000, max: 1000 }).map((millimetres) => millimetres / 1000);
const anyPoint = fc.tuple(place, place);

describe("the hull", () => {
  test("of a square with points inside and on its edge is the square", () => {
    const hull = convexHull([...square(0, 0, 1), [0.5, 0.5], [0.5, 0], [1, 0.25]]);
    expect(hull).toHaveLength(4);
    expect(area(hull)).toBeCloseTo(1, 12);
  });

  test("holds every point, and no corner of it can be left out", () => {
    fc.assert(
      fc.property(fc.array(anyPoint, { minLength: 3, maxLength: 20 }), (points) => {
        const hull = convexHull(points);
        if (hull.length < 3) return;
        for (const point of points) expect(marginOfStability(point, hull)).toBeGreaterThan(-1e-9);
        for (const corner of hull) {
          const without = hull.filter((other) => other !== corner);
          if (without.length >= 3) expect(marginOfStability(corner, without)).toBeLessThan(1e-9);
        }
      }),
    );
  });

  test("needs a point", () => {
    expect(() => convexHull([])).toThrow(RangeError);
  });
});

describe("the base of support", () => {
  const foot: Contact = { corners: square(0, 0, 0.1), share: 1 };
  const toe: Contact = { corners: square(0, 0.5, 0.02), share: 0.1 };

  test("is the hull of what carries fully, light touch and lifted feet adding nothing", () => {
    expect(area(baseOfSupport([foot, { ...toe, share: 0 }, { corners: [], share: 0 }]))).toBeCloseTo(0.01, 12);
  });

  test("reaches towards a limited contact by its share of the way", () => {
    const base = baseOfSupport([foot, toe]);
    const farthest = Math.max(...base.map(([, z]) => z));
    expect(farthest).toBeCloseTo(0.9 * 0.1 + 0.1 * 0.52, 12);
  });

  test("is empty when nothing carries fully", () => {
    expect(baseOfSupport([toe])).toEqual([]);
  });

  test("never shrinks when a contact is added or may carry more", () => {
    fc.assert(
      fc.property(anyPoint, anyPoint, number(0, 0.4), number(0, 0.4), (place, corner, less, more) => {
        const small = Math.min(less, more);
        const large = Math.max(less, more);
        const touch = (share: number): Contact => ({ corners: [corner], share });
        const plain = area(baseOfSupport([foot]));
        const some = area(baseOfSupport([foot, touch(small)]));
        expect(some).toBeGreaterThanOrEqual(plain - 1e-12);
        expect(area(baseOfSupport([foot, touch(large)]))).toBeGreaterThanOrEqual(some - 1e-12);
        const other: Contact = { corners: square(place[0], place[1], 0.05), share: 1 };
        expect(area(baseOfSupport([foot, other]))).toBeGreaterThanOrEqual(plain - 1e-12);
      }),
    );
  });
});

describe("the margin", () => {
  test.each<[Point, number]>([
    [[0.5, 0.5], 0.5],
    [[0.9, 0.5], 0.1],
    [[1.2, 0.5], -0.2],
    [[1.3, 1.4], -0.5],
  ])("of %j in the unit square is %d", (place, margin) => {
    expect(marginOfStability(place, convexHull(square(0, 0, 1)))).toBeCloseTo(margin, 12);
  });

  test("shrinks when the base shrinks", () => {
    fc.assert(
      fc.property(fc.array(anyPoint, { minLength: 4, maxLength: 9 }), anyPoint, number(0.1, 0.99), (points, place, scale) => {
        const base = convexHull(points);
        if (base.length < 3) return;
        const middle: Point = [
          base.reduce((sum, [x]) => sum + x, 0) / base.length,
          base.reduce((sum, [, z]) => sum + z, 0) / base.length,
        ];
        const smaller = base.map(([x, z]): Point => [middle[0] + scale * (x - middle[0]), middle[1] + scale * (z - middle[1])]);
        expect(marginOfStability(place, smaller)).toBeLessThanOrEqual(marginOfStability(place, base) + 1e-9);
      }),
    );
  });

  test("asks for a base that is one", () => {
    expect(() =>
      marginOfStability(
        [0, 0],
        [
          [0, 0],
          [1, 0],
        ],
      ),
    ).toThrow(RangeError);
  });
});

test.each([
  [[0.9, 0.5], "ahead"],
  [[0.1, 0.5], "back"],
  [[0.5, 0.9], "right"],
  [[0.5, 0.1], "left"],
  [[1.4, 0.6], "ahead"],
  [[0.5, -0.3], "left"],
] as const)("of a square metre the edge nearest to %j is %s", (place, direction) => {
  const square: Point[] = convexHull([
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ]);
  expect(nearestEdge(place, square)).toBe(direction);
});
