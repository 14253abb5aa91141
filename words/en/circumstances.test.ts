import { expect, test } from "vitest";
import { formatCircumstances } from "./circumstances.ts";

test("a second task and a soft surface are said, with what has to be in reach; what is only pictured has neither", () => {
  expect(formatCircumstances({})).toBe("");
  expect(formatCircumstances({ secondTask: "new" })).toBe("Second task at the same time: a new one.");
  expect(formatCircumstances({ secondTask: "familiar", softFloor: true })).toBe(
    "Second task at the same time: one the group knows. On the soft surface, a rail or a chair within reach.",
  );
  expect(formatCircumstances({ secondTask: "new", softFloor: true, inMind: true })).toBe("");
});
