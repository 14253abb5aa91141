import { HOLD_SECONDS, HOLD_SHARES, holdSeconds, type TimedHold } from "./timed-hold.ts";

/** The two ways in which a hold may grow, one of them at a time; null where it cannot. */
export interface HoldGrowth {
  /** Five seconds more in its longest level. */
  readonly longer: TimedHold | null;
  /** Its highest level a step further, as long as before. */
  readonly further: TimedHold | null;
}

const furtherThan = (share: number): number | null => HOLD_SHARES.findLast((each) => each > share) ?? null;

/**
 * How a hold may grow after it went well: longer or further, never both at once. Usual practice.
 *
 * @param hold levels in their order
 */
export function holdGrowth(hold: TimedHold): HoldGrowth {
  const longest = hold.reduce((best, { seconds }, i) => (seconds > (hold[best]?.seconds ?? 0) ? i : best), 0);
  const highest = hold.reduce((best, { share }, i) => (share < (hold[best]?.share ?? 0) ? i : best), 0);
  const next = furtherThan(hold[highest]?.share ?? 1);
  return {
    longer:
      holdSeconds(hold) + HOLD_SECONDS.step > HOLD_SECONDS.most
        ? null
        : hold.map((level, i) => (i === longest ? { ...level, seconds: level.seconds + HOLD_SECONDS.step } : level)),
    further: next === null ? null : hold.map((level, i) => (i === highest ? { ...level, share: next } : level)),
  };
}
