import { TZDate } from "@date-fns/tz";
import { addDays, format, getISODay, parseISO } from "date-fns";

/** "Wednesday 14 October" of an ISO calendar day. */
export const formatDay = (day: string): string => format(parseISO(day), "EEEE d MMMM");

/** "14 Oct" of an ISO calendar day. */
export const shortDay = (day: string): string => format(parseISO(day), "d MMM");

/**
 * The first day on or after `from` that falls on an ISO weekday (Monday 1), passing over the days already taken.
 * All days are ISO calendar days.
 */
export function nextMeeting(weekday: number, from: string, taken: readonly string[] = []): string {
  const start = parseISO(from);
  let day = addDays(start, (weekday - getISODay(start) + 7) % 7);
  while (taken.includes(format(day, "yyyy-MM-dd"))) day = addDays(day, 7);
  return format(day, "yyyy-MM-dd");
}

/** "Tuesday 13 October, 10:05" of an ISO instant, in a time zone. */
export const formatInstant = (instant: string, timeZone: string): string =>
  format(new TZDate(instant, timeZone), "EEEE d MMMM, HH:mm");
