import { randomUUID } from "node:crypto";
import { strFromU8, unzipSync } from "fflate";
import type { Knex } from "knex";
import * as v from "valibot";
import { ACCOUNT_COLUMNS, EXPORTED_TABLES, type ExportedTable } from "../organisation-tables.ts";
import { EXPORT_FORMAT, EXPORT_VERSION } from "./export-organisation.ts";

const About = v.object({ format: v.literal(EXPORT_FORMAT), version: v.literal(EXPORT_VERSION) });
const Team = v.array(v.object({ id: v.pipe(v.string(), v.uuid()), name: v.pipe(v.string(), v.maxLength(200)) }));
const Rows = v.array(v.record(v.string(), v.unknown()));

type Row = v.InferOutput<typeof Rows>[number];

/** Rows that are read into the database at a time. */
const AT_A_TIME = 50;

/** Why a file cannot be read as an export, as a sentence. */
export class NoExport extends Error {}

/** Tables that exports of before do not have yet. */
const ADDED_LATER: readonly ExportedTable[] = ["retention", "archived_movements", "combinations", "class_sheets"];

/** The address of an account that only lends its name to what it recorded; no one signs in with it. */
const formerEmail = (id: string): string => `${id}@former.invalid`;
const NO_PASSWORD = "none";

/** Adds an account for each team member of an export, as one who has left. @returns the new ids by the old ones */
async function addFormerTeam(database: Knex, organisationId: string, team: v.InferOutput<typeof Team>, now: Date) {
  const ids = new Map<string, string>();
  for (const { id, name } of team) {
    const accountId = randomUUID();
    const account = { id: accountId, email: formerEmail(accountId), name, password_hash: NO_PASSWORD, created_at: now };
    await database("accounts").insert(account);
    await database("memberships").insert({
      organisation_id: organisationId,
      account_id: accountId,
      role: "helper",
      created_at: now,
      ended_at: now,
    });
    ids.set(id, accountId);
  }
  return ids;
}

/** A row as another organisation has it: its own id, and the accounts that it names. */
function ownedBy(row: Row, organisationId: string, accounts: ReadonlyMap<string, string>): Row {
  const named = ACCOUNT_COLUMNS.filter((column) => typeof row[column] === "string").map(
    (column) => [column, column === "clinician_account" ? null : accounts.get(String(row[column]))] as const,
  );
  return { ...row, ...Object.fromEntries(named), organisation_id: organisationId };
}

async function insertRows(database: Knex, table: ExportedTable, rows: readonly Row[]): Promise<void> {
  for (let from = 0; from < rows.length; from += AT_A_TIME)
    await database.raw(`insert into ${table} select * from jsonb_populate_recordset(null::${table}, ?::jsonb)`, [
      JSON.stringify(rows.slice(from, from + AT_A_TIME)),
    ]);
}

function unzipped(archive: Uint8Array): ReturnType<typeof unzipSync> {
  try {
    return unzipSync(archive);
  } catch {
    throw new NoExport("This file is no zip file, or a part of it is missing.");
  }
}

/**
 * Reads an export into an organisation that has nothing yet. Whoever recorded something keeps their name on it; they are
 * invited anew to sign in.
 *
 * @param archive the zip
 * @throws {NoExport} with a sentence where it is no export; nothing is read in then
 */
export async function readOrganisation(database: Knex, organisationId: string, archive: Uint8Array, now: Date): Promise<void> {
  const files = unzipped(archive);
  const json = (name: string): unknown => {
    const file = files[name];
    if (!file) throw new NoExport(`This is no export of an organisation: ${name} is missing.`);
    try {
      return JSON.parse(strFromU8(file));
    } catch {
      throw new NoExport(`This is no export of an organisation: ${name} cannot be read.`);
    }
  };
  if (!v.is(About, json("about.json"))) throw new NoExport("This is no export of an organisation that can be read here.");
  await database.transaction(async (transaction) => {
    const accounts = await addFormerTeam(transaction, organisationId, v.parse(Team, json("team.json")), now);
    for (const table of EXPORTED_TABLES) {
      if (ADDED_LATER.includes(table) && !files[`tables/${table}.json`]) continue;
      const rows = v.parse(Rows, json(`tables/${table}.json`));
      await insertRows(
        transaction,
        table,
        rows.map((row) => ownedBy(row, organisationId, accounts)),
      );
    }
  });
}
