/** A place or a direction in space: X forward, Y up, Z to the right. */
export type Vector = readonly [number, number, number];

export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vector): number => Math.sqrt(dot(a, a));

/** The same direction with length 1; a vector of no length stays as it is. */
export function unit(a: Vector): Vector {
  const size = length(a) || 1;
  return [a[0] / size, a[1] / size, a[2] / size];
}

/** The place a share of the way from one to another. */
export const mix = (a: Vector, b: Vector, at: number): Vector => [
  a[0] + at * (b[0] - a[0]),
  a[1] + at * (b[1] - a[1]),
  a[2] + at * (b[2] - a[2]),
];
