// Where the demo's database cluster lies.
import { createHash } from "node:crypto";
import { join } from "node:path";
import { postgresPrograms } from "./debian.mjs";
import { reachableByServer } from "./postgres.mjs";
import { LOCAL, ROOT } from "./setup.mjs";

/** The cluster lies in the checkout, but for a checkout where the database's user may not go. */
export function clusterFolder() {
  postgresPrograms();
  if (reachableByServer(ROOT)) return join(LOCAL, "postgres");
  const folder = `/var/lib/able-tide-${createHash("sha256").update(ROOT).digest("hex").slice(0, 12)}`;
  process.stdout.write(`PostgreSQL's user cannot reach this folder, so the database is kept in ${folder}\n`);
  return folder;
}
