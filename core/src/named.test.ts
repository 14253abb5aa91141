import { expect, test } from "vitest";
import { entryNamed, recordOf } from "./named.ts";

test("an entry is found by its name; a name that no entry has is an error", () => {
  const supports: readonly { name: string; height: number }[] = [
    { name: "rail", height: 0.9 },
    { name: "stick", height: 0.8 },
  ];
  expect(entryNamed(supports, "stick").height).toBe(0.8);
  expect(() => entryNamed(supports, "wall")).toThrow("Missing: wall");
});

test("a record has a value for every name", () => {
  expect(recordOf(["left", "right"], (name, number) => `${name} ${number}`)).toEqual({ left: "left 0", right: "right 1" });
});
