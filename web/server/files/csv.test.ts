import fc from "fast-check";
import { expect, test } from "vitest";
import { guessMapping, readCsv, writeCsv } from "./csv.ts";

const columns = ["name", "notes"].map((name) => ({ name, label: name, also: name === "name" ? ["Called"] : [], required: true }));

test("what is written reads back the same, whatever is in it", () => {
  const cell = fc.string({ maxLength: 12 }).map((text) =>
    text
      .replace(/[\r\n\t]/g, " ")
      .trim()
      .replace(/^'+/, "")
      .trim(),
  );
  fc.assert(
    fc.property(fc.array(fc.record({ name: cell.filter((text) => text !== ""), notes: cell }), { minLength: 1 }), (rows) => {
      const read = readCsv(writeCsv(columns, rows));
      expect(read.header).toEqual(["name", "notes"]);
      expect(read.rows.map(({ cells: [name, notes] }) => ({ name, notes }))).toEqual(rows);
    }),
  );
});

test("a formula is defused", () => {
  expect(writeCsv(columns, [{ name: "=1+1", notes: "" }])).toContain("'=1+1");
});

test("lines are counted as an editor counts them, empty ones too", () => {
  const { rows } = readCsv("name;notes\nAda;a\n\nBea;b\n");
  expect(rows.map(({ line, cells }) => [line, cells[0]])).toEqual([
    [2, "Ada"],
    [4, "Bea"],
  ]);
});

test("columns are found by any of their names, in any case", () => {
  expect(guessMapping(columns, ["NOTES", "called"])).toEqual({ name: 1, notes: 0 });
  expect(guessMapping(columns, ["who"])).toEqual({ name: null, notes: null });
});
