import { spawnSync } from "node:child_process";
import { copyFileSync, mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";

const ROOT = join(import.meta.dirname, "../..");

/** Runs the project's rules over a small tree of planted files. @returns the names of the rules that were broken */
function rulesBrokenBy(files: Readonly<Record<string, string>>): string[] {
  const folder = mkdtempSync(join(tmpdir(), "able-tide-rules-"));
  copyFileSync(join(ROOT, ".dependency-cruiser.cjs"), join(folder, ".dependency-cruiser.cjs"));
  for (const [path, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
  const tops = [...new Set(Object.keys(files).map((path) => path.split("/")[0] as string))];
  const bin = join(ROOT, "node_modules/dependency-cruiser/bin/dependency-cruise.mjs");
  const { stdout } = spawnSync(process.execPath, [bin, "--config", ".dependency-cruiser.cjs", "--output-type", "json", ...tops], {
    cwd: folder,
    encoding: "utf8",
  });
  const { summary } = JSON.parse(stdout) as { summary: { violations: { rule: { name: string } }[] } };
  return [...new Set(summary.violations.map(({ rule }) => rule.name))];
}

const nothing = "export const x = 1;\n";

test.each<[string, Record<string, string>]>([
  ["core-stands-alone", { "core/src/a.ts": 'import "../../web/app/b.ts";\n', "web/app/b.ts": nothing }],
  ["core-without-node", { "core/src/a.ts": 'import "node:fs";\n' }],
  [
    "database-behind-repositories",
    { "web/app/routes/a.ts": 'import "../../server/database.ts";\n', "web/server/database.ts": nothing },
  ],
  [
    "browser-code-without-server",
    { "web/app/kit/a.ts": 'import "../../server/people/people.ts";\n', "web/server/people/people.ts": nothing },
  ],
  ["server-without-screens", { "web/server/a.ts": 'import "../app/b.ts";\n', "web/app/b.ts": nothing }],
  ["no-circles", { "core/src/a.ts": 'import "./b.ts";\n', "core/src/b.ts": 'import "./a.ts";\n' }],
])("a planted violation of %s is caught", (rule, files) => {
  expect(rulesBrokenBy(files)).toEqual([rule]);
});

test("a route that uses a repository breaks none", () => {
  const files = { "web/app/routes/a.ts": 'import "../../server/people/people.ts";\n', "web/server/people/people.ts": nothing };
  expect(rulesBrokenBy(files)).toEqual([]);
});
