import { expect, test } from "vitest";
import { readTyped } from "./typed-reading.ts";

test("a glucose of 142 is asked about with its unit, and is 7.9 mmol/l once someone says mg/dl", () => {
  expect(readTyped("glucose", "142", null)).toEqual({
    kind: "ask",
    doubt: "whichUnit",
    text: "142",
  });
  expect(readTyped("glucose", "142", "mmol/l").kind).toBe("ask");
  expect(readTyped("glucose", "142", "mg/dl")).toEqual({ kind: "value", value: 7.9 });
});

test("mg/dl that no meter shows is asked about too", () => {
  expect(readTyped("glucose", "5.4", "mg/dl").kind).toBe("ask");
  expect(readTyped("glucose", "900", "mg/dl").kind).toBe("ask");
});

test("a reading with a comma is a number, an empty field is unasked, words are asked about", () => {
  expect(readTyped("glucose", " 7,9 ", null)).toEqual({ kind: "value", value: 7.9 });
  expect(readTyped("systolic", " ", null)).toEqual({ kind: "empty" });
  expect(readTyped("systolic", "high", null).kind).toBe("ask");
});

test.each([
  ["systolic", "1320"],
  ["diastolic", "801"],
  ["heartRate", "720"],
  ["saturation", "940"],
  ["fatigue", "11"],
] as const)("a %s of %s is asked about, not dropped", (reading, typed) => {
  expect(readTyped(reading, typed, null)).toEqual({ kind: "ask", doubt: "tooMuch", text: typed });
});
