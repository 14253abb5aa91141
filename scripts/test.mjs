// npm test: types, lint, dependency rules, unused code, unit and property tests, the server and the real interface on a
// throwaway database. Its last line is "N passed, N failed". Words after "--" choose tests by file name. "--browser" leaves out
// checks and unit tests, "--long" runs heavy tests at full size.
import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, relative } from "node:path";
import { age, chromium, nginx } from "./debian.mjs";
import { startCluster } from "./postgres.mjs";
import { startServer } from "./server.mjs";
import { build, installPackages, ROOT } from "./setup.mjs";

const options = process.argv.slice(2).filter((word) => word.startsWith("--"));
const chosen = process.argv.slice(2).filter((word) => !word.startsWith("--"));
const browserOnly = options.includes("--browser");
const testSize = options.includes("--long") ? "full" : "small";
/** The tests' own today, a Tuesday morning, so that they do not depend on the day they run. */
const CLOCK_STARTS_AT = "2026-10-13T09:00:00Z";

const CHECKS = [
  ["types", ["npm", "run", "-s", "check:types"]],
  ["lint", ["npm", "run", "-s", "check:lint"]],
  ["dependency rules", ["npm", "run", "-s", "check:dependencies"]],
  ["unused code", ["npm", "run", "-s", "check:unused"]],
  ["reference", ["npm", "run", "-s", "check:docs"]],
  ["length", ["npm", "run", "-s", "check:length"]],
];

let passed = 0;
let failed = 0;

function check(name, [program, ...args]) {
  const result = spawnSync(program, args, { cwd: ROOT, encoding: "utf8" });
  const good = result.status === 0;
  if (good) passed += 1;
  else failed += 1;
  process.stdout.write(`${good ? "passed" : "FAILED"}  ${name}\n`);
  if (!good) process.stdout.write(`${result.stdout}${result.stderr}\n`);
}

const PROJECTS = browserOnly ? ["--project", "server", "--project", "browser"] : [];

const SLOWEST = 12;

const seconds = (milliseconds) => `${(milliseconds / 1000).toFixed(0).padStart(5)} s`;

/** What took longest, so that a test that has grown slow is seen. */
function tellSlowest({ testResults }) {
  const tests = testResults.flatMap(({ name, assertionResults }) =>
    assertionResults.map(({ title, duration }) => ({ file: relative(ROOT, name), title, duration: duration ?? 0 })),
  );
  tests.sort((a, b) => b.duration - a.duration);
  for (const { file, title, duration } of tests.slice(0, SLOWEST))
    process.stdout.write(`${seconds(duration)}  ${file}: ${title}\n`);
  const files = testResults.map(({ name, startTime, endTime }) => ({
    file: relative(ROOT, name),
    duration: endTime - startTime,
  }));
  files.sort((a, b) => b.duration - a.duration);
  for (const { file, duration } of files.slice(0, SLOWEST)) process.stdout.write(`${seconds(duration)}  ${file}\n`);
}

/** Runs Vitest and adds its counts; a run that breaks off counts as one failure. */
function runTests(env, folder) {
  const report = join(folder, "report.json");
  const result = spawnSync(
    "npx",
    ["vitest", "run", "--reporter=dot", "--reporter=json", `--outputFile.json=${report}`, ...PROJECTS, ...chosen],
    {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: "inherit",
    },
  );
  try {
    const told = JSON.parse(readFileSync(report, "utf8"));
    const { numPassedTests, numFailedTests } = told;
    tellSlowest(told);
    passed += numPassedTests;
    failed += numFailedTests;
    if (result.status !== 0 && numFailedTests === 0) failed += 1;
  } catch {
    failed += 1;
  }
}

/**
 * Starts the server that is tested. A full run has the demo loaded by two servers that start together, while the checks run:
 * one of them loads it, and the other has to wait for that.
 */
async function startTested(databaseUrl) {
  const options = { buildFolder: "build-test", port: 0, databaseUrl, env: { CLOCK_STARTS_AT } };
  if (chosen.length > 0) return startServer(options);
  const starting = [startServer({ ...options, demo: true }), startServer({ ...options, demo: true })];
  if (!browserOnly) for (const [name, command] of CHECKS) check(name, command);
  const [tested, second] = await Promise.all(starting);
  end(second);
  return tested;
}

function end(server) {
  server?.child.removeAllListeners("exit");
  server?.child.kill("SIGKILL");
}

installPackages();
const chromiumPath = chromium();
age();
const folder = mkdtempSync(join(tmpdir(), "able-tide-test-"));
let cluster = null;
let server = null;
try {
  build("build-test");
  // The database's user has to be able to go there.
  cluster = await startCluster(`${folder}-postgres`);
  const databaseUrl = cluster.ensureDatabase("able_tide_test");
  server = await startTested(databaseUrl);
  const env = {
    CLOCK_STARTS_AT,
    TEST_DATABASE_URL: databaseUrl,
    E2E_URL: `http://127.0.0.1:${server.port}`,
    CHROMIUM: chromiumPath,
    NGINX: nginx(),
    TEST_SIZE: testSize,
  };
  runTests(env, folder);
} catch (error) {
  failed += 1;
  process.stdout.write(`${error instanceof Error ? error.stack : error}\n`);
} finally {
  end(server);
  cluster?.stop();
  rmSync(folder, { recursive: true, force: true });
  rmSync(`${folder}-postgres`, { recursive: true, force: true });
}
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
