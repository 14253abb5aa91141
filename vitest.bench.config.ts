import { defineConfig } from "vitest/config";

export default defineConfig({ test: { include: ["core/bench/*.bench.ts"], testTimeout: 300_000, reporters: ["dot"] } });
