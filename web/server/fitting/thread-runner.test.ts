import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { build } from "vite";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import type { FitRunner } from "../../jobs/fit-runner.ts";
import { createOwnThreadRunner } from "../../jobs/own-thread-runner.ts";
import { smallFit } from "../../jobs/work.fixture.ts";
import { createThreadRunner } from "./thread-runner.ts";

let folder: string;
let runner: FitRunner;

// Threads need JavaScript: their entry is built as in the server's build.
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "able-tide-threads-"));
  await build({
    configFile: false,
    logLevel: "error",
    publicDir: false,
    ssr: { noExternal: true },
    build: {
      ssr: join(import.meta.dirname, "fit-thread.ts"),
      outDir: folder,
      emptyOutDir: true,
      rolldownOptions: { output: { entryFileNames: "fit-thread.mjs" } },
    },
  });
  runner = createThreadRunner(join(folder, "fit-thread.mjs"));
});
afterAll(() => {
  runner.close();
  rmSync(folder, { recursive: true });
});

describe("jobs in threads of the server", () => {
  test("have the result that they have in this thread", async () => {
    const input = smallFit();
    expect(await runner.run("fit", input)).toEqual(await createOwnThreadRunner().run("fit", input));
  });

  test("tell their progress", async () => {
    const told = new Set<string>();
    await runner.run("fit", smallFit(), { onProgress: ({ personId }) => told.add(personId) });
    expect(told).toEqual(new Set(["high", "still"]));
  });

  test("two questions at once are both answered", async () => {
    const input = smallFit("both");
    const [high, still] = await Promise.all([
      runner.run("withoutCap", { ...input, personId: "high", capId: "low" }),
      runner.run("withoutCap", { ...input, personId: "still", capId: "two" }),
    ]);
    expect(high.fidelity).toBeGreaterThan(0);
    expect(still.fidelity).toBeGreaterThan(0);
  });

  test("one that is stopped rejects at once, and the next job runs", async () => {
    const stop = new AbortController();
    const long = smallFit(null, ["scoop-and-lift", "row-lift-and-settle", "bend-like-a-reed"]);
    const stopped = runner.run("fit", long, { signal: stop.signal });
    stop.abort();
    await expect(stopped).rejects.toMatchObject({ name: "AbortError" });
    expect((await runner.run("fit", smallFit())).rows.size).toBe(2);
  });

  test("an error of a job reaches the caller", async () => {
    const { plan } = smallFit();
    await expect(runner.run("fit", { plan, people: null as never, fitId: null })).rejects.toThrow();
  });
});
