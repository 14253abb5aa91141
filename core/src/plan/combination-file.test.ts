import { formatFileProblem } from "@able-tide/words/file-problem";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { load } from "../movement/library.fixture.ts";
import { anyCombination } from "../schedule/plan.fixture.ts";
import { cases } from "../test-size.fixture.ts";
import { USUAL_PASSES } from "./combination.ts";
import { type CombinationInFile, combinationFile, readCombinationFile } from "./combination-file.ts";

const inFile: CombinationInFile = {
  combination: {
    name: "Harbour wall",
    parts: [{ movementId: "shift-and-press" }, { movementId: "side-drift", times: 2 }],
    order: "sides",
    passes: USUAL_PASSES,
  },
  movements: [load("shift-and-press"), load("side-drift")],
};

test("any combination that is written is read back the same", () => {
  fc.assert(
    fc.property(anyCombination, (combination) => {
      const movements = [...new Set(combination.parts.map(({ movementId }) => movementId))].map(load);
      expect(readCombinationFile(combinationFile({ combination, movements }))).toEqual({
        file: { combination, movements },
        problems: [],
      });
    }),
    { numRuns: cases(20, 200) },
  );
});

describe("a broken file says where and why", () => {
  type Spoilt = { [key: string]: unknown; combination: Record<string, unknown> & { passes: Record<string, unknown>[] } };
  test.each<[string, (file: Spoilt) => void, string, RegExp]>([
    ["another format", (file) => (file["format"] = "other"), "format", /able-tide\/combination/],
    ["one part", (file) => (file.combination["parts"] = [{ movementId: "side-drift" }]), "combination.parts", /2/],
    ["no pass", (file) => (file.combination.passes = []), "combination.passes", /1/],
    [
      "a misspelt part of a pass",
      (file) => (itemAt(file.combination.passes, 1)["silent"] = true),
      "combination.passes[1].silent",
      /spelling/,
    ],
    ["a movement it does not bring", (file) => (file["movements"] = []), "combination.parts[0].movementId", /shift-and-press/],
  ])("%s", (_, spoil, path, message) => {
    const file = JSON.parse(combinationFile(inFile)) as Spoilt;
    spoil(file);
    const { problems } = readCombinationFile(JSON.stringify(file));
    expect(problems[0]?.path).toBe(path);
    expect(formatFileProblem(itemAt(problems, 0))).toMatch(message);
  });

  test("text that is not JSON names line and column", () => {
    expect(readCombinationFile("{ oops").problems[0]?.path).toMatch(/^line 1/);
  });
});
