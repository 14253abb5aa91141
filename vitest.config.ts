import { defineConfig } from "vitest/config";

/** A fit of many drawn cases takes seconds, and minutes where the machine is shared with others that take its time. */
const PATIENCE = 180_000;

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      { test: { name: "core", include: ["core/src/**/*.test.ts"], testTimeout: PATIENCE } },
      { test: { name: "web", include: ["web/app/**/*.test.ts"], testTimeout: PATIENCE } },
      {
        test: {
          name: "server",
          include: ["web/server/**/*.test.ts"],
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
