import { expect, test } from "vitest";
import { dotted } from "./dotted.ts";

test.each([
  [["6 participants", "the hall", "10:30"], "6 participants · the hall · 10:30"],
  [["6 participants", "", "10:30"], "6 participants · 10:30"],
  [["", "  ", ""], ""],
])("%j reads %j", (facts, words) => {
  expect(dotted(...facts)).toBe(words);
});
