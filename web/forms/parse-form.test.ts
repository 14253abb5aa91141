import fc from "fast-check";
import * as v from "valibot";
import { describe, expect, test } from "vitest";
import { parseForm, parseNumber } from "./parse-form.ts";

describe("a number as it is typed", () => {
  test.each<[string, number]>([
    ["8.5", 8.5],
    ["8,5", 8.5],
    [" 8,5 ", 8.5],
    ["-0,25", -0.25],
    ["12", 12],
    ["1,250", Number.NaN],
    ["1,2,3", Number.NaN],
    ["eight", Number.NaN],
  ])("%s", (text, expected) => expect(parseNumber(text)).toEqual(expected));

  test("is the same with a comma as with a point", () => {
    fc.assert(
      fc.property(fc.integer({ min: -9999, max: 9999 }), (tenths) => {
        const text = (tenths / 10).toFixed(1);
        expect(parseNumber(text.replace(".", ","))).toBe(parseNumber(text));
      }),
    );
  });
});

test("a form takes a decimal comma, keeps text as it is, and says what is wrong next to the field", () => {
  const schema = v.object({ seconds: v.optional(v.number("Enter a number.")), note: v.optional(v.string()) });
  const form = (seconds: string) => {
    const data = new FormData();
    data.set("seconds", seconds);
    data.set("note", "8,5");
    return parseForm(data, { schema });
  };
  expect(form("8,5")).toMatchObject({ status: "success", value: { seconds: 8.5, note: "8,5" } });
  expect(form("")).toMatchObject({ status: "success", value: { note: "8,5" } });
  expect(form("8;5").reply().error).toEqual({ seconds: ["Enter a number."] });
});
