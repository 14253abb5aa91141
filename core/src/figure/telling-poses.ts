import { pointColumn, ROW_WIDTH, sidedPointColumns } from "../body/channels.ts";
import { numberAt } from "../checked-access.ts";
import { INTERVALS, type SolvedSamples } from "../movement/solved-samples.ts";

/** Points by which poses are told apart. */
const TOLD_BY = [
  ...sidedPointColumns("fingertip"),
  ...sidedPointColumns("palm"),
  ...sidedPointColumns("elbowJoint"),
  ...sidedPointColumns("kneeJoint"),
  ...sidedPointColumns("toe"),
  ...sidedPointColumns("heel"),
  pointColumn("eyes"),
  pointColumn("crown"),
  pointColumn("pelvis"),
];
/** Poses that differ by less, share of stature summed over all points, are one. */
const ALIKE = 0.02;

/** How far two samples differ, shares of stature. */
function difference({ rows }: SolvedSamples, a: number, b: number): number {
  let sum = 0;
  for (const column of TOLD_BY) {
    const step = (axis: number): number =>
      numberAt(rows, a * ROW_WIDTH + column + axis) - numberAt(rows, b * ROW_WIDTH + column + axis);
    sum += Math.hypot(step(0), step(1), step(2));
  }
  return sum;
}

/**
 * The samples at which key poses begin that tell a movement best, in order: the first, and then those that differ the most from
 * the ones taken before. Poses that look alike are shown once.
 *
 * @param samples the solved movement
 * @param most how many at most
 */
export function tellingPoses(samples: SolvedSamples, most: number): readonly number[] {
  const begins = samples.segments.map((_, segment) => segment * (INTERVALS + 1));
  const taken = [0];
  while (taken.length < most) {
    const next = begins
      .map((sample) => ({ sample, apart: Math.min(...taken.map((other) => difference(samples, sample, other))) }))
      .reduce((best, one) => (one.apart > best.apart ? one : best));
    if (next.apart < ALIKE) break;
    taken.push(next.sample);
  }
  return taken.sort((a, b) => a - b);
}
