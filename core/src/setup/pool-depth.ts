import { type Build, canStand } from "../body/build.ts";
import type { Cap } from "../caps/cap.ts";
import { strictestNumber } from "../caps/effective.ts";
import { deepestWater } from "./standing-depth.ts";

/** Water to the lower breastbone, share of stature: a third of the weight is left on the feet, and the mouth is far. */
const LOWER_BREASTBONE = 0.7;

/** A pool's floor from the shallow end to the deep, metres; null where no one has measured. */
export interface PoolFloor {
  readonly shallow: number | null;
  readonly deep: number | null;
  /** From the shallow end to the deep. */
  readonly length?: number | null;
}

/** How far someone moves from where they stand, metres. Usual practice. */
export const MOVES_ABOUT = 1;

/** The shallowest water that someone comes to who stands in so much, metres: a step or two up a sloping floor. */
export function shallowestNear(depth: number, { shallow, deep, length }: PoolFloor): number {
  if (shallow === null || deep === null || !length) return Math.min(depth, shallow ?? depth);
  return Math.max(Math.min(shallow, depth), depth - MOVES_ABOUT * floorRiseOf({ shallow, deep, length }));
}

/**
 * By how much the floor of a pool rises towards its shallow end, metres a metre; level where no one has measured it.
 *
 * @param floor of the pool
 */
export const floorRiseOf = ({ shallow, deep, length }: PoolFloor): number =>
  shallow === null || deep === null || !length ? 0 : Math.max(0, (deep - shallow) / length);

/**
 * How deep someone stands in a pool, metres: to the lower breastbone where the floor goes so deep, never out of depth nor
 * beyond a cap on depth, and no shallower than the shallow end. The chair of those who cannot stand is set down at the
 * shallow end, by the hoist.
 */
export function poolDepth(stature: number, build: Build, caps: readonly Cap[], { shallow, deep }: PoolFloor): number {
  if (!canStand(build) && shallow !== null) return shallow;
  const cap = strictestNumber(caps, "waterDepth");
  const most = Math.min(
    LOWER_BREASTBONE * stature,
    deepestWater(stature, build),
    cap === null ? Number.POSITIVE_INFINITY : (cap / 100) * stature,
    deep ?? Number.POSITIVE_INFINITY,
  );
  return Math.max(shallow ?? 0, Math.floor(100 * most + 1e-9) / 100);
}
