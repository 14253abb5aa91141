// Debian packages the application needs: found, installed when that is allowed, or named for someone who may install them.
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { LOCAL } from "./setup.mjs";

const SERVERS = "/usr/lib/postgresql";
const CHROMIUM = "/usr/bin/chromium";
const NGINX = "/usr/sbin/nginx";
const AGE = "/usr/bin/age";

/** Folder of the newest PostgreSQL server's programs, or null. */
function serverPrograms() {
  if (!existsSync(SERVERS)) return null;
  const versions = readdirSync(SERVERS)
    .filter((version) => existsSync(join(SERVERS, version, "bin/initdb")))
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] ? join(SERVERS, versions[0], "bin") : null;
}

const isRoot = () => process.getuid() === 0;

function aptGet(args, byHand, options = {}) {
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  const run = spawnSync("apt-get", args, { env, encoding: "utf8", ...options });
  if (run.status !== 0) throw new Error(`apt-get ${args[0]} failed:\n${run.stderr}\nPlease type: ${byHand}`);
}

function install(packages) {
  const byHand = `apt-get update && apt-get install -y ${packages.join(" ")}`;
  if (!isRoot() || !existsSync("/usr/bin/apt-get"))
    throw new Error(`This needs the Debian packages ${packages.join(", ")}. Please type:\n\n  sudo sh -c '${byHand}'\n`);
  process.stdout.write(`Installing the Debian packages ${packages.join(", ")} ...\n`);
  // The application keeps a cluster of its own; Debian need not make one.
  mkdirSync("/etc/postgresql-common", { recursive: true });
  if (!existsSync("/etc/postgresql-common/createcluster.conf"))
    writeFileSync("/etc/postgresql-common/createcluster.conf", "create_main_cluster = false\n");
  aptGet(["update", "-qq"], byHand);
  const options = ["-y", "-qq", "--no-install-recommends", "-o", "Dpkg::Options::=--force-confold"];
  aptGet(["install", ...options, ...packages], byHand);
}

/** Unpacks a package into .local, for a program that must not be started by the system. @returns path of the program */
function unpack(name, program) {
  const folder = join(LOCAL, "debian");
  const path = join(folder, program);
  if (existsSync(path)) return path;
  process.stdout.write(`Unpacking the Debian package ${name} ...\n`);
  mkdirSync(folder, { recursive: true });
  if (isRoot()) aptGet(["update", "-qq"], "apt-get update");
  // apt's own sandbox may not write into the checkout.
  aptGet(["download", "-qq", "-o", "APT::Sandbox::User=root", name], `apt-get install ${name}`, { cwd: folder });
  const file = readdirSync(folder).find((each) => each.startsWith(`${name}_`) && each.endsWith(".deb"));
  const unpacked = spawnSync("dpkg", ["-x", join(folder, file), folder], { encoding: "utf8" });
  if (unpacked.status !== 0 || !existsSync(path)) throw new Error(`${name} could not be unpacked: ${unpacked.stderr}`);
  return path;
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

/** Path of nginx; unpacks it where it is not installed, for an installed one would be started at once. */
export const nginx = () => (existsSync(NGINX) ? NGINX : unpack("nginx", NGINX));

/** Path of age, which encrypts back-ups; installs it where it may. */
export function age() {
  if (!existsSync(AGE)) install(["age"]);
  return AGE;
}

/** Path of a program of PostgreSQL, such as pg_dump. */
export const postgresProgram = (name) => join(postgresPrograms(), name);
