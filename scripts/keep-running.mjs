// Runs the application until it is stopped: its packages, its database, its build, its server. Ctrl-C stops all of it.
import { openDatabase } from "./own-cluster.mjs";
import { startServer } from "./server.mjs";
import { build, installPackages } from "./setup.mjs";

/**
 * @param options.database the address of a database, or the folder of a cluster of the application's own and a name in it
 * @param options.demo whether the demo is loaded, once
 * @param options.welcome said when the server listens on a port
 */
export async function keepRunning({ database, demo, welcome }) {
  let opened = null;
  let server = null;
  let stopping = false;

  function stop(code) {
    if (stopping) return;
    stopping = true;
    server?.child.removeAllListeners("exit");
    server?.child.kill("SIGTERM");
    opened?.stop();
    process.exit(code);
  }
  process.on("SIGINT", () => stop(0));
  process.on("SIGTERM", () => stop(0));

  try {
    installPackages();
    opened = await openDatabase(database());
    const { databaseUrl } = opened;
    build("build");
    server = await startServer({ buildFolder: "build", port: Number(process.env.PORT ?? 4600), databaseUrl, demo, tell: true });
    server.child.once("exit", (code) => stop(code ?? 1));
    process.stdout.write(`${welcome(server.port)}\n\nCtrl-C stops it.\n`);
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? error.message : error}\n`);
    stop(1);
  }
}
