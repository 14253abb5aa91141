// Where the application keeps clusters of its own.
import { createHash } from "node:crypto";
import { join } from "node:path";
import { postgresPrograms } from "./debian.mjs";
import { reachableByServer, startCluster } from "./postgres.mjs";
import { LOCAL, ROOT } from "./setup.mjs";

/**
 * Folder of a cluster: in the checkout, but for a checkout where the database's user may not go.
 *
 * @param name of the folder in .local: "postgres" for the demo, "database" for real data
 */
export function clusterFolder(name) {
  postgresPrograms();
  if (reachableByServer(ROOT)) return join(LOCAL, name);
  const suffix = name === "postgres" ? "" : `-${name}`;
  const folder = `/var/lib/able-tide-${createHash("sha256").update(ROOT).digest("hex").slice(0, 12)}${suffix}`;
  process.stdout.write(`PostgreSQL's user cannot reach this folder, so the database is kept in ${folder}\n`);
  return folder;
}

/**
 * Opens a database: one by its address, or one in a cluster of the application's own, which is started.
 *
 * @returns its address, and stop(), which stops only a cluster that this call started
 */
export async function openDatabase({ url, folder, name }) {
  if (url !== undefined) return { databaseUrl: url, stop: () => undefined };
  const cluster = await startCluster(folder);
  return { databaseUrl: cluster.ensureDatabase(name), stop: cluster.stop };
}

/** The database of real data: the one that DATABASE_URL names, or one of the application's own. */
export const ownDatabase = () =>
  process.env.DATABASE_URL ? { url: process.env.DATABASE_URL } : { folder: clusterFolder("database"), name: "able_tide" };
