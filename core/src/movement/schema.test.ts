import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { formatFileProblem } from "@able-tide/words/file-problem";
import { toJsonSchema } from "@valibot/to-json-schema";
import { describe, expect, test } from "vitest";
import { present } from "../checked-access.ts";
import { Movement } from "./format.ts";
import { readMovement } from "./read-file.ts";

const published = join(import.meta.dirname, "../../../library/movement.schema.json");

/** The order of the key poses is checked by code, which JSON Schema cannot say. */
const schema = () => `${JSON.stringify(toJsonSchema(Movement, { ignoreActions: ["raw_check"] }), null, 2)}\n`;

test("the published JSON Schema is the one made from the format", () => {
  if (process.env["WRITE_SCHEMA"] === "yes") writeFileSync(published, schema());
  expect(readFileSync(published, "utf8")).toBe(schema());
});

describe("a broken movement file says where and why", () => {
  const good = () => JSON.parse(readFileSync(join(import.meta.dirname, "../../../library/shift-and-press.json"), "utf8"));
  const problems = (value: unknown) => readMovement(JSON.stringify(value)).problems;

  test("text that is not JSON names line and column", () => {
    expect(readMovement('{\n  "format": oops }').problems).toEqual([{ path: "line 2, column 13", code: "notJson" }]);
  });

  test.each<[string, (movement: ReturnType<typeof good>) => void, string, RegExp]>([
    [
      "an elbow bent the wrong way",
      (m) => {
        m.keys[0].arms.elbow = -20;
      },
      "keys[0].arms.elbow",
      /must be at least 0/,
    ],
    [
      "a misspelt field",
      (m) => {
        m.keys[0].wieght = 1;
      },
      "keys[0].wieght",
      /./,
    ],
    [
      "another format",
      (m) => {
        m.format = "other";
      },
      "format",
      /able-tide\/movement/,
    ],
    [
      "a newer version",
      (m) => {
        m.version = 3;
      },
      "version",
      /versions up to 2/,
    ],
    [
      "keys out of order",
      (m) => {
        m.keys[1].at = 0;
      },
      "keys[1].at",
      /later/,
    ],
    [
      "no end",
      (m) => {
        m.keys[2].at = 0.9;
      },
      "keys[2].at",
      /must be at 1/,
    ],
    [
      "a key like itself",
      (m) => {
        m.keys[2].like = 2;
      },
      "keys[2].like",
      /earlier/,
    ],
  ])("%s", (_, spoil, path, message) => {
    const movement = good();
    spoil(movement);
    const found = problems(movement);
    expect(found[0]?.path).toBe(path);
    expect(formatFileProblem(present(found[0], "problem"))).toMatch(message);
  });
});
