import type { FitPlace } from "@able-tide/core/fit/place";

/** Rail and helpers that there are, in a few words. */
export function offersInWords({ rail, helpers, pool }: FitPlace): string {
  const many = rail >= 100 ? "for all" : String(rail);
  return `${pool ? "wall" : "rail"} ${many}, helpers ${helpers}`;
}

/** Gaps smaller than this are not worth a word. */
const NO_GAP = 0.0005;

/** How near the fit is to the best there could be. @param gap 0 to 1; null while everybody is being fitted */
export function gapInWords(gap: number | null): string {
  if (gap === null) return "Everybody is being fitted";
  if (gap < NO_GAP) return "No other choice of forms would do the group more good.";
  return `Another choice of forms could do the group at most ${(100 * gap).toFixed(1)} % more good.`;
}
