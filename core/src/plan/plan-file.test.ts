import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { formatFileProblem } from "@able-tide/words/file-problem";
import { toJsonSchema } from "@valibot/to-json-schema";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { load } from "../movement/library.fixture.ts";
import { EMPTY_PLAN } from "./plan.ts";
import { PlanFile, type PlanInFile, planFile, readPlanFile } from "./plan-file.ts";

const published = join(import.meta.dirname, "../../../docs/plan.schema.json");
/** What JSON Schema cannot say is checked by code: order of key poses, ids that meet. */
const schema = () => `${JSON.stringify(toJsonSchema(PlanFile, { ignoreActions: ["raw_check", "check", "trim"] }), null, 2)}\n`;

test("the published JSON Schema is the one made from the format", () => {
  if (process.env["WRITE_SCHEMA"] === "yes") writeFileSync(published, schema());
  expect(readFileSync(published, "utf8")).toBe(schema());
});

const inFile: PlanInFile = {
  name: "Wednesday",
  plan: {
    ...EMPTY_PLAN,
    purpose: "steadiness",
    blocks: [
      { id: "b1", movementId: "settling-breath", rounds: 6, as: "seated" },
      { id: "b2", movementId: "shift-and-press", rounds: 5, first: "left", talk: 15, combination: "Harbour wall" },
    ],
  },
  movements: [load("settling-breath"), load("shift-and-press")],
};

test("what is written is read back the same", () => {
  expect(readPlanFile(planFile(inFile))).toEqual({ file: expect.objectContaining(inFile), problems: [] });
});

describe("a broken file says where and why", () => {
  type Spoilt = { [key: string]: unknown; plan: { blocks: Record<string, unknown>[]; style: Record<string, unknown> } };
  test.each<[string, (file: Spoilt) => void, string, RegExp]>([
    ["another format", (file) => (file["format"] = "other"), "format", /able-tide\/plan/],
    ["no rounds", (file) => (file.plan.blocks[0] = { id: "b1", movementId: "settling-breath" }), "plan.blocks[0].rounds", /./],
    ["a misspelt part", (file) => ((file.plan.blocks[1] ?? {})["talks"] = 15), "plan.blocks[1].talks", /./],
    ["a side that is none", (file) => ((file.plan.blocks[1] ?? {})["first"] = "up"), "plan.blocks[1].first", /left.*right/],
    ["a choice that is none", (file) => (file.plan.style["counting"] = "odd"), "plan.style.counting", /eachSide.*together/],
    ["a movement it does not bring", (file) => (file["movements"] = []), "plan.blocks[0].movementId", /settling-breath/],
  ])("%s", (_, spoil, path, message) => {
    const file = JSON.parse(planFile(inFile)) as Spoilt;
    spoil(file);
    const { problems } = readPlanFile(JSON.stringify(file));
    expect(problems[0]?.path).toBe(path);
    expect(formatFileProblem(itemAt(problems, 0))).toMatch(message);
  });

  test("text that is not JSON names line and column", () => {
    expect(readPlanFile("{ oops").problems[0]?.path).toMatch(/^line 1/);
  });
});
