import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { present } from "./checked-access.ts";

const ROOT = join(import.meta.dirname, "../..");

const sources = ["core/src", "web/app", "web/server"]
  .flatMap((folder) => readdirSync(join(ROOT, folder), { recursive: true, encoding: "utf8" }).map((file) => join(folder, file)))
  .filter((file) => /\.tsx?$/.test(file))
  .map((file) => readFileSync(join(ROOT, file), "utf8"))
  .join("\n");

const rows = readFileSync(join(ROOT, "docs/glossary.md"), "utf8")
  .split("\n")
  .filter((line) => /^\| (?!Term|---)/.test(line))
  .map((line) => line.split("|").map((cell) => cell.trim()));

test("every name that the glossary says is in the code is there", () => {
  expect(rows.length).toBeGreaterThan(40);
  const names = rows.flatMap(([, , , code]) => [...(code ?? "").matchAll(/`(\w+)`/g)].map(([, name]) => present(name, "name")));
  expect(names.length).toBeGreaterThan(20);
  expect(names.filter((name) => !new RegExp(`\\b${name}\\b`).test(sources))).toEqual([]);
});

test("no term stands twice", () => {
  const terms = rows.map(([, term]) => (term ?? "").toLowerCase());
  expect(terms.filter((term, i) => terms.indexOf(term) !== i)).toEqual([]);
});
