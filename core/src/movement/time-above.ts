import type { FormSamples } from "./samples.ts";
import { INTERVALS, valueAt } from "./solved-samples.ts";

/**
 * Seconds of a round that a value of the body is above a limit; between two samples it is taken to change evenly.
 *
 * @param columnNumber any range or reading, see channels.ts; the limit in its unit
 * @param cycleSeconds seconds of one round
 * @example secondsAbove(samples, sidedColumn("shoulderElevation", "left"), 90, 8)
 */
export function secondsAbove(samples: FormSamples, columnNumber: number, limit: number, cycleSeconds: number): number {
  let share = 0;
  samples.segments.forEach(({ from, to }, segment) => {
    const interval = (to - from) / INTERVALS;
    for (let i = 0; i < INTERVALS; i += 1) {
      const sample = segment * (INTERVALS + 1) + i;
      const before = valueAt(samples, sample, columnNumber) - limit;
      const after = valueAt(samples, sample + 1, columnNumber) - limit;
      if (before > 0 && after > 0) share += interval;
      else if (before > 0 || after > 0) share += (interval * Math.max(before, after)) / Math.abs(before - after);
    }
  });
  return share * cycleSeconds;
}
