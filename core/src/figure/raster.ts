import { itemAt, numberAt } from "../checked-access.ts";
import { type Camera, projection } from "./camera.ts";
import { facesOf, type Surface, surfaceOf } from "./mesh.ts";
import type { FigurePart } from "./part.ts";

/** What is seen of a figure, cell by cell, row by row from the top. */
export interface Raster {
  readonly wide: number;
  readonly high: number;
  /** Cells for a whole stature. */
  readonly scale: number;
  /** Where the upper left corner of the cells is on the picture, shares of stature, up positive. */
  readonly left: number;
  readonly top: number;
  /** Which part is seen in each cell: its number and 1 more, 0 for none. */
  readonly seen: Uint16Array;
  /** How near it is, shares of stature. */
  readonly near: Float32Array;
  /** How much light falls on it, -1 to 1. */
  readonly light: Float32Array;
}

/** How round the parts are. */
const pointsAround = (scale: number): number => (scale < 200 ? 8 : scale < 400 ? 14 : 20);

/** The light comes from above, in front and from the left of the picture. */
const LIGHT = { across: -0.46, up: 0.62, near: 0.63 } as const;

/** Numbers that a corner of a projected part takes: across and down in cells, near, light. */
const CORNER = 4;

interface Projection {
  readonly faces: readonly number[];
  readonly corners: Float64Array;
}

/** A linear map of three numbers to one. */
type Weights = readonly [number, number, number];

const applied = (from: Float64Array, at: number, [x, y, z]: Weights): number =>
  x * numberAt(from, at) + y * numberAt(from, at + 1) + z * numberAt(from, at + 2);

/** The projection as its weights: what each of X, Y and Z adds to across, up, near and light. */
function weightsOf(camera: Camera): Record<"across" | "up" | "near" | "light", Weights> {
  const put = projection(camera);
  const units = [put(1, 0, 0), put(0, 1, 0), put(0, 0, 1)];
  const weights = (of: (place: (typeof units)[number]) => number): Weights => [
    of(itemAt(units, 0)),
    of(itemAt(units, 1)),
    of(itemAt(units, 2)),
  ];
  return {
    across: weights((place) => place.across),
    up: weights((place) => place.up),
    near: weights((place) => place.near),
    light: weights((place) => LIGHT.across * place.across + LIGHT.up * place.up + LIGHT.near * place.near),
  };
}

function project(surface: Surface, weights: ReturnType<typeof weightsOf>, scale: number): Projection {
  const count = surface.points.length / 3;
  const corners = new Float64Array(count * CORNER);
  for (let i = 0; i < count; i += 1) {
    corners[CORNER * i] = scale * applied(surface.points, 3 * i, weights.across);
    corners[CORNER * i + 1] = -scale * applied(surface.points, 3 * i, weights.up);
    corners[CORNER * i + 2] = applied(surface.points, 3 * i, weights.near);
    corners[CORNER * i + 3] = applied(surface.normals, 3 * i, weights.light);
  }
  return { faces: facesOf(surface), corners };
}

/** How much empty room is kept around a figure, cells. */
const EDGE = 2;

/** The cells around what is projected, whose corners are then counted from their upper left. */
function cellsAround(projected: readonly Projection[], scale: number): Raster {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { corners } of projected)
    for (let i = 0; i < corners.length; i += CORNER) {
      left = Math.min(left, numberAt(corners, i));
      right = Math.max(right, numberAt(corners, i));
      top = Math.min(top, numberAt(corners, i + 1));
      bottom = Math.max(bottom, numberAt(corners, i + 1));
    }
  const [first, above] = [Math.floor(left) - EDGE, Math.floor(top) - EDGE];
  const wide = Math.max(1, Math.ceil(right) + EDGE - first);
  const high = Math.max(1, Math.ceil(bottom) + EDGE - above);
  for (const { corners } of projected)
    for (let i = 0; i < corners.length; i += CORNER) {
      corners[i] = numberAt(corners, i) - first;
      corners[i + 1] = numberAt(corners, i + 1) - above;
    }
  return {
    wide,
    high,
    scale,
    left: first / scale,
    top: -above / scale,
    seen: new Uint16Array(wide * high),
    near: new Float32Array(wide * high).fill(-1000),
    light: new Float32Array(wide * high),
  };
}

/**
 * Fills the cells whose middle one face covers, where it is the nearest. Faces that look away are left out: parts are closed.
 *
 * Long because it runs for every face: each row of cells is filled from edge to edge without looking at cells outside.
 */
function fillFace(
  { wide, seen, near, light }: Raster,
  corners: Float64Array,
  number: number,
  a: number,
  b: number,
  c: number,
): void {
  const [ax, ay] = [numberAt(corners, a), numberAt(corners, a + 1)];
  const [bx, by] = [numberAt(corners, b), numberAt(corners, b + 1)];
  const [cx, cy] = [numberAt(corners, c), numberAt(corners, c + 1)];
  const area = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
  // Rows count downwards, so that a face seen from outside turns the other way round here.
  if (area > -1e-9) return;
  const firstRow = Math.ceil(Math.min(ay, by, cy) - 0.5);
  const lastRow = Math.floor(Math.max(ay, by, cy) - 0.5);
  if (firstRow > lastRow) return;
  const [nearA, nearB, nearC] = [numberAt(corners, a + 2), numberAt(corners, b + 2), numberAt(corners, c + 2)];
  const [lightA, lightB, lightC] = [numberAt(corners, a + 3), numberAt(corners, b + 3), numberAt(corners, c + 3)];
  // Nearness and light change evenly over a face: their values at the origin of the cells and their steps.
  const slope = (va: number, vb: number, vc: number): readonly [number, number] => [
    ((vb - va) * (cy - ay) - (vc - va) * (by - ay)) / area,
    ((vc - va) * (bx - ax) - (vb - va) * (cx - ax)) / area,
  ];
  const [nearX, nearY] = slope(nearA, nearB, nearC);
  const [lightX, lightY] = slope(lightA, lightB, lightC);
  for (let row = firstRow; row <= lastRow; row += 1) {
    const y = row + 0.5;
    let [from, to] = [Infinity, -Infinity];
    for (let edge = 0; edge < 3; edge += 1) {
      const [px, py, qx, qy] = edge === 0 ? [ax, ay, bx, by] : edge === 1 ? [bx, by, cx, cy] : [cx, cy, ax, ay];
      if (py === qy || (py < y && qy < y) || (py > y && qy > y)) continue;
      const x = px + ((y - py) / (qy - py)) * (qx - px);
      from = Math.min(from, x);
      to = Math.max(to, x);
    }
    const last = Math.floor(to - 0.5);
    for (let column = Math.ceil(from - 0.5); column <= last; column += 1) {
      const [dx, dy] = [column + 0.5 - ax, y - ay];
      const distance = nearA + nearX * dx + nearY * dy;
      const cell = row * wide + column;
      if (distance <= (near[cell] ?? 0)) continue;
      near[cell] = distance;
      seen[cell] = number;
      light[cell] = lightA + lightX * dx + lightY * dy;
    }
  }
}

/**
 * What is seen of closed parts, cell by cell: the nearest of them.
 *
 * @param parts of the figure and of what it sits on and holds
 * @param camera from where it is looked at
 * @param scale cells for a whole stature
 */
export function rasterOf(parts: readonly FigurePart[], camera: Camera, scale: number): Raster {
  const weights = weightsOf(camera);
  const around = pointsAround(scale);
  const projected = parts.map((part) => project(surfaceOf(part, around), weights, scale));
  const raster = cellsAround(projected, scale);
  projected.forEach(({ faces, corners }, number) => {
    for (let i = 0; i < faces.length; i += 3)
      fillFace(
        raster,
        corners,
        number + 1,
        CORNER * itemAt(faces, i),
        CORNER * itemAt(faces, i + 1),
        CORNER * itemAt(faces, i + 2),
      );
  });
  return raster;
}
