import { spawnSync } from "node:child_process";
import { startCluster } from "./scripts/postgres.mjs";

const cluster = await startCluster("/tmp/d/prof-pg2");
const t = Date.now();
spawnSync(
  process.execPath,
  [
    "--cpu-prof",
    "--cpu-prof-dir=/tmp/d/prof",
    "-e",
    `import('/work/main/web/build/server/index.js').then(async m=>{await m.prepare({demo:true});process.exit(0)})`,
  ],
  {
    cwd: "/work/main/web",
    env: {
      ...process.env,
      NODE_ENV: "production",
      CLOCK_STARTS_AT: "2026-10-13T09:00:00Z",
      DATABASE_URL: cluster.ensureDatabase("p"),
    },
    stdio: "inherit",
  },
);
console.log("loaded in", (Date.now() - t) / 1000);
cluster.stop();
process.exit(0);
