// npm run demo: everything needed, the demo data, the application, its address. Ctrl-C stops all of it.
import { createHash } from "node:crypto";
import { join } from "node:path";
import { postgresPrograms } from "./debian.mjs";
import { reachableByServer, startCluster } from "./postgres.mjs";
import { startServer } from "./server.mjs";
import { build, installPackages, LOCAL, ROOT } from "./setup.mjs";

const PORT = Number(process.env.PORT ?? 4600);

/** The cluster lies in the checkout, but for a checkout where the database's user may not go. */
function clusterFolder() {
  postgresPrograms();
  if (reachableByServer(ROOT)) return join(LOCAL, "postgres");
  const folder = `/var/lib/able-tide-${createHash("sha256").update(ROOT).digest("hex").slice(0, 12)}`;
  process.stdout.write(`PostgreSQL's user cannot reach this folder, so the database is kept in ${folder}\n`);
  return folder;
}

let cluster = null;
let server = null;
let stopping = false;

function stop(code) {
  if (stopping) return;
  stopping = true;
  server?.child.removeAllListeners("exit");
  server?.child.kill("SIGTERM");
  cluster?.stop();
  process.exit(code);
}
process.on("SIGINT", () => stop(0));
process.on("SIGTERM", () => stop(0));

try {
  installPackages();
  cluster = await startCluster(clusterFolder());
  const databaseUrl = cluster.ensureDatabase("able_tide_demo");
  build("build");
  server = await startServer({ buildFolder: "build", port: PORT, databaseUrl, demo: true });
  server.child.once("exit", (code) => stop(code ?? 1));
  process.stdout.write(`
Able Tide is at   http://127.0.0.1:${server.port}
sign in with      ines@kittiwake.example
password          low-water-mark

Ctrl-C stops it.
`);
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : error}\n`);
  stop(1);
}
