import fc from "fast-check";
import { expect, test } from "vitest";
import { wayBack } from "./way-back.ts";

const HERE = "https://tide.example";
const from = (back: string) => wayBack(`${HERE}/sign-in?back=${encodeURIComponent(back)}`);

test.each([
  ["/plans/12?week=3", "/plans/12?week=3"],
  ["people", "/people"],
  [`${HERE}/people`, "/people"],
  ["//elsewhere.example", "/"],
  ["/\\elsewhere.example", "/"],
  ["/.//elsewhere.example/a", "/"],
  ["/./\\elsewhere.example/a", "/"],
  ["\t//elsewhere.example", "/"],
  ["https://elsewhere.example/people", "/"],
  ["javascript:alert(1)", "/"],
  ["https://[", "/"],
  ["", "/"],
])("back to %j leads to %s", (back, page) => expect(from(back)).toBe(page));

test("without a way back it is the first page", () => expect(wayBack(`${HERE}/sign-in`)).toBe("/"));

test("no way back leads to another site", () => {
  const piece = fc.constantFrom("/", "\\", ".", "..", "//", "elsewhere.example", "@", ":", "\t", "%2f", "?", "https:", "a");
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
      expect(new URL(from(pieces.join("")), HERE).origin).toBe(HERE);
    }),
  );
});
