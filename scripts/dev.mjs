// npm run dev: the application with live reload, on the demo's database.
import { join } from "node:path";
import { clusterFolder } from "./own-cluster.mjs";
import { startCluster } from "./postgres.mjs";
import { startServer } from "./server.mjs";
import { build, installPackages, ROOT, run } from "./setup.mjs";

installPackages();
const cluster = await startCluster(clusterFolder("postgres"));
const databaseUrl = cluster.ensureDatabase("able_tide_demo");
// The built server migrates and loads the demo; the live one takes over from there.
build("build");
const { child } = await startServer({ buildFolder: "build", port: 0, databaseUrl, demo: true });
child.kill("SIGTERM");
process.on("SIGINT", () => undefined);
try {
  run("npx", ["react-router", "dev", "--host", "127.0.0.1"], {
    cwd: join(ROOT, "web"),
    env: { ...process.env, DATABASE_URL: databaseUrl },
  });
} finally {
  cluster.stop();
}
