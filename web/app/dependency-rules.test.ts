import { spawnSync } from "node:child_process";
import { copyFileSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { itemAt } from "@able-tide/core/checked-access";
import { expect, test } from "vitest";

const ROOT = join(import.meta.dirname, "../..");

interface Broken {
  readonly rule: string;
  readonly from: string;
}

/** Runs the project's rules over a small tree of planted files. */
function rulesBrokenBy(files: Readonly<Record<string, string>>): Broken[] {
  const folder = mkdtempSync(join(tmpdir(), "able-tide-rules-"));
  try {
    copyFileSync(join(ROOT, ".dependency-cruiser.cjs"), join(folder, ".dependency-cruiser.cjs"));
    for (const [path, text] of Object.entries(files)) {
      mkdirSync(dirname(join(folder, path)), { recursive: true });
      writeFileSync(join(folder, path), text);
    }
    const tops = [...new Set(Object.keys(files).map((path) => itemAt(path.split("/"), 0)))];
    const bin = join(ROOT, "node_modules/dependency-cruiser/bin/dependency-cruise.mjs");
    const { stdout } = spawnSync(
      process.execPath,
      [bin, "--config", ".dependency-cruiser.cjs", "--output-type", "json", ...tops],
      {
        cwd: folder,
        encoding: "utf8",
      },
    );
    const { summary } = JSON.parse(stdout) as { summary: { violations: { from: string; rule: { name: string } }[] } };
    return summary.violations.map(({ from, rule }) => ({ rule: rule.name, from }));
  } finally {
    rmSync(folder, { recursive: true });
  }
}

const nothing = "export const x = 1;\n";
const uses = (path: string) => `import "${path}";\n`;

/** Files that break no rule: a route that uses a repository is one. */
const GOOD = {
  "web/server/database.ts": nothing,
  "web/server/people/people.ts": nothing,
  "web/app/b.ts": nothing,
  "web/app/class/stage.ts": uses("./clock.ts"),
  "web/app/class/clock.ts": nothing,
  "core/src/body/body.ts": nothing,
  "core/src/fit/fit.ts": uses("../body/body.ts"),
  "core/src/planner/planner.ts": uses("../fit/fit.ts"),
  "web/app/routes/good.ts": uses("../../server/people/people.ts"),
};

/** Files that each break one rule. */
const PLANTED: readonly (readonly [rule: string, file: string, text: string])[] = [
  ["core-stands-alone", "core/src/alone.ts", uses("../../web/app/b.ts")],
  ["words-know-the-core", "words/en/uses-web.ts", uses("../../web/app/b.ts")],
  ["core-without-node", "core/src/node.ts", uses("node:fs")],
  ["database-behind-repositories", "web/app/routes/database.ts", uses("../../server/database.ts")],
  ["primitives-in-kit", "web/app/plans/own-dialog.ts", uses("radix-ui")],
  ["browser-code-without-server", "web/app/kit/server.ts", uses("../../server/people/people.ts")],
  ["forms-alone", "web/forms/uses-app.ts", uses("../app/b.ts")],
  ["server-without-screens", "web/server/screens.ts", uses("../app/b.ts")],
  ["core-order-schedule", "core/src/schedule/uses-fit.ts", uses("../fit/fit.ts")],
  ["core-order-fit", "core/src/fit/uses-planner.ts", uses("../planner/planner.ts")],
  ["core-ground", "core/src/ground.ts", uses("./body/body.ts")],
  ["areas-apart", "web/app/plans/uses-class.ts", uses("../class/stage.ts")],
  ["no-circles", "core/src/circle-a.ts", uses("./circle-b.ts")],
];
const OTHER_HALF = { "core/src/circle-b.ts": uses("./circle-a.ts") };

test("each planted violation is caught where it is, and nothing else", () => {
  const broken = rulesBrokenBy({
    ...GOOD,
    ...OTHER_HALF,
    ...Object.fromEntries(PLANTED.map(([, file, text]) => [file, text])),
  });
  const names = broken.map(({ rule, from }) => `${rule}: ${from}`);
  // A circle is told at whichever of its files is come to first.
  const expected = PLANTED.map(([rule, file]) => `${rule}: ${file}`);
  expect(new Set(names.map((name) => name.replace("circle-b", "circle-a")))).toEqual(new Set(expected));
});

test("files that keep to the rules break none", () => {
  expect(rulesBrokenBy(GOOD)).toEqual([]);
});
