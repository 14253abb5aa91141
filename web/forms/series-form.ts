import { differenceInYears, parseISO } from "date-fns";
import * as v from "valibot";
import { calendarDay, isDay } from "./calendar-day.ts";

const BREAK = /^(\d{4}-\d{2}-\d{2})(?:\s*(?:to|-|,)\s*(\d{4}-\d{2}-\d{2}))?$/;

/** "2026-12-21 to 2027-01-03", one a line; a single day is a break of one day. */
export const breaksIn = (text: string): { from: string; to: string }[] =>
  text
    .split("\n")
    .map((line) => BREAK.exec(line.trim()))
    .flatMap((match) => (match?.[1] ? [{ from: match[1], to: match[2] ?? match[1] }] : []))
    .filter(({ from, to }) => isDay(from) && isDay(to));

const MOST_YEARS = 3;

/** The form of a series of weekly sessions. */
export const SeriesForm = v.pipe(
  v.object({
    groupId: v.pipe(v.string("Choose a group."), v.uuid("Choose a group.")),
    firstDay: calendarDay("Enter the first date."),
    lastDay: calendarDay("Enter the last date."),
    breaks: v.pipe(
      v.optional(v.string()),
      v.check(
        (text = "") => text.trim() === "" || text.trim().split("\n").length === breaksIn(text).length,
        'Enter one break per line, such as "2026-12-21 to 2027-01-03".',
      ),
      v.check(
        (text = "") => breaksIn(text).every(({ from, to }) => from <= to),
        "A break ends before it starts. Change one of its dates.",
      ),
    ),
  }),
  v.forward(
    v.check(({ firstDay, lastDay }) => firstDay <= lastDay, "The last day is before the first day. Change one of them."),
    ["lastDay"],
  ),
  v.forward(
    v.check(
      ({ firstDay, lastDay }) => differenceInYears(parseISO(lastDay), parseISO(firstDay)) < MOST_YEARS,
      `Plan up to ${MOST_YEARS} years at a time.`,
    ),
    ["lastDay"],
  ),
);
