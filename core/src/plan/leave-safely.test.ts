import { expect, test } from "vitest";
import { LEAVE_SAFELY } from "./leave-safely.ts";

test("cushions are away before anybody rises", () => {
  const at = (words: RegExp) => LEAVE_SAFELY.findIndex((line) => words.test(line));
  expect(at(/cushions away/i)).toBeGreaterThanOrEqual(0);
  expect(at(/cushions away/i)).toBeLessThan(at(/^rise/i));
});
