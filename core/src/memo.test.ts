import { expect, test } from "vitest";
import { createMemo } from "./memo.ts";

test("a value is computed once, also where it is null", () => {
  const memo = createMemo<string, number | null>(4);
  let computed = 0;
  const value = (key: string) =>
    memo(key, () => {
      computed += 1;
      return key === "none" ? null : key.length;
    });
  expect([value("abc"), value("none"), value("abc"), value("none")]).toEqual([3, null, 3, null]);
  expect(computed).toBe(2);
});

test("only so many are kept, and those asked for last", () => {
  const memo = createMemo<number, number>(2);
  const computed: number[] = [];
  const value = (key: number) => memo(key, () => computed.push(key));
  for (const key of [1, 2, 1, 3, 1, 2]) value(key);
  expect(computed).toEqual([1, 2, 3, 2]);
});

test("a value that could not be computed is not kept", () => {
  const memo = createMemo<string, number>(2);
  expect(() =>
    memo("a", () => {
      throw new Error("not yet");
    }),
  ).toThrow("not yet");
  expect(memo("a", () => 1)).toBe(1);
});
