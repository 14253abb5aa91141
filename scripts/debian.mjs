// Debian packages the application needs: found, installed when that is allowed, or named for someone who may install them.
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const SERVERS = "/usr/lib/postgresql";
const CHROMIUM = "/usr/bin/chromium";

/** Folder of the newest PostgreSQL server's programs, or null. */
function serverPrograms() {
  if (!existsSync(SERVERS)) return null;
  const versions = readdirSync(SERVERS)
    .filter((version) => existsSync(join(SERVERS, version, "bin/initdb")))
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] ? join(SERVERS, versions[0], "bin") : null;
}

function install(packages) {
  const byHand = `apt-get update && apt-get install -y ${packages.join(" ")}`;
  if (process.getuid() !== 0 || !existsSync("/usr/bin/apt-get"))
    throw new Error(`This needs the Debian packages ${packages.join(", ")}. Please type:\n\n  sudo sh -c '${byHand}'\n`);
  process.stdout.write(`Installing the Debian packages ${packages.join(", ")} ...\n`);
  // The application keeps a cluster of its own; Debian need not make one.
  mkdirSync("/etc/postgresql-common", { recursive: true });
  if (!existsSync("/etc/postgresql-common/createcluster.conf"))
    writeFileSync("/etc/postgresql-common/createcluster.conf", "create_main_cluster = false\n");
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  for (const args of [
    ["update", "-qq"],
    ["install", "-y", "-qq", "--no-install-recommends", "-o", "Dpkg::Options::=--force-confold", ...packages],
  ]) {
    const run = spawnSync("apt-get", args, { env, encoding: "utf8" });
    if (run.status !== 0) throw new Error(`apt-get ${args[0]} failed:\n${run.stderr}\nPlease type: ${byHand}`);
  }
}

/** Folder of initdb and pg_ctl; installs the server where it may. */
export function postgresPrograms() {
  if (!serverPrograms()) install(["postgresql"]);
  const programs = serverPrograms();
  if (!programs) throw new Error("PostgreSQL was installed but its server programs are not where Debian keeps them.");
  return programs;
}

/** Path of Chromium; installs it where it may. */
export function chromium() {
  if (!existsSync(CHROMIUM)) install(["chromium"]);
  return CHROMIUM;
}
