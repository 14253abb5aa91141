import { expect, test } from "vitest";
import { itemAt, numberAt, present } from "./checked-access.ts";

test("a place within a row or list is read, any other is an error that says which", () => {
  expect(numberAt(Float64Array.of(0.5, 0.25), 1)).toBe(0.25);
  expect(numberAt(Float64Array.of(Number.NaN), 0)).toBeNaN();
  expect(() => numberAt(new Float64Array(3), 3)).toThrow("No place 3 in a list of 3");
  expect(() => numberAt(new Float64Array(3), 0.5)).toThrow(RangeError);
  expect(itemAt(["left", "right"], 1)).toBe("right");
  expect(itemAt([null], 0)).toBeNull();
  expect(() => itemAt([], -1)).toThrow("No place -1 in a list of 0");
});

test("a missing value is an error that says what is missing; zero and false are values", () => {
  expect(present(0, "number")).toBe(0);
  expect(present(false, "answer")).toBe(false);
  expect(() => present(undefined, "channel grip")).toThrow("Missing: channel grip");
  expect(() => present(null, "channel grip")).toThrow("Missing: channel grip");
});
