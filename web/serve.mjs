// Starts a built server: node serve.mjs <build folder> <port> [--demo]. It knows only DATABASE_URL.
import { resolve } from "node:path";
import { pathToFileURL } from "node:url";

const [buildFolder = "build", port = "0", ...flags] = process.argv.slice(2);
const entry = resolve(buildFolder, "server/index.js");
const { prepare, serve } = await import(pathToFileURL(entry).href);
await prepare({ demo: flags.includes("--demo") });
const listening = await serve({
  port: Number(port),
  clientFolder: resolve(buildFolder, "client"),
  fitThread: resolve(buildFolder, "server/fit-thread.js"),
});
process.stdout.write(`listening on ${listening}\n`);
