import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { projection, VIEWS } from "./camera.ts";
import { drawingOf } from "./drawing.ts";
import { ballPart } from "./limb.ts";
import { barOf, type PartKind } from "./part.ts";
import { linesOf, noBorders, pathOf } from "./trace.ts";

const kind = (material: PartKind["material"], section: PartKind["section"] = "round"): PartKind => ({
  name: material,
  material,
  side: null,
  section,
});
const FINE = { scale: 400, shaded: false, tolerance: 1 } as const;

/** Corners of each line of a path of relative whole numbers. */
function cornersOf(path: string): (readonly [number, number])[][] {
  return path
    .split("M")
    .filter(Boolean)
    .map((line) => {
      const numbers = (line.match(/-?\d+/g) ?? []).map(Number);
      let [x, y] = [itemAt(numbers, 0), itemAt(numbers, 1)];
      const corners: (readonly [number, number])[] = [[x, y]];
      for (let i = 2; i < numbers.length; i += 2) {
        x += itemAt(numbers, i);
        y += itemAt(numbers, i + 1);
        corners.push([x, y]);
      }
      return corners;
    });
}

/** Area that a path encloses, half cells squared. */
const areaOf = (path: string): number =>
  cornersOf(path).reduce((sum, corners) => {
    const twice = corners.reduce((area, [x, y], i) => {
      const [nextX, nextY] = itemAt(corners, (i + 1) % corners.length);
      return area + x * nextY - nextX * y;
    }, 0);
    return sum + Math.abs(twice) / 2;
  }, 0);

/** Areas of each material in a drawing, shares of stature squared. */
const shares = (parts: Parameters<typeof drawingOf>[0], camera: Parameters<typeof drawingOf>[1]): Record<string, number> => {
  const { areas, unit } = drawingOf(parts, camera, FINE);
  return Object.fromEntries(areas.map(({ material, path }) => [material, areaOf(path) / unit ** 2]));
};

describe("a drawing", () => {
  test("of a ball is a circle from every side", () => {
    const ball = ballPart(kind("skin"), [0.1, 0.5, -0.2], [0, 1, 0], 0.1, 0.1, [1, 0, 0]);
    for (const view of ["front", "oblique", "back", "above", "asideLeft"] as const)
      expect((shares([ball], VIEWS[view])["skin"] ?? 0) / (Math.PI * 0.1 ** 2)).toBeCloseTo(1, 1);
  });

  test("of a board is its rectangle from the front, and its edge from the side", () => {
    const board = barOf(kind("wood", "box"), [0, 0.2, 0], [0, 0.6, 0], 0.02, 0.15, [0, 0, 1]);
    expect(shares([board], VIEWS.front)["wood"]).toBeCloseTo(0.3 * 0.4, 2);
    expect(shares([board], VIEWS.side)["wood"]).toBeCloseTo(0.04 * 0.4, 2);
  });

  test("shows what is nearer, whichever comes first in the list", () => {
    const near = barOf(kind("wood", "box"), [0.3, 0.2, 0], [0.3, 0.6, 0], 0.1, 0.02, [1, 0, 0]);
    const far = barOf(kind("metal", "box"), [-0.3, 0.2, 0], [-0.3, 0.6, 0], 0.1, 0.02, [1, 0, 0]);
    for (const parts of [
      [near, far],
      [far, near],
    ]) {
      expect(Object.keys(shares(parts, VIEWS.front))).toEqual(["wood"]);
      expect(Object.keys(shares(parts, { azimuth: 180, elevation: 0 }))).toEqual(["metal"]);
    }
  });

  test("of the same parts is the same", () => {
    const ball = ballPart(kind("skin"), [0, 0.5, 0], [0, 1, 0], 0.1, 0.08, [1, 0, 0]);
    expect(drawingOf([ball], VIEWS.oblique, FINE)).toEqual(drawingOf([ball], VIEWS.oblique, FINE));
  });

  test("has a line where one part passes in front of another of the same stuff, and none where they touch", () => {
    const bar = (x: number, from: number, to: number) =>
      barOf(kind("skin", "box"), [x, from, 0], [x, to, 0], 0.1, 0.05, [1, 0, 0]);
    const lines = (parts: Parameters<typeof drawingOf>[0]) => cornersOf(drawingOf(parts, VIEWS.front, FINE).ink).length;
    expect(lines([bar(0, 0.2, 0.4), bar(0, 0.4, 0.6)])).toBe(1);
    expect(lines([bar(0, 0.2, 0.5), bar(0.2, 0.4, 0.6)])).toBeGreaterThan(1);
  });
});

describe("lines around cells", () => {
  test("of one area are one closed line that encloses them", () => {
    const borders = noBorders(6, 6);
    // The border of the cells from 1,1 to 3,4 of a field of 6 by 6: 1 to the right, 2 down, 4 left, 8 up.
    const add = (x: number, y: number, bits: number) => {
      const corner = y * borders.columns + x;
      borders.bits[corner] = (borders.bits[corner] ?? 0) | bits;
    };
    for (let x = 1; x < 4; x += 1)
      for (const y of [1, 5]) {
        add(x, y, 1);
        add(x + 1, y, 4);
      }
    for (let y = 1; y < 5; y += 1)
      for (const x of [1, 4]) {
        add(x, y, 2);
        add(x, y + 1, 8);
      }
    const lines = linesOf(borders, true);
    expect(lines.length).toBe(1);
    // Three by four cells are 48 quarter cells; smoothing takes half a quarter cell off each corner.
    expect(areaOf(pathOf(lines, 0.4, true))).toBeCloseTo(48 - 4 * 0.5, 0);
  });
});

describe("a view", () => {
  const put = (view: keyof typeof VIEWS, x: number, y: number, z: number) => projection(VIEWS[view])(x, y, z);

  test("from the front has the person's right on the left, from behind on the right", () => {
    expect(put("front", 0, 0, 1).across).toBeCloseTo(-1, 9);
    expect(put("back", 0, 0, 1).across).toBeCloseTo(1, 9);
    expect(put("side", 1, 0, 0).across).toBeCloseTo(1, 9);
    expect(put("side", 0, 0, 1).near).toBeCloseTo(1, 9);
  });

  test("from above has ahead upwards and the right on the right", () => {
    expect(put("above", 1, 0, 0).up).toBeCloseTo(1, 9);
    expect(put("above", 0, 0, 1).across).toBeCloseTo(1, 9);
    expect(put("above", 0, 1, 0).near).toBeCloseTo(1, 9);
  });
});
