import { expect, test } from "vitest";
import { count, formatDayAndMonth, formatDayMonthAndYear, formatMinutes, sentenceCase, WEEKDAYS, weekdayName } from "./text.ts";

test.each([
  [0, "0:00"],
  [65, "1:05"],
  [2670, "44:30"],
])("%d seconds reads %s", (seconds, words) => expect(formatMinutes(seconds)).toBe(words));

test("days, counts and capitals", () => {
  expect(formatDayMonthAndYear("2026-03-03")).toBe("3 March 2026");
  expect(formatDayAndMonth("2026-12-31")).toBe("31 December");
  expect([0, 1, 2].map((n) => count(n, "check", "checks"))).toEqual(["0 checks", "1 check", "2 checks"]);
  expect(sentenceCase("left knee")).toBe("Left knee");
  expect(weekdayName(3)).toBe("Wednesday");
  expect([WEEKDAYS.at(0), WEEKDAYS.at(-1)]).toEqual([
    [1, "Monday"],
    [7, "Sunday"],
  ]);
});
