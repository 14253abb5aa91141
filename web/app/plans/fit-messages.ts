import { type ImprovedFit, NO_GAP } from "@able-tide/core/leading/refine-fit";
import type { VenueResources } from "@able-tide/core/venues/resources";

/** Rail and helpers that there are, in a few words. */
export function formatSupportOptions({ rail, helpers, pool }: VenueResources): string {
  const many = rail >= 100 ? "enough for everyone" : String(rail);
  return `${pool ? "wall" : "rail"} ${many}, helpers ${helpers}`;
}

/** What a longer look found, as what to do with it. */
export const formatImprovement = ({ gain, holds }: ImprovedFit): string =>
  `Found a mix of variants that raises the group score by ${(100 * gain).toFixed(1)}%. Pin ${holds.length} ${holds.length === 1 ? "variant" : "variants"}`;

/** How near the fit is to the best there could be. @param gap 0 to 1; null while everyone is being fitted */
export function formatGap(gap: number | null): string {
  if (gap === null) return "Fitting all participants…";
  if (gap < NO_GAP) return "No better mix of variants found for this group.";
  return `A better mix of variants could raise the group score by at most ${(100 * gap).toFixed(1)}%.`;
}
