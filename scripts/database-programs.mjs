// Programs that read and write a whole database, joined by pipes so that nothing is written unencrypted.
import { spawn, spawnSync } from "node:child_process";
import { pipeline } from "node:stream/promises";
import { postgresProgram } from "./debian.mjs";
import { openDatabase, ownDatabase } from "./own-cluster.mjs";

/** What PostgreSQL's programs are told of a database; a password stands in no list of processes this way. */
export function environmentOf(databaseUrl) {
  const url = new URL(databaseUrl);
  const told = {
    PGHOST: url.searchParams.get("host") ?? url.hostname,
    PGPORT: url.port || "5432",
    PGUSER: decodeURIComponent(url.username),
    PGPASSWORD: decodeURIComponent(url.password),
    PGDATABASE: decodeURIComponent(url.pathname.slice(1)),
  };
  return { ...process.env, ...Object.fromEntries(Object.entries(told).filter(([, value]) => value !== "")) };
}

/** Asks a database with SQL. @returns the answer as text */
export function askDatabase(environment, sql) {
  const options = ["--no-psqlrc", "--quiet", "--tuples-only", "--no-align", "--set", "ON_ERROR_STOP=1"];
  const asked = spawnSync(postgresProgram("psql"), options, { env: environment, input: sql, encoding: "utf8" });
  if (asked.status !== 0) throw new Error(`The database did not answer: ${asked.stderr.trim()}`);
  return asked.stdout.trim();
}

/** The file next to back-ups with the ids of who was erased, so that an older back-up brings no one back. */
export const ERASURES_FILE = "able-tide-erasures.json";

/** Does work with the database of real data, starting a cluster of the application's own where it is kept in one. */
export async function withDatabase(work) {
  const { databaseUrl, stop } = await openDatabase(ownDatabase());
  try {
    return await work(databaseUrl);
  } finally {
    stop();
  }
}

const ended = (child, name) =>
  new Promise((resolve, reject) => {
    let said = "";
    child.stderr.on("data", (chunk) => {
      said += chunk;
    });
    child.once("error", reject);
    child.once("close", (code) => (code === 0 ? resolve() : reject(new Error(`${name} failed: ${said.trim()}`))));
  });

/**
 * Runs two programs, the second on what the first one writes.
 *
 * @throws what the first of them that failed said
 */
export async function joined([first, firstArgs, firstEnv], [second, secondArgs, secondEnv], output = "ignore") {
  const from = spawn(first, firstArgs, { env: firstEnv ?? process.env, stdio: ["ignore", "pipe", "pipe"] });
  const to = spawn(second, secondArgs, { env: secondEnv ?? process.env, stdio: ["pipe", output, "pipe"] });
  // A program that ends early closes its end: what it says tells why, not the broken pipe.
  const piped = pipeline(from.stdout, to.stdin).catch(() => undefined);
  const outcomes = await Promise.allSettled([ended(from, first), ended(to, second), piped]);
  const failed = outcomes.find(({ status }) => status === "rejected");
  if (failed) throw failed.reason;
}
