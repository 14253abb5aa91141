import { expect, test } from "vitest";
import { formatDay, nextMeeting } from "./days.ts";

test.each([
  ["2026-10-14", [], "2026-10-14"],
  ["2026-10-15", [], "2026-10-21"],
  ["2026-10-13", ["2026-10-14"], "2026-10-21"],
  ["2026-12-28", ["2026-12-30", "2027-01-06"], "2027-01-13"],
])("the next Wednesday from %s, with %j taken, is %s", (from, taken, day) => {
  expect(nextMeeting(3, from, taken)).toBe(day);
});

test("a day in words", () => {
  expect(formatDay("2026-10-14")).toBe("Wednesday 14 October");
});
