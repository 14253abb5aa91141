import { itemAt } from "../checked-access.ts";

/** A place on the floor, [X forward, Z to the right], metres (or shares of H for the unit body). */
export type Point = readonly [number, number];

/**
 * Something that touches the floor, the seat or a rail, as the corners of its outline.
 * A full contact may carry all the weight; a limited one at most `share` of it.
 */
export interface Contact {
  readonly corners: readonly Point[];
  /** Largest share of the weight it may carry, 0 to 1. */
  readonly share: number;
}

/** Largest shares of the limited contacts. */
export const RESTING_SHARE = 0.1;
export const FIRM_HAND_SHARE = 0.15;
/** The share a resting toe or heel is given in a pose. */
export const RESTING_SHARE_USED = 0.05;

const turn = (o: Point, a: Point, b: Point): number => (a[1] - o[1]) * (b[0] - o[0]) - (a[0] - o[0]) * (b[1] - o[1]);

/**
 * Convex hull by the monotone chain, counter-clockwise seen from above.
 *
 * @throws {RangeError} without any point
 */
export function convexHull(points: readonly Point[]): Point[] {
  if (points.length === 0) throw new RangeError("a hull needs points");
  const sorted = [...points].sort((a, b) => a[1] - b[1] || a[0] - b[0]);
  const chain = (ordered: readonly Point[]): Point[] => {
    const kept: Point[] = [];
    for (const point of ordered) {
      while (kept.length >= 2 && turn(itemAt(kept, kept.length - 2), itemAt(kept, kept.length - 1), point) <= 1e-15) kept.pop();
      kept.push(point);
    }
    kept.pop();
    return kept;
  };
  const hull = [...chain(sorted), ...chain(sorted.reverse())];
  return hull.length === 0 ? [itemAt(sorted, 0)] : hull;
}

/**
 * Base of support: hull over the subsets S of the limited contacts of
 * (1 - sum of shares) . hull(full contacts) + sum of shares . contact.
 *
 * @returns corners, counter-clockwise seen from above; empty when nothing carries full weight
 */
export function baseOfSupport(contacts: readonly Contact[]): Point[] {
  const full = contacts.filter((contact) => contact.share >= 1).flatMap((contact) => contact.corners);
  if (full.length === 0) return [];
  const hull = convexHull(full);
  const limited = contacts.filter((contact) => contact.share > 0 && contact.share < 1);
  const corners: Point[] = [];
  for (let subset = 0; subset < 1 << limited.length; subset += 1) {
    const members = limited.filter((_, i) => subset & (1 << i));
    const kept = 1 - members.reduce((sum, contact) => sum + contact.share, 0);
    let reached: Point[] = hull.map(([x, z]) => [kept * x, kept * z]);
    for (const { corners: patch, share } of members)
      reached = reached.flatMap(([x, z]) => patch.map(([px, pz]): Point => [x + share * px, z + share * pz]));
    corners.push(...reached);
  }
  return convexHull(corners);
}

/**
 * Signed distance from a place on the floor to the edge of the base of support.
 *
 * @param place for instance the extrapolated centre of mass, metres
 * @param base convex polygon, counter-clockwise seen from above, metres; at least three corners
 * @returns metres, positive inside
 * @throws {RangeError} if the base has fewer than three corners
 * @see Hof, Gazendam and Sinke 2005, J Biomech 38, 1-8
 */
export function marginOfStability(place: Point, base: readonly Point[]): number {
  if (base.length < 3) throw new RangeError("a base of support has at least three corners");
  let inside = Number.POSITIVE_INFINITY;
  let outside = Number.POSITIVE_INFINITY;
  let a = itemAt(base, base.length - 1);
  for (const b of base) {
    const edgeX = b[0] - a[0];
    const edgeZ = b[1] - a[1];
    const square = edgeX * edgeX + edgeZ * edgeZ;
    const toX = place[0] - a[0];
    const toZ = place[1] - a[1];
    inside = Math.min(inside, (edgeZ * toX - edgeX * toZ) / Math.sqrt(square));
    const along = Math.min(1, Math.max(0, (toX * edgeX + toZ * edgeZ) / square));
    const awayX = toX - along * edgeX;
    const awayZ = toZ - along * edgeZ;
    outside = Math.min(outside, awayX * awayX + awayZ * awayZ);
    a = b;
  }
  return inside >= 0 ? inside : -Math.sqrt(outside);
}

/** Where a body would go over the edge of its base. */
export const DIRECTIONS = ["ahead", "back", "left", "right"] as const;
export type Direction = (typeof DIRECTIONS)[number];

/**
 * The side of the base of support that a place is nearest to, or furthest beyond: where the margin is least.
 *
 * @param place X forward, Z to the person's right
 * @param base convex polygon, counter-clockwise seen from above; at least three corners
 */
export function nearestEdge(place: Point, base: readonly Point[]): Direction {
  let least = Number.POSITIVE_INFINITY;
  let outX = 0;
  let outZ = 0;
  let a = itemAt(base, base.length - 1);
  for (const b of base) {
    const edgeX = b[0] - a[0];
    const edgeZ = b[1] - a[1];
    const inside = (edgeZ * (place[0] - a[0]) - edgeX * (place[1] - a[1])) / Math.hypot(edgeX, edgeZ);
    if (inside < least) {
      least = inside;
      outX = -edgeZ;
      outZ = edgeX;
    }
    a = b;
  }
  if (Math.abs(outX) >= Math.abs(outZ)) return outX > 0 ? "ahead" : "back";
  return outZ > 0 ? "right" : "left";
}
