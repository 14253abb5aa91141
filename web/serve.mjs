// Starts a built server: node serve.mjs <build folder> <port> [--demo]. It knows only DATABASE_URL.
import { resolve } from "node:path";
import { pathToFileURL } from "node:url";

const [buildFolder = "build", port = "0", ...flags] = process.argv.slice(2);
const entry = resolve(buildFolder, "server/index.js");
const { prepare, serve, setUpLink } = await import(pathToFileURL(entry).href);
await prepare({ demo: flags.includes("--demo") });
const link = await setUpLink();
const listening = await serve({
  port: Number(port),
  clientFolder: resolve(buildFolder, "client"),
  fitThread: resolve(buildFolder, "server/fit-thread.js"),
  libraryAhead: resolve(buildFolder, "server/library-ahead.json"),
});
if (link)
  process.stdout.write(`
There is no organisation yet. Open this address to set one up. It works once, for ${link.hours} hours:

  ${link.addressAt(listening)}

`);
process.stdout.write(`listening on ${listening}\n`);
