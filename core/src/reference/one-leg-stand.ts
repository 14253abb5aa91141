/**
 * One-leg stand, eyes open, each side for itself.
 * Norms: Springer and others 2007, J Geriatr Phys Ther 30, 8-15 (best of three trials, mean by age).
 * Threshold: Vellas and others 1997, J Am Geriatr Soc 45, 735-738 (under 5 s: risk of injurious falls).
 */
export const ONE_LEG_STAND = {
  id: "oneLegStand",
  /** A trial is stopped here. */
  ceiling: 45,
  trials: 3,
  lowThreshold: 5,
  norms: [
    { from: 60, to: 69, mean: 32.1 },
    { from: 70, to: 79, mean: 21.5 },
    { from: 80, to: 99, mean: 9.4 },
  ],
  normSource: "Springer and others 2007",
  thresholdSource: "Vellas and others 1997",
} as const;

/**
 * Mean best-of-three one-leg stand for an age.
 *
 * @param age years
 * @returns seconds, or null where the source has no norm
 */
export function oneLegStandNorm(age: number): number | null {
  return ONE_LEG_STAND.norms.find((band) => age >= band.from && age <= band.to)?.mean ?? null;
}

/** The result of a set of trials: the best of them, no more than the ceiling. Seconds. */
export function bestTrial(trials: readonly number[]): number {
  if (trials.length === 0) throw new RangeError("a result needs a trial");
  return Math.min(ONE_LEG_STAND.ceiling, Math.max(...trials));
}
