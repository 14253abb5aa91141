// npm run demo: everything needed, the demo data, the application, its address. Ctrl-C stops all of it.
import { clusterFolder } from "./demo-cluster.mjs";
import { startCluster } from "./postgres.mjs";
import { startServer } from "./server.mjs";
import { build, installPackages } from "./setup.mjs";

const PORT = Number(process.env.PORT ?? 4600);

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
