import fc from "fast-check";
import { expect, test } from "vitest";
import { addDays, daysBetween } from "./calendar.ts";

test.each([
  ["2026-02-27", 2, "2026-03-01"],
  ["2024-02-28", 1, "2024-02-29"],
  ["2026-03-29", 1, "2026-03-30"],
  ["2026-01-01", -1, "2025-12-31"],
])("%s and %d days is %s", (day, days, expected) => {
  expect(addDays(day, days)).toBe(expected);
});

test("the days between two days are the days to add", () => {
  fc.assert(
    fc.property(fc.integer({ min: -40_000, max: 40_000 }), (days) => {
      expect(daysBetween("2026-10-14", addDays("2026-10-14", days))).toBe(days);
    }),
  );
});
