import { expect, test } from "vitest";
import { LEAVE_SAFELY } from "./closing-steps.ts";

test("cushions are removed before anyone stands up", () => {
  const at = (words: RegExp) => LEAVE_SAFELY.findIndex((line) => words.test(line));
  expect(at(/remove cushions/i)).toBeGreaterThanOrEqual(0);
  expect(at(/remove cushions/i)).toBeLessThan(at(/^stand up/i));
});
