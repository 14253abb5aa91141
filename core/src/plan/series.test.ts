import { expect, test } from "vitest";
import { meetingDays } from "./series.ts";

test.each([
  ["every week, both ends counted", "2026-11-04", "2026-11-18", [], ["2026-11-04", "2026-11-11", "2026-11-18"]],
  ["up to the last whole week", "2026-11-04", "2026-11-17", [], ["2026-11-04", "2026-11-11"]],
  [
    "not in a break, over the turn of the year",
    "2026-12-14",
    "2027-01-11",
    [{ from: "2026-12-21", to: "2027-01-03" }],
    ["2026-12-14", "2027-01-04", "2027-01-11"],
  ],
  [
    "on the days of a break's own ends neither",
    "2026-11-04",
    "2026-11-18",
    [{ from: "2026-11-11", to: "2026-11-18" }],
    ["2026-11-04"],
  ],
] as const)("a series meets %s", (_, firstDay, lastDay, breaks, expected) => {
  expect(meetingDays({ firstDay, lastDay, breaks })).toEqual(expected);
});

test("a series is never longer than a year of weeks", () => {
  expect(meetingDays({ firstDay: "2026-01-05", lastDay: "2030-01-07", breaks: [] })).toHaveLength(53);
});
