import { clamp, type FloorPosition } from "./floor-position.ts";

/** So much nearer on the way is no matter, metres: no one walks so evenly. */
export const WAY_TOLERANCE = 0.05;

/**
 * A place so far from another, metres.
 *
 * @param place where it begins
 * @param by from there
 */
export const movedBy = (place: FloorPosition, by: FloorPosition): FloorPosition => ({ x: place.x + by.x, z: place.z + by.z });

/**
 * Where someone is before their walks and after each, metres.
 *
 * @param place their own
 * @param walk where walks take them from it, one after another
 */
export const wayOf = (place: FloorPosition, { walk }: { readonly walk: readonly FloorPosition[] }): FloorPosition[] => [
  place,
  ...walk.map((to) => movedBy(place, to)),
];

/** Nearer to a wall than this at the end of a walk is too near, metres. */
const TO_WALL = 0.4;

/**
 * How far too near a wall walks lead, or past the floor, metres.
 *
 * @param floor length and width, metres
 * @param walked where walks lead
 * @returns 0 where they stay away from the walls
 */
export const pastTheFloor = (
  { length, width }: { readonly length: number; readonly width: number },
  walked: readonly FloorPosition[],
): number => Math.max(0, ...walked.map(({ x, z }) => TO_WALL - Math.min(x, length - x, z, width - z)));

/**
 * The least distance of two people who walk at the same time, each evenly from one place to the next, metres.
 *
 * @param one places of the first, one after another
 * @param other as many of the second
 */
export function nearestOnTheWay(one: readonly FloorPosition[], other: readonly FloorPosition[]): number {
  const between = one.map((place, i) => {
    const there = other[i] ?? place;
    return { x: place.x - there.x, z: place.z - there.z };
  });
  return between.reduce((least, to, i) => {
    const from = between[i - 1] ?? to;
    const along = { x: to.x - from.x, z: to.z - from.z };
    const length = along.x ** 2 + along.z ** 2;
    const t = length === 0 ? 0 : clamp(-(from.x * along.x + from.z * along.z) / length, 0, 1);
    return Math.min(least, Math.hypot(from.x + t * along.x, from.z + t * along.z));
  }, Number.POSITIVE_INFINITY);
}
