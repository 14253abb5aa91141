import { cross, minus, unit, type Vector } from "../body/vector.ts";
import { numberAt } from "../checked-access.ts";
import type { Side } from "../side.ts";

/** What a part of the figure is made of; a rendering gives each its colour. */
export const MATERIALS = [
  "skin",
  "palm",
  "hair",
  "eye",
  "nose",
  "shirt",
  "placket",
  "trousers",
  "band",
  "shoe",
  "leftShoe",
  "sole",
  "prosthesis",
  "sling",
  "helper",
  "wood",
  "cushion",
  "metal",
  "tyre",
  "wall",
  "float",
] as const;
/** One of {@link MATERIALS}. */
export type Material = (typeof MATERIALS)[number];

/** Materials that lie within the skin: no line is drawn round them, their colour alone tells them. */
export const WITHIN_SKIN: readonly Material[] = ["palm", "eye", "nose"];

/** Numbers that one ring takes: centre, axis u, axis v (three each), half breadth along u, depth ahead and behind along v. */
export const RING_WIDTH = 12;

/**
 * A closed body made of rings, each an ellipse whose two halves along v may differ in depth. The first and the last ring are
 * closed by a flat lid. All lengths are shares of stature, in the room of the solved row: X ahead, Y up, Z to the right.
 *
 * Along a part u x v looks the way that its rings go, so that every face looks outwards.
 */
export interface FigurePart {
  /** Parts with one name are drawn as one: no line between them where they lie at one depth. */
  readonly name: string;
  readonly material: Material;
  /** The side of the person that it belongs to; null for the midline and for what is not of the body. */
  readonly side: Side | null;
  /** Round: an ellipse; box: a rectangle of the same measures, with sharp edges. */
  readonly section: "round" | "box";
  /** {@link RING_WIDTH} numbers a ring. */
  readonly rings: Float64Array;
}

/** One ring, before it is written into a part. */
export interface Ring {
  readonly at: Vector;
  readonly u: Vector;
  readonly v: Vector;
  readonly half: number;
  readonly front: number;
  readonly back: number;
}

/** What a part is besides its rings. */
export type PartKind = Pick<FigurePart, "name" | "material" | "side"> & { readonly section?: "round" | "box" };

/**
 * Makes a part of its rings.
 *
 * @param kind its name, material and side; a round section unless it says another
 * @param rings in the order that they follow each other, at least two, shares of stature
 */
export function partOf({ name, material, side, section = "round" }: PartKind, rings: readonly Ring[]): FigurePart {
  const numbers = new Float64Array(rings.length * RING_WIDTH);
  rings.forEach(({ at, u, v, half, front, back }, i) => {
    numbers.set([...at, ...u, ...v, half, front, back], i * RING_WIDTH);
  });
  return { name, material, side, section, rings: numbers };
}

/**
 * How many rings a part has.
 *
 * @param part any part
 */
export const ringCount = ({ rings }: FigurePart): number => rings.length / RING_WIDTH;

/** Parts of fewer rings than these are not made coarser. */
const FEWEST_TO_THIN = 7;

/**
 * A coarser part: every second ring is left out, the first and the last stay. Hands stay as they are, since they are read most.
 *
 * @param part any part; one of few rings stays as it is
 */
export function thinned(part: FigurePart): FigurePart {
  const count = ringCount(part);
  if (count < FEWEST_TO_THIN || part.name === "hand") return part;
  const stays = (ring: number): boolean => ring % 2 === 0 || ring === count - 1;
  return { ...part, rings: part.rings.filter((_, place) => stays(Math.floor(place / RING_WIDTH))) };
}

/**
 * One ring of a part.
 *
 * @param part any part
 * @param ring its number, from 0
 */
export function ringOf({ rings }: FigurePart, ring: number): Ring {
  const at = (place: number): number => numberAt(rings, ring * RING_WIDTH + place);
  const vector = (from: number): Vector => [at(from), at(from + 1), at(from + 2)];
  return { at: vector(0), u: vector(3), v: vector(6), half: at(9), front: at(10), back: at(11) };
}

/** A place so far from another along a direction. @param by shares of stature */
export const moved = (from: Vector, along: Vector, by: number): Vector => [
  from[0] + by * along[0],
  from[1] + by * along[1],
  from[2] + by * along[2],
];

/** A direction square to another, as near to a wished one as may be; any square one where both point the same way. */
export function squareTo(direction: Vector, wished: Vector): Vector {
  const dot = direction[0] * wished[0] + direction[1] * wished[1] + direction[2] * wished[2];
  const rest = moved(wished, direction, -dot);
  if (Math.hypot(...rest) > 1e-3) return unit(rest);
  const other: Vector = Math.abs(direction[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0];
  return unit(cross(direction, other));
}

/** The two axes of a ring that looks along a direction. @param wished about where v should look */
export function axesAlong(direction: Vector, wished: Vector): { readonly u: Vector; readonly v: Vector } {
  const v = squareTo(direction, wished);
  return { u: cross(v, direction), v };
}

/** Rings that round off an end: how far they are along, and how much of the breadth is left there. */
const ROUNDED = [
  [1, 0.02],
  [0.92, 0.39],
  [0.7, 0.71],
  [0.38, 0.92],
] as const;

/**
 * Rounds off one end of a part.
 *
 * @param ring the last full ring
 * @param outwards unit direction in which the part ends
 * @param by how far the round end reaches beyond the ring, share of stature
 * @param first whether the part begins there, so that the rings come from outside in
 */
export function roundedEnd(ring: Ring, outwards: Vector, by: number, first: boolean): Ring[] {
  const rings = ROUNDED.map(
    ([along, left]): Ring => ({
      ...ring,
      at: moved(ring.at, outwards, by * along),
      half: ring.half * left,
      front: ring.front * left,
      back: ring.back * left,
    }),
  );
  return first ? rings : rings.reverse();
}

/**
 * A straight bar, round or with edges.
 *
 * @param kind its name, material, side and section
 * @param from one end
 * @param to the other end
 * @param half half its breadth along u, share of stature
 * @param deep half its depth along v; as broad as deep unless it is said
 * @param wished about where v looks
 */
export function barOf(
  kind: PartKind,
  from: Vector,
  to: Vector,
  half: number,
  deep: number = half,
  wished: Vector = [0, 1, 0],
): FigurePart {
  const direction = unit(minus(to, from));
  const { u, v } = axesAlong(direction, wished);
  const ring = (at: Vector): Ring => ({ at, u, v, half, front: deep, back: deep });
  return partOf(kind, [ring(from), ring(to)]);
}
