import { oneLegDemand, risingDemand, seatedBaseDemand, standingBaseDemand, toeDownDemand } from "../body/balance-demand.ts";
import { type FootContact, isOff } from "../body/pose.ts";
import { seatNamed } from "../body/seats.ts";
import { itemAt } from "../checked-access.ts";
import { type Pair, SIDES, sideIndex } from "../side.ts";
import { times } from "./demand-samples.ts";
import { type Footing, footingOf } from "./footing.ts";
import { oneLegPeriods, otherFoot, supportOf, timedHoldPeriods, toeDownPeriods } from "./reading.ts";
import type { Track } from "./track.ts";

/** A stump is no foot that leaves the floor, and neither is a leg that lies on a bed. */
export const leavesFloor = (contact: FootContact): boolean => isOff(contact) && contact !== "absent" && contact !== "lying";

/** Static demand of the base of one segment; the longest stretches are in seconds. */
export function baseDemand({ frame, width, offset }: Footing, longest: { oneLeg: Pair; toeDown: Pair }): number {
  const { seating, feet } = frame;
  if (seating.kind === "seated") {
    const { soft, legs } = seatNamed(seating.seat);
    const footLifted = legs === "down" && feet.some(leavesFloor);
    return seatedBaseDemand(seating.backSupported, seating.position === "front", footLifted, soft);
  }
  if (seating.rising) return risingDemand(seating.rising.withArms);
  for (const side of SIDES) {
    const other = otherFoot(frame, side);
    if (isOff(other)) return oneLegDemand(longest.oneLeg[sideIndex(side)]);
    if (other === "restingToe" || other === "restingHeel") return toeDownDemand(longest.toeDown[sideIndex(side)]);
  }
  const heels = feet.every((foot) => foot === "forefoot") ? 1.5 : 0;
  return standingBaseDemand(width, offset) + heels;
}

/** Demand of a variant that does not depend on its size, read from its track alone: nothing is solved. */
export interface StaticDemand {
  /** What the bases and the support alone ask. */
  readonly balance: number;
  /** The longest stretch on each leg, seconds. */
  readonly longestOneLeg: Pair;
  /** The longest timed hold, seconds. */
  readonly longestTimedHold: number;
  readonly cycleSeconds: number;
}

export const staticBalance = (bases: readonly number[], supports: ArrayLike<number>): number =>
  Math.max(0, ...bases.map((base, number) => base - itemAt(supports, number)));

/** Reads it. @param cycleSeconds seconds of one repetition */
export function readStaticDemand({ segments }: Track, cycleSeconds: number): StaticDemand {
  const longest = {
    oneLeg: times(oneLegPeriods({ segments }).longest, cycleSeconds),
    toeDown: times(toeDownPeriods({ segments }).longest, cycleSeconds),
  };
  return {
    balance: staticBalance(
      segments.map((segment) => baseDemand(footingOf(segment), longest)),
      segments.map(({ frame }) => supportOf(frame)),
    ),
    longestOneLeg: longest.oneLeg,
    longestTimedHold: timedHoldPeriods({ segments }).longest * cycleSeconds,
    cycleSeconds,
  };
}
