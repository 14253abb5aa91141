import { numberAt } from "../checked-access.ts";
import { type FigurePart, RING_WIDTH, ringCount } from "./part.ts";

/** The corners of a part: rings of points, and which way its surface looks at each. */
export interface Surface {
  /** Points on each ring. */
  readonly around: number;
  readonly rings: number;
  /** rings x around x 3, shares of stature. */
  readonly points: Float64Array;
  /** The same for the unit directions outwards. */
  readonly normals: Float64Array;
}

/** Cosine and sine around a ring: even steps of an ellipse, or the four corners of a rectangle. */
function sectionOf(section: FigurePart["section"], around: number): { readonly cos: number[]; readonly sin: number[] } {
  if (section === "box") return { cos: [1, -1, -1, 1], sin: [1, 1, -1, -1] };
  const angles = Array.from({ length: around }, (_, i) => (2 * Math.PI * i) / around);
  return { cos: angles.map(Math.cos), sin: angles.map(Math.sin) };
}

/**
 * The corners of a part, in order round each ring and from ring to ring.
 *
 * @param part any part
 * @param around points on each ring of a round part; a box has its four corners
 */
export function surfaceOf(part: FigurePart, around: number): Surface {
  const { cos, sin } = sectionOf(part.section, around);
  const points = new Float64Array(ringCount(part) * cos.length * 3);
  const normals = new Float64Array(points.length);
  const count = ringCount(part);
  for (let ring = 0; ring < count; ring += 1) {
    const from = ring * RING_WIDTH;
    const at = (place: number): number => numberAt(part.rings, from + place);
    const [half, front, back] = [at(9), at(10), at(11)];
    for (let i = 0; i < cos.length; i += 1) {
      const [c, s] = [cos[i] ?? 0, sin[i] ?? 0];
      const deep = s < 0 ? back : front;
      const [along, square] = [half * c, deep * s];
      const [outU, outV] = [c * deep, s * half];
      const to = 3 * (ring * cos.length + i);
      let size = 0;
      for (let axis = 0; axis < 3; axis += 1) {
        const [u, v] = [at(3 + axis), at(6 + axis)];
        points[to + axis] = at(axis) + along * u + square * v;
        const out = outU * u + outV * v;
        normals[to + axis] = out;
        size += out * out;
      }
      const long = Math.sqrt(size) || 1;
      for (let axis = 0; axis < 3; axis += 1) normals[to + axis] = numberAt(normals, to + axis) / long;
    }
  }
  return { around: cos.length, rings: count, points, normals };
}

/**
 * The faces of a part as triangles, numbers of its corners three by three, seen from outside against the clock. The last two
 * fans close its ends.
 *
 * @param surface of the part
 */
export function facesOf({ around, rings }: Pick<Surface, "around" | "rings">): number[] {
  const faces: number[] = [];
  for (let ring = 0; ring + 1 < rings; ring += 1)
    for (let i = 0; i < around; i += 1) {
      const next = (i + 1) % around;
      const [a, b] = [ring * around + i, ring * around + next];
      const [c, d] = [(ring + 1) * around + i, (ring + 1) * around + next];
      faces.push(a, b, c, b, d, c);
    }
  const last = (rings - 1) * around;
  for (let i = 1; i + 1 < around; i += 1) {
    faces.push(0, i + 1, i);
    faces.push(last, last + i, last + i + 1);
  }
  return faces;
}
