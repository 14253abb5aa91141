import { defineConfig } from "vitest/config";

/** A fit of many drawn cases takes seconds, minutes on a shared machine, more at full size. */
const PATIENCE = process.env["TEST_SIZE"] === "full" ? 600_000 : 180_000;

const seed = process.env["FAST_CHECK_SEED"] ?? String(Math.trunc(Math.random() * 2 ** 31));
process.env["FAST_CHECK_SEED"] = seed;
process.stdout.write(`property tests draw with FAST_CHECK_SEED=${seed}\n`);
const setupFiles = [new URL("core/src/seed.fixture.ts", import.meta.url).pathname];

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      { test: { name: "core", include: ["core/src/**/*.test.ts"], setupFiles, testTimeout: PATIENCE, isolate: false } },
      { test: { name: "words", include: ["words/en/**/*.test.ts"], setupFiles, testTimeout: PATIENCE, isolate: false } },
      // Style sheets are read by what draws picture files.
      { test: { name: "web", include: ["web/{app,forms,jobs}/**/*.test.ts"], setupFiles, testTimeout: PATIENCE, css: true } },
      {
        test: {
          name: "server",
          include: ["web/server/**/*.test.ts"],
          setupFiles,
          testTimeout: PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
      {
        test: {
          name: "browser",
          include: ["web/e2e/**/*.e2e.ts"],
          testTimeout: 2 * PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
    ],
  },
});
