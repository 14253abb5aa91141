import { itemAt, numberAt } from "../checked-access.ts";
import { type FigurePart, MATERIALS, RING_WIDTH, ringCount } from "./part.ts";

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

/** Which way a round surface looks: square to the way along it and to the way round it. */
function smoothNormals(points: Float64Array, rings: number, around: number): Float64Array {
  const normals = new Float64Array(points.length);
  const at = (ring: number, i: number): number => 3 * (Math.min(rings - 1, Math.max(0, ring)) * around + ((i + around) % around));
  for (let ring = 0; ring < rings; ring += 1)
    for (let i = 0; i < around; i += 1) {
      const [before, after, less, more] = [at(ring - 1, i), at(ring + 1, i), at(ring, i - 1), at(ring, i + 1)];
      const step = (from: number, to: number, axis: number): number =>
        numberAt(points, to + axis) - numberAt(points, from + axis);
      const [ax, ay, az] = [step(less, more, 0), step(less, more, 1), step(less, more, 2)];
      const [bx, by, bz] = [step(before, after, 0), step(before, after, 1), step(before, after, 2)];
      const [x, y, z] = [ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx];
      const size = Math.sqrt(x * x + y * y + z * z) || 1;
      const to = at(ring, i);
      normals[to] = x / size;
      normals[to + 1] = y / size;
      normals[to + 2] = z / size;
    }
  return normals;
}

/**
 * The corners of a part, in order round each ring and from ring to ring.
 *
 * @param part any part
 * @param around points on each ring of a round part; a box has its four corners
 */
export function surfaceOf(part: FigurePart, around: number): Surface {
  const { cos, sin } = sectionOf(part.section, around);
  const count = ringCount(part);
  const points = new Float64Array(count * cos.length * 3);
  for (let ring = 0; ring < count; ring += 1) {
    const from = ring * RING_WIDTH;
    const at = (place: number): number => numberAt(part.rings, from + place);
    const [half, front, back] = [at(9), at(10), at(11)];
    for (let i = 0; i < cos.length; i += 1) {
      const [along, square] = [half * (cos[i] ?? 0), (sin[i] ?? 0) * ((sin[i] ?? 0) < 0 ? back : front)];
      const to = 3 * (ring * cos.length + i);
      for (let axis = 0; axis < 3; axis += 1) points[to + axis] = at(axis) + along * at(3 + axis) + square * at(6 + axis);
    }
  }
  return { around: cos.length, rings: count, points, normals: smoothNormals(points, count, cos.length) };
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

/** Closed parts as one mesh of triangles. */
export interface Mesh {
  /** Three a corner, shares of stature. */
  readonly positions: Float32Array;
  /** Three a corner, unit directions outwards. */
  readonly normals: Float32Array;
  /** Of each corner, the number of its material in {@link MATERIALS}. */
  readonly materials: Uint8Array;
  /** Three corners a face, seen from outside against the clock. */
  readonly faces: Uint32Array;
}

/** A part's corners for a mesh: those of a box once for each face that they belong to, so that its edges stay sharp. */
function cornersOf(
  part: FigurePart,
  around: number,
): { readonly points: Float64Array; readonly normals: Float64Array; readonly faces: readonly number[] } {
  const surface = surfaceOf(part, around);
  const faces = facesOf(surface);
  if (part.section === "round") return { points: surface.points, normals: surface.normals, faces };
  const points = new Float64Array(3 * faces.length);
  const normals = new Float64Array(3 * faces.length);
  for (let face = 0; face < faces.length; face += 3) {
    const place = (corner: number, axis: number): number => numberAt(surface.points, 3 * (faces[face + corner] ?? 0) + axis);
    const edge = (to: number): readonly number[] => [0, 1, 2].map((axis) => place(to, axis) - place(0, axis));
    const [[ax = 0, ay = 0, az = 0], [bx = 0, by = 0, bz = 0]] = [edge(1), edge(2)];
    const out = [ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx];
    const size = Math.hypot(...out) || 1;
    for (let corner = 0; corner < 3; corner += 1)
      for (let axis = 0; axis < 3; axis += 1) {
        const to = 3 * (face + corner) + axis;
        points[to] = place(corner, axis);
        normals[to] = (out[axis] ?? 0) / size;
      }
  }
  return { points, normals, faces: faces.map((_, i) => i) };
}

/**
 * One mesh of many parts.
 *
 * @param parts closed parts
 * @param around points on each ring of a round part
 * @param into a mesh of the same parts in another pose, to be filled again; a new one is made where it does not fit
 */
export function meshOf(parts: readonly FigurePart[], around: number, into?: Mesh): Mesh {
  const corners = parts.map((part) => cornersOf(part, around));
  const count = corners.reduce((sum, { points }) => sum + points.length / 3, 0);
  const faceCount = corners.reduce((sum, { faces }) => sum + faces.length, 0);
  const fits = into?.materials.length === count && into.faces.length === faceCount;
  const mesh =
    into && fits
      ? into
      : {
          positions: new Float32Array(3 * count),
          normals: new Float32Array(3 * count),
          materials: new Uint8Array(count),
          faces: new Uint32Array(faceCount),
        };
  let [corner, face] = [0, 0];
  corners.forEach(({ points, normals, faces }, number) => {
    mesh.positions.set(points, 3 * corner);
    mesh.normals.set(normals, 3 * corner);
    mesh.materials.fill(MATERIALS.indexOf(itemAt(parts, number).material), corner, corner + points.length / 3);
    for (const from of faces) {
      mesh.faces[face] = corner + from;
      face += 1;
    }
    corner += points.length / 3;
  });
  return mesh;
}
