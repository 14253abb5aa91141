import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { LIMITATION_RULES } from "@able-tide/core/caps/limitations/all";
import { expect, test } from "vitest";
import { limitationLabel } from "./limitations.ts";
import { rulesTable } from "./rules-table.fixture.ts";

const page = join(import.meta.dirname, "../../docs/limits.md");
const BEGIN = "<!-- rules: written by npm run limits:table -->\n";
const END = "\n<!-- rules: end -->";

test("the table in docs/limits.md is the one made from the rules", () => {
  const text = readFileSync(page, "utf8");
  const [from, to] = [text.indexOf(BEGIN) + BEGIN.length, text.indexOf(END)];
  expect(from).toBeGreaterThan(BEGIN.length);
  expect(to).toBeGreaterThanOrEqual(from);
  if (process.env["WRITE_LIMITS"] === "yes") writeFileSync(page, text.slice(0, from) + rulesTable() + text.slice(to));
  const now = readFileSync(page, "utf8");
  expect(now.slice(now.indexOf(BEGIN) + BEGIN.length, now.indexOf(END))).toBe(rulesTable());
});

test("every rule has a row for each thing it proposes, with a channel and a source", () => {
  const rows = rulesTable()
    .split("\n")
    .filter((row) => row.startsWith("| "));
  for (const { name, proposals, waits, cautions } of LIMITATION_RULES) {
    const label = limitationLabel(name);
    const mine = rows.map((row) => row.split(" | ")).filter(([first]) => first === `| ${label}`);
    expect(mine.length, label).toBe(proposals.length + (waits?.interim.length ?? 0) + cautions.length);
    for (const cells of mine) expect(cells.slice(4).filter((cell) => cell.trim() !== "").length, label).toBeGreaterThan(1);
  }
});
