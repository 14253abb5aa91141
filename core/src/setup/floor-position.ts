/**
 * A place on the floor, metres: `x` from the instructor's wall into the room, `z` from its left as the instructor sees
 * it.
 */
export interface FloorPosition {
  readonly x: number;
  readonly z: number;
}

/**
 * A number kept between two others; the least where they cross.
 *
 * @param value to keep
 * @param least it may be
 * @param most it may be
 */
export const clamp = (value: number, least: number, most: number): number =>
  Math.min(Math.max(least, value), Math.max(least, most));

/**
 * How far two places are from each other, metres.
 *
 * @param a one of them
 * @param b the other
 */
export const distance = (a: FloorPosition, b: FloorPosition): number => Math.hypot(a.x - b.x, a.z - b.z);
