import { addDays, daysBetween } from "../calendar.ts";

/** Days on which a series does not meet, both ends counted. ISO calendar days. */
export interface Break {
  readonly from: string;
  readonly to: string;
}

/** A group meeting every week for a while. */
export interface Series {
  /** The first day it meets: its weekday is the series'. */
  readonly firstDay: string;
  readonly lastDay: string;
  readonly breaks: readonly Break[];
}

/** A year of weeks and one more. */
const MOST_WEEKS = 53;

/**
 * The days on which a series meets.
 *
 * @example meetingDays({ firstDay: "2026-12-14", lastDay: "2027-01-11", breaks: [{ from: "2026-12-21", to: "2027-01-03" }] })
 *   // ["2026-12-14", "2027-01-04", "2027-01-11"]
 */
export function meetingDays({ firstDay, lastDay, breaks }: Series): string[] {
  const weeks = Math.min(MOST_WEEKS - 1, Math.floor(daysBetween(firstDay, lastDay) / 7));
  return Array.from({ length: weeks + 1 }, (_, week) => addDays(firstDay, 7 * week)).filter(
    (day) => !breaks.some(({ from, to }) => day >= from && day <= to),
  );
}
