import { itemAt, numberAt } from "../checked-access.ts";

/**
 * Minimum-jerk time course from rest to rest: 10u^3 - 15u^4 + 6u^5.
 *
 * @param u share of the way, 0 to 1
 * @see Flash and Hogan 1985, J Neurosci 5, 1688-1703
 */
export const minimumJerk = (u: number): number => u * u * u * (10 + u * (-15 + 6 * u));

/**
 * The quintic with zero acceleration at both ends, of which minimum jerk is the case without end slopes.
 *
 * @param from value at u = 0
 * @param to value at u = 1
 * @param slopeFrom change per whole segment at u = 0
 * @param slopeTo change per whole segment at u = 1
 */
export function quinticBetween(from: number, to: number, slopeFrom: number, slopeTo: number, u: number): number {
  const rise = to - from;
  const cubic = 10 * rise - 6 * slopeFrom - 4 * slopeTo;
  const quartic = -15 * rise + 8 * slopeFrom + 7 * slopeTo;
  const quintic = 6 * rise - 3 * slopeFrom - 3 * slopeTo;
  return from + slopeFrom * u + u * u * u * (cubic + u * (quartic + u * quintic));
}

/**
 * Slope at a key that is flowed through: the weighted harmonic mean of the neighbouring secants, at most twice
 * the smaller, 0 where the direction turns. The channel then peaks only at keys.
 *
 * @param before secant of the segment before, per unit of phase
 * @param after secant of the segment after
 * @param lengthBefore phase length of the segment before
 * @see Fritsch and Butland 1984, SIAM J Sci Stat Comput 5, 300-304
 */
export function flowSlope(before: number, after: number, lengthBefore: number, lengthAfter: number): number {
  if (before * after <= 0) return 0;
  const weightBefore = 2 * lengthAfter + lengthBefore;
  const weightAfter = lengthAfter + 2 * lengthBefore;
  const mean = (weightBefore + weightAfter) / (weightBefore / before + weightAfter / after);
  const most = 2 * Math.min(Math.abs(before), Math.abs(after));
  return Math.sign(mean) * Math.min(Math.abs(mean), most);
}

/**
 * Derivatives at evenly spaced samples by the clamped cubic spline, which is of fourth order here.
 *
 * @param values samples, at least four
 * @param spacing distance between samples
 * @param atRest whether the derivative is 0 at both ends; otherwise it is estimated from the first and last four
 */
export function splineDerivatives(values: ArrayLike<number>, spacing: number, atRest: boolean): Float64Array {
  const n = values.length;
  const at = (i: number) => itemAt(values, i);
  const slopes = new Float64Array(n);
  if (!atRest) {
    slopes[0] = (-11 * at(0) + 18 * at(1) - 9 * at(2) + 2 * at(3)) / (6 * spacing);
    slopes[n - 1] = (11 * at(n - 1) - 18 * at(n - 2) + 9 * at(n - 3) - 2 * at(n - 4)) / (6 * spacing);
  }
  // Thomas algorithm on m(i-1) + 4 m(i) + m(i+1) = 3 (v(i+1) - v(i-1)) / h.
  const scaled = new Float64Array(n);
  for (let i = 1; i < n - 1; i += 1) {
    const divisor = 4 - numberAt(scaled, i - 1);
    scaled[i] = 1 / divisor;
    const right = (3 * (at(i + 1) - at(i - 1))) / spacing - (i === n - 2 ? numberAt(slopes, n - 1) : 0);
    slopes[i] = (right - numberAt(slopes, i - 1)) / divisor;
  }
  for (let i = n - 3; i >= 1; i -= 1) slopes[i] = numberAt(slopes, i) - numberAt(scaled, i) * numberAt(slopes, i + 1);
  return slopes;
}
