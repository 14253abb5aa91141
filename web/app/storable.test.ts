import { expect, test } from "vitest";
import { isStorable } from "./storable.ts";

test.each<[string, unknown, boolean]>([
  ["nothing", undefined, true],
  ["text with umlauts and a wave", { name: "Bärbel 🌊", days: [1, null, true] }, true],
  ["NUL in a text", { notes: ["a\0b"] }, false],
  ["NUL in a name of a field", { "a\0": 1 }, false],
  ["the first half of a character", ["\ud83c"], false],
  ["the second half of a character", ["\udf0a wave"], false],
])("%s", (_, value, storable) => expect(isStorable(value)).toBe(storable));

test("a value nested a hundred thousand deep is read without running out of stack", () => {
  const depth = 100_000;
  expect(isStorable(JSON.parse("[".repeat(depth) + "]".repeat(depth)))).toBe(true);
});
