import type { Cap } from "../caps/cap.ts";
import { strictestNumber } from "../caps/effective.ts";
import { sideIndex } from "../side.ts";
import type { CellOption } from "./options.ts";
import type { SessionLimits } from "./session-rules.ts";

/** What is summed over a session, and the channel that caps it. Seconds. */
export const SESSION_SUMS = [
  { name: "standing", channel: "standingMinutes", side: null, unit: 60 },
  { name: "oneLeg", channel: "oneLegSecondsInAll", side: "left", unit: 1 },
  { name: "oneLeg", channel: "oneLegSecondsInAll", side: "right", unit: 1 },
  { name: "handsUp", channel: "handsUpSecondsInAll", side: "left", unit: 1 },
  { name: "handsUp", channel: "handsUpSecondsInAll", side: "right", unit: 1 },
  { name: "held", channel: "holdSecondsInAll", side: null, unit: 1 },
] as const;

const RUN = { channel: "standingMinutesAtATime", unit: 60 } as const;

/** Caps on a sum or a run over the session: no block can be held against one alone. */
const SESSION_CHANNELS: readonly string[] = [...SESSION_SUMS.map(({ channel }) => channel), RUN.channel];
export const isOverSession = ({ limit }: Cap): boolean => SESSION_CHANNELS.includes(limit.channel);

/** Caps on how long someone takes part: what ends later is spent at rest. */
export const MINUTES_CHANNELS: readonly string[] = ["sessionMinutes", "waterMinutes"];

/**
 * Caps on how long someone takes part.
 *
 * @param caps of the participant
 * @param inPool whether the session is in water, where minutes in water count
 * @returns each with its seconds
 */
const minuteLimits = (caps: readonly Cap[], inPool: boolean): { readonly cap: Cap; readonly seconds: number }[] =>
  caps.flatMap((cap) =>
    MINUTES_CHANNELS.includes(cap.limit.channel) && (cap.limit.channel !== "waterMinutes" || inPool)
      ? [{ cap, seconds: 60 * (cap.limit as { limit: number }).limit }]
      : [],
  );

/**
 * Caps on minutes that are spent before an item ends: it is rest from then on.
 *
 * @param caps of a participant
 * @param inPool whether the session is in a pool
 * @param item with its end, seconds into the session
 */
export const spentBefore = (caps: readonly Cap[], inPool: boolean, { to }: { readonly to: number }): Cap[] =>
  minuteLimits(caps, inPool).flatMap(({ seconds, cap }) => (to > seconds ? [cap] : []));

/** What the caps on sums and runs leave, seconds; infinite without a cap. */
export function sessionLimits(caps: readonly Cap[]): SessionLimits {
  const least = (channel: Cap["limit"]["channel"], unit: number, side?: "left" | "right"): number =>
    unit * (strictestNumber(caps, channel, side) ?? Number.POSITIVE_INFINITY);
  return {
    sums: SESSION_SUMS.map(({ channel, side, unit }) => least(channel, unit, side ?? undefined)),
    run: least(RUN.channel, RUN.unit),
  };
}

/** What is summed over a session, other than the minutes on the feet. */
type CountedSum = Exclude<(typeof SESSION_SUMS)[number], { readonly name: "standing" }>;

/** What one option adds to a sum that is counted in it. */
export const spentOf = (option: CellOption, sum: CountedSum): number =>
  sum.name === "held" ? option.held : option[sum.name][sideIndex(sum.side)];

/** What one option adds to each sum. @param seconds of the block */
export const sessionUseOf = (option: CellOption, seconds: number): number[] =>
  SESSION_SUMS.map((sum) => (sum.name === "standing" ? (option.onFeet ? seconds : 0) : spentOf(option, sum)));
