// npm run count: lines of code, and how many of them are tests.
import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./setup.mjs";

const files = execFileSync("git", ["ls-files", "*.ts", "*.tsx", "*.mjs"], { cwd: ROOT, encoding: "utf8" }).trim().split("\n");
const lines = (file) =>
  readFileSync(join(ROOT, file), "utf8")
    .split("\n")
    .filter((line) => line.trim() !== "").length;
const isTest = (file) => /\.(test|fixture)\.ts$/.test(file) || file.startsWith("web/e2e/");
const sum = (some) => some.reduce((total, file) => total + lines(file), 0);
const tests = sum(files.filter(isTest));
const all = sum(files);
process.stdout.write(`${all} lines, ${tests} of them tests (${Math.round((100 * tests) / all)} %)\n`);
