import { expect, test } from "vitest";
import { isDay } from "./calendar-day.ts";

test.each([
  ["2026-11-30", true],
  ["2024-02-29", true],
  ["2026-02-29", false],
  ["2026-02-31", false],
  ["2026-13-01", false],
  ["2026-00-10", false],
  ["0000-01-01", false],
  ["1899-12-31", false],
  ["9999-12-31", false],
  ["26-11-30", false],
  ["2026-11-30T10:00", false],
  ["", false],
])("%j", (text, exists) => expect(isDay(text)).toBe(exists));
