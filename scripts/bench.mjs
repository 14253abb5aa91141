// npm run bench: timings of the core as it is shipped, bundled, and of pulls in the studio and on the board in Chromium, as JSON on
// standard output. "npm run bench -- core" leaves the browser out, "-- browser" the core.
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { benchBrowser } from "./bench-browser.mjs";
import { installPackages, LOCAL, ROOT } from "./setup.mjs";

installPackages();

/** Timings of the core, bundled as it is shipped. */
async function benchCore() {
  const { build } = await import("vite");
  const folder = join(LOCAL, "bench");
  await build({
    root: ROOT,
    configFile: false,
    logLevel: "error",
    build: { ssr: "core/bench/bench.ts", outDir: folder, emptyOutDir: true, minify: false },
    // The referee brings a binary of its own, which stays where it is.
    ssr: { noExternal: true, external: ["highs"] },
  });
  const { stdout } = spawnSync(process.execPath, [join(folder, "bench.js")], {
    env: { ...process.env, LIBRARY_FOLDER: join(ROOT, "library") },
    stdio: ["ignore", "pipe", "inherit"],
    encoding: "utf8",
  });
  return JSON.parse(stdout);
}

const [only] = process.argv.slice(2);
const core = only === "browser" ? {} : await benchCore();
const browser = only === "core" ? {} : await benchBrowser();
process.stdout.write(`${JSON.stringify({ ...core, ...browser }, null, 2)}\n`);
