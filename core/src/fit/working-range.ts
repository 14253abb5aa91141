import type { Cap, CapLimit } from "../caps/cap.ts";
import type { TeachingStyle } from "../plan/style.ts";
import { HIP_ROOM } from "../setup/seat.ts";

/**
 * The share of a cap on range or load that variants are worked up to, by how large a style works. Bigger is not better.
 */
export const WORKING_SHARES: Readonly<Record<TeachingStyle["size"], number>> = {
  smallAndExact: 0.6,
  comfortable: 0.8,
  longStretch: 0.9,
};

/**
 * Caps on how far a joint goes and what it carries. A landmark has no share, and weight on a leg is not a matter of
 * size.
 */
const WORKED: readonly CapLimit["channel"][] = [
  "motion",
  "loadedKnee",
  "dorsiflexion",
  "straightKneeDorsiflexion",
  "kneeLoad",
  "shoulderLoad",
  "lowBackLoad",
  "shoulderDrag",
  "hipDrag",
];

/**
 * A cap as variants are worked up to it. The cap itself is never touched. A range that stays on the other side of
 * zero (a hip that never straightens) is kept as it is: a share of it would allow more.
 *
 * @param share 0 to 1
 */
export function workedCap(cap: Cap, share: number): Cap {
  const { limit } = cap;
  if (!WORKED.includes(limit.channel) || !("limit" in limit) || typeof limit.limit !== "number" || limit.limit <= 0) return cap;
  // A seat leaves a hip so much room and no more: a share of its cap would leave nothing to sit on.
  const least = limit.channel === "motion" && limit.motion === "hipFlexion" ? limit.limit - HIP_ROOM : 0;
  return { ...cap, limit: { ...limit, limit: Math.max(least, share * limit.limit) } as CapLimit };
}
