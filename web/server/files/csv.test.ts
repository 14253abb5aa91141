import fc from "fast-check";
import { expect, test } from "vitest";
import { guessMapping, readCsv, writeCsv } from "./csv.ts";

const columns = ["name", "notes"].map((name) => ({ name, label: name, also: name === "name" ? ["Called"] : [], required: true }));

test("what is written reads back the same, whatever is in it", () => {
  const text = fc.string({ maxLength: 12 }).map((drawn) => drawn.replace(/[\r\n\t]/g, " ").trim());
  const formula = fc
    .tuple(fc.constantFrom("", "'", "''"), fc.constantFrom("-", "+", "=", "@", "\t", "\r"), text)
    .map((parts) => parts.join(""));
  const cell = fc.oneof(text, formula);
  fc.assert(
    fc.property(fc.array(fc.record({ name: cell.filter((text) => text !== ""), notes: cell }), { minLength: 1 }), (rows) => {
      const read = readCsv(writeCsv(columns, rows));
      expect(read.header).toEqual(["name", "notes"]);
      expect(read.rows.map(({ cells: [name, notes] }) => ({ name, notes }))).toEqual(rows);
    }),
  );
});

test.each(["=1+1", "+1", "-1+cmd", "@sum", "\tx", "'=1"])(
  "%j is no formula to a spreadsheet, and reads back unchanged",
  (cell) => {
    const file = writeCsv(columns, [{ name: cell, notes: "" }]);
    expect(file).toContain(`'${cell}`);
    expect(readCsv(file).rows[0]?.cells[0]).toBe(cell);
  },
);

test("lines are counted as an editor counts them, empty ones too", () => {
  const { rows } = readCsv("name;notes\nAda;a\n\nBea;b\n");
  expect(rows.map(({ line, cells }) => [line, cells[0]])).toEqual([
    [2, "Ada"],
    [4, "Bea"],
  ]);
});

test("a cell of several lines moves the lines after it on, and the line of a fault too", () => {
  const { header, rows } = readCsv('name,notes\nAda,"first\nsecond\r\nthird"\nBea,b\n');
  expect(header).toEqual(["name", "notes"]);
  expect(rows.map(({ line, cells }) => [line, cells[0]])).toEqual([
    [2, "Ada"],
    [5, "Bea"],
  ]);
  const { problems } = readCsv('name,notes\nAda,"first\nsecond"\nBea,"never closed\n');
  expect(problems.map(({ line }) => line)).toContain(4);
});

test("of too many rows the first are read, and the line is told from which on they are not", () => {
  const { rows, problems } = readCsv(`name\n${"Ada\n".repeat(2001)}`);
  expect(rows).toHaveLength(2000);
  expect(problems).toEqual([{ line: 2002, message: "More than 2000 rows. Import the file in parts." }]);
});

test("columns are found by any of their names, in any case", () => {
  expect(guessMapping(columns, ["NOTES", "called"])).toEqual({ name: 1, notes: 0 });
  expect(guessMapping(columns, ["who"])).toEqual({ name: null, notes: null });
});
