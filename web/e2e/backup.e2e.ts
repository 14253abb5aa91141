import { execFile, spawnSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import type { Knex } from "knex";
import { afterAll, beforeAll, expect, test } from "vitest";
import { erasePerson } from "../server/people/erase.ts";
import { addSomebody, ownOrganisation, type TestOrganisation } from "./organisation.ts";
import { type OwnDatabase, ownDatabase } from "./own-database.ts";
import { startOwnServer } from "./own-server.ts";

const SCRIPTS = join(import.meta.dirname, "../../scripts");
const run = promisify(execFile);
const sourceUrl = process.env["TEST_DATABASE_URL"] ?? "";

let folder: string;
let organisation: TestOrganisation;
let copy: OwnDatabase;
let recipient: string;
let key: string;

function newKey(name: string): { file: string; recipient: string } {
  const made = spawnSync("age-keygen", [], { encoding: "utf8" });
  const file = join(folder, name);
  writeFileSync(file, made.stdout, { mode: 0o600 });
  return { file, recipient: /age1\w+/.exec(made.stdout)?.[0] ?? "" };
}

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "able-tide-backup-"));
  organisation = await ownOrganisation("Backed-up Harbour");
  await addSomebody(organisation, "Someone who must not be lost");
  copy = await ownDatabase("able_tide_restored");
  ({ file: key, recipient } = newKey("key.txt"));
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await copy?.drop();
  await organisation?.close();
});

const script = (name: string, args: readonly string[], databaseUrl: string) =>
  run(process.execPath, [join(SCRIPTS, name), ...args], { env: { ...process.env, DATABASE_URL: databaseUrl } });
const back = (args: readonly string[]) => script("backup.mjs", args, sourceUrl);
const restore = (args: readonly string[]) => script("restore.mjs", args, copy.url);

/** Each row of each table as text, in an order of its own. Other tests write at the same time. */
async function rowsOf(database: Knex, tables: readonly string[]): Promise<Record<string, string[]>> {
  const read = async (table: string) => {
    const { rows } = await database.raw<{ rows: { row: string }[] }>(`select t::text as row from ${table} t order by 1`);
    return [table, rows.map(({ row }) => row)] as const;
  };
  return Object.fromEntries(await Promise.all(tables.map(read)));
}

async function tablesOf(database: Knex): Promise<string[]> {
  const { rows } = await database.raw<{ rows: { name: string }[] }>(
    "select quote_ident(tablename) as name from pg_tables where schemaname = 'public' order by 1",
  );
  return rows.map(({ name }) => name);
}

let file = "";

test("a back-up is one encrypted file in which no name can be read", async () => {
  const { stdout } = await back(["--to", folder, "--recipient", recipient]);
  file = stdout.trim();
  const content = readFileSync(file);
  expect(content.subarray(0, 21).toString()).toBe("age-encryption.org/v1");
  expect(content.includes("Someone who must not be lost")).toBe(false);
  expect(readdirSync(folder).filter((name) => name.endsWith(".unfinished"))).toEqual([]);
});

test("another key does not open it, and leaves nothing behind", async () => {
  const other = newKey("other.txt");
  await expect(restore(["--from", file, "--key", other.file])).rejects.toThrow("no identity matched");
  expect(await tablesOf(copy.database)).toEqual([]);
});

test("it restores into an empty database, row by row", async () => {
  await restore(["--from", file, "--key", key]);
  const tables = await tablesOf(copy.database);
  expect(tables).toEqual(await tablesOf(organisation.scope.database));
  const restored = await rowsOf(copy.database, tables);
  const again = await ownDatabase("able_tide_restored_twice");
  try {
    // A second back-up, of the restored database that no one writes to, holds the same rows.
    const { stdout } = await script("backup.mjs", ["--to", join(folder, "second"), "--recipient", recipient], copy.url);
    await script("restore.mjs", ["--from", stdout.trim(), "--key", key], again.url);
    expect(await rowsOf(again.database, tables)).toEqual(restored);
  } finally {
    await again.drop();
  }
  const { organisationId } = organisation.scope;
  const own = (database: Knex) => database("people").where({ organisation_id: organisationId }).select("*");
  expect(await own(copy.database)).toEqual(await own(organisation.scope.database));
  expect(await own(copy.database)).toHaveLength(1);
});

test("someone who was erased after the back-up does not come back with it", async () => {
  const { scope } = organisation;
  const personId = await addSomebody(organisation, "Someone who asked to be erased");
  const { stdout: older } = await back(["--to", folder, "--recipient", recipient]);
  expect(await erasePerson(scope, personId)).toBe("erased");
  await back(["--to", folder, "--recipient", recipient]);
  const restored = await ownDatabase("able_tide_restored_older");
  try {
    await script("restore.mjs", ["--from", older.trim(), "--key", key], restored.url);
    const server = await startOwnServer({ databaseUrl: restored.url });
    await server.kill();
    const names = await restored.database("people").where({ organisation_id: scope.organisationId }).pluck("name");
    expect(names).toEqual(["Someone who must not be lost"]);
  } finally {
    await restored.drop();
  }
});

test("it does not restore over what is there", async () => {
  await expect(restore(["--from", file, "--key", key])).rejects.toThrow("The database is not empty, and nothing was changed.");
});

test("a back-up of a database that does not answer is no file", async () => {
  const to = join(folder, "third");
  await expect(script("backup.mjs", ["--to", to, "--recipient", recipient], `${sourceUrl}_not_there`)).rejects.toThrow(
    "does not exist",
  );
  expect(readdirSync(to)).toEqual([]);
});
