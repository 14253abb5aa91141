import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    projects: [{ test: { name: "core", include: ["core/src/**/*.test.ts"] } }],
  },
});
