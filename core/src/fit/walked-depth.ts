import { walkOf } from "../movement/travel.ts";
import { type FitItem, maxRepetitions } from "./fit-plan.ts";

/** Someone in a pool: their stature, where they stand, the shallowest place they come to anyway, metres, and the slope. */
interface InPool {
  readonly stature: number;
  readonly depth?: number | null;
  readonly shallowest?: number | null;
  readonly floorRise?: number;
}

/** No walk leads into less water, metres. */
const LEAST_DEPTH = 0.3;

/**
 * The shallowest water that someone comes to in an item, metres: on a walk, as far up the floor as it leads, whichever way they
 * begin.
 *
 * @param person in a pool
 * @param item that they do
 * @returns null on land
 */
export function shallowestIn(
  { stature, depth = null, shallowest = null, floorRise = 0 }: InPool,
  { movement, turns }: Pick<FitItem, "movement" | "turns">,
): number | null {
  if (depth === null) return shallowest;
  const walked = Math.abs(walkOf(movement, "water").ahead) * stature * maxRepetitions({ turns });
  return walked === 0 ? shallowest : Math.min(shallowest ?? depth, Math.max(LEAST_DEPTH, depth - floorRise * walked));
}
