import { itemAt, numberAt, present } from "../checked-access.ts";
import { INTERVALS, type SolvedSamples } from "./solved-samples.ts";
import { splineDerivatives } from "./timing.ts";

/** A movement's stretches of time, solved or not. */
type Timed = Pick<SolvedSamples, "segments">;

/** How long something is so within a repetition, shares of the repetition. */
export interface TimeSpent {
  readonly total: number;
  /** The longest stretch at a time, going on from the end of a repetition into its beginning; 1 is all of it. */
  readonly longest: number;
}

/** From when to when in the repetition, shares of it, in order. */
type Span = readonly [from: number, to: number];

const TOUCHING = 1e-9;

/**
 * Adds spans up. Those that touch are one stretch, and the last goes on into the first, since repetitions follow one
 * another.
 */
export function timeSpent(spans: readonly Span[]): TimeSpent {
  const spells: [number, number][] = [];
  for (const [from, to] of spans) {
    const last = spells.at(-1);
    if (last && from - last[1] < TOUCHING) last[1] = to;
    else spells.push([from, to]);
  }
  const lengths = spells.map(([from, to]) => to - from);
  const [first] = spells;
  const end = spells.at(-1);
  const goesOn = first && end && first !== end && first[0] < TOUCHING && end[1] > 1 - TOUCHING;
  const joined = goesOn ? itemAt(lengths, 0) + present(lengths.at(-1), "last length") : 0;
  return { total: lengths.reduce((sum, length) => sum + length, 0), longest: Math.max(0, joined, ...lengths) };
}

/** Parts that the curve between two samples is looked at in. */
const PARTS = 8;

/** Value of the cubic between two samples, from their values and their slopes per interval. */
function cubicBetween(from: number, to: number, slopeFrom: number, slopeTo: number, u: number): number {
  const rise = to - from;
  const bend = slopeFrom + slopeTo - 2 * rise;
  return from + u * (slopeFrom + u * (rise - slopeFrom - bend + u * bend));
}

/**
 * When in a repetition a value is above a limit. Between two samples it follows the cubic spline through those of its
 * stretch, so that a crossing is found to about a hundredth of the stretch.
 *
 * @param value of a sample by its number, in the limit's unit
 */
export function timeAbove({ segments }: Timed, value: (sample: number) => number, limit: number): TimeSpent {
  const spans: Span[] = [];
  const over = new Float64Array(INTERVALS + 1);
  segments.forEach(({ from, to, flowStart, flowEnd }, segment) => {
    for (let i = 0; i <= INTERVALS; i += 1) over[i] = value(segment * (INTERVALS + 1) + i) - limit;
    if (over.every((each) => each > 0)) {
      spans.push([from, to]);
      return;
    }
    const slopes = splineDerivatives(over, 1, !flowStart && !flowEnd);
    const step = (to - from) / (INTERVALS * PARTS);
    for (let i = 0; i < INTERVALS; i += 1) {
      const [a, b, slopeA, slopeB] = [numberAt(over, i), numberAt(over, i + 1), numberAt(slopes, i), numberAt(slopes, i + 1)];
      // Below at both ends it is above in between only where it goes up and comes down again; next to a key pose it
      // does not, and the slope there is an estimate where the body flows through.
      const mayPeak = i > 0 && i < INTERVALS - 1 && slopeA > 0 && slopeB < 0;
      if (a <= 0 && b <= 0 && !mayPeak) continue;
      let before = a;
      for (let part = 1; part <= PARTS; part += 1) {
        const after = part === PARTS ? b : cubicBetween(a, b, slopeA, slopeB, part / PARTS);
        const start = from + (i * PARTS + part - 1) * step;
        const crossing = start + (step * before) / (before - after);
        if (before > 0 && after > 0) spans.push([start, start + step]);
        else if (before > 0) spans.push([start, crossing]);
        else if (after > 0) spans.push([crossing, start + step]);
        before = after;
      }
    }
  });
  return timeSpent(spans);
}

/**
 * How long a condition is true, by intervals between two samples.
 *
 * @param isSo by the number of the first of the two
 */
export function timeOfIntervals({ segments }: Timed, isSo: (sample: number) => boolean): TimeSpent {
  const spans: Span[] = [];
  segments.forEach(({ from, to }, segment) => {
    const interval = (to - from) / INTERVALS;
    for (let i = 0; i < INTERVALS; i += 1)
      if (isSo(segment * (INTERVALS + 1) + i)) spans.push([from + i * interval, from + (i + 1) * interval]);
  });
  return timeSpent(spans);
}

/** How long a condition is true, by stretches. */
export const timeOfSegments = ({ segments }: Timed, isSo: (segment: Timed["segments"][number]) => boolean): TimeSpent =>
  timeSpent(segments.flatMap((segment) => (isSo(segment) ? [[segment.from, segment.to] as const] : [])));
