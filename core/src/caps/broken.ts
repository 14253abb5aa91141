import { handOver, LANDMARK_TOLERANCE, sidedColumn } from "../body/channels.ts";
import type { Demand } from "../movement/demand.ts";
import type { Feature } from "../movement/features.ts";
import type { FormKind } from "../movement/form.ts";
import { sideIndex } from "../side.ts";
import { CAP_TOLERANCE, type Cap, type CapLimit, sidesOf } from "./cap.ts";

/** Features that a shape has at every size or at none. */
const HOLDS: readonly Feature[] = ["holdsWithLeft", "holdsWithRight"];

/** Whether a form is done on the feet. */
export const isOnFeet = (kind: FormKind): boolean => kind !== "seated";

/**
 * Whether poses go beyond a cap on range.
 *
 * @param highest highest value of every column over some poses
 * @returns false for caps that are not on range
 */
export function breaksInPose({ limit }: Cap, highest: Float64Array): boolean {
  const over = (name: Parameters<typeof sidedColumn>[0], most: number): boolean =>
    sidesOf(limit).some((side) => (highest[sidedColumn(name, side)] as number) > most);
  switch (limit.channel) {
    case "handHeight":
      return over(handOver(limit.limit), LANDMARK_TOLERANCE + CAP_TOLERANCE.share);
    case "loadedKnee":
      return over("loadedKnee", limit.limit + CAP_TOLERANCE.degrees);
    case "dorsiflexion":
      return over("heelDownDorsiflexion", limit.limit + CAP_TOLERANCE.degrees);
    default:
      return false;
  }
}

/** Whether a cap forbids every size of a form that shows this demand: what it breaks does not depend on size. */
export function forbidsAtAnySize({ limit }: Cap, kind: FormKind, demand: Demand): boolean {
  switch (limit.channel) {
    case "noStanding":
      return isOnFeet(kind);
    case "oneLegSeconds":
      return breaksOneLeg(limit, demand);
    case "barredFeature":
      return HOLDS.includes(limit.limit) && demand.features.has(limit.limit);
    case "steadiness":
      return demand.quietSteadiness > limit.limit + CAP_TOLERANCE.degrees;
    default:
      return false;
  }
}

const breaksOneLeg = (limit: CapLimit & { channel: "oneLegSeconds" }, demand: Demand): boolean =>
  sidesOf(limit).some((side) => demand.longestOneLeg[sideIndex(side)] > limit.limit + CAP_TOLERANCE.share);

/**
 * Whether one round of a form goes beyond a cap. Caps on a sum over the session are the session's business:
 * see fit/session.ts.
 */
export function breaks(cap: Cap, kind: FormKind, demand: Demand): boolean {
  const { limit } = cap;
  switch (limit.channel) {
    case "handHeight":
    case "loadedKnee":
    case "dorsiflexion":
      return breaksInPose(cap, demand.highest);
    case "oneLegSeconds":
      return breaksOneLeg(limit, demand);
    case "steadiness":
      return demand.steadiness.total > limit.limit + CAP_TOLERANCE.degrees;
    case "noStanding":
      return isOnFeet(kind);
    case "barredFeature":
      return demand.features.has(limit.limit);
    case "standingMinutes":
      return false;
  }
}
