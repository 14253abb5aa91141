import { type Build, USUAL_BUILD } from "../body/build.ts";
import { isOutOfDepth, weightInWater } from "../body/buoyancy.ts";
import { uprightRow } from "../body/upright.ts";

const STEPS = 40;

/** Deepest water someone may stand in, metres: never out of depth. */
export function deepestWater(stature: number, build: Build = USUAL_BUILD): number {
  const row = uprightRow(build);
  let low = 0;
  let high = stature;
  for (let step = 0; step < STEPS; step += 1) {
    const middle = (low + high) / 2;
    if (isOutOfDepth(row, middle / stature, stature)) high = middle;
    else low = middle;
  }
  return low;
}

/**
 * Depth of water that leaves a share of the weight on the feet of someone standing still, metres.
 *
 * @param share 0 to 1
 * @returns null where that would put them out of depth
 */
export function depthForShare(share: number, stature: number, build: Build = USUAL_BUILD): number | null {
  const deepest = deepestWater(stature, build);
  const row = uprightRow(build);
  const shareAt = (depth: number) => weightInWater(row, depth / stature, build).share;
  if (shareAt(deepest) > share) return null;
  let low = 0;
  let high = deepest;
  // Deeper water never leaves more, so halving finds it.
  for (let step = 0; step < STEPS; step += 1) {
    const middle = (low + high) / 2;
    if (shareAt(middle) > share) low = middle;
    else high = middle;
  }
  return high;
}
