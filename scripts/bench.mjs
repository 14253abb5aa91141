// npm run bench: timings of the core as it is shipped, bundled, as JSON on standard output.
import { join } from "node:path";
import { installPackages, LOCAL, ROOT, run } from "./setup.mjs";

installPackages();
const { build } = await import("vite");
const folder = join(LOCAL, "bench");
await build({
  root: ROOT,
  configFile: false,
  logLevel: "error",
  build: { ssr: "core/bench/bench.ts", outDir: folder, emptyOutDir: true, minify: false },
  ssr: { noExternal: true },
});
run(process.execPath, [join(folder, "bench.js")], { env: { ...process.env, LIBRARY_FOLDER: join(ROOT, "library") } });
