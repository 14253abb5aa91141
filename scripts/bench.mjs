// npm run bench: timings of the core as it is shipped, bundled, and of pulls in the studio and on the board in Chromium, as JSON on
// standard output. "npm run bench -- core" leaves the browser out.
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { benchBrowser } from "./bench-browser.mjs";
import { installPackages, LOCAL, ROOT } from "./setup.mjs";

installPackages();
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
const core = spawnSync(process.execPath, [join(folder, "bench.js")], {
  env: { ...process.env, LIBRARY_FOLDER: join(ROOT, "library") },
  stdio: ["ignore", "pipe", "inherit"],
  encoding: "utf8",
});
const browser = process.argv[2] === "core" ? {} : await benchBrowser();
process.stdout.write(`${JSON.stringify({ ...JSON.parse(core.stdout), ...browser }, null, 2)}\n`);
