import type { FitPlace } from "@able-tide/core/fit/place";
import type { BetterFit } from "@able-tide/core/fit/prove";

/** Rail and helpers that there are, in a few words. */
export function offersInWords({ rail, helpers, pool }: FitPlace): string {
  const many = rail >= 100 ? "for all" : String(rail);
  return `${pool ? "wall" : "rail"} ${many}, helpers ${helpers}`;
}

/** What a longer look found, as what to do with it. */
export const betterInWords = ({ gain, holds }: BetterFit): string =>
  `A longer look found ${(100 * gain).toFixed(1)} % more good for the group. Hold ${holds.length} ${holds.length === 1 ? "cell" : "cells"} to it`;

/** Gaps smaller than this are not worth a word. */
export const NO_GAP = 0.0005;

/** How near the fit is to the best there could be. @param gap 0 to 1; null while everybody is being fitted */
export function gapInWords(gap: number | null): string {
  if (gap === null) return "Everybody is being fitted";
  if (gap < NO_GAP) return "No other choice of forms would do the group more good.";
  return `Another choice of forms could do the group at most ${(100 * gap).toFixed(1)} % more good.`;
}
