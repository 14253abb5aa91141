import { subMinutes } from "date-fns";
import { strToU8, Zip, ZipDeflate } from "fflate";
import { recordAction } from "../audit/audit.ts";
import { EXPORTED, EXPORTED_TABLES, type ExportedTable } from "../organisation-tables.ts";
import type { Scope } from "../scope.ts";
import { writeCsv } from "./csv.ts";
import { exportRows } from "./export-people.ts";
import { FILE_COLUMNS } from "./people-columns.ts";

/** What an export says of itself. */
export const EXPORT_FORMAT = "able-tide/organisation";
export const EXPORT_VERSION = 1;

/** Rows read at a time: the script of a class is some hundred kilobytes. */
const AT_A_TIME = 20;

/** Compression, of 0 to 9: quick, since other requests wait. */
const QUICKLY = 1;

/** Rows of a table as JSON, some at a time, by what names them. */
async function* rowsOf({ database, organisationId }: Scope, table: ExportedTable): AsyncGenerator<string> {
  const key: readonly (readonly [string, string])[] = EXPORTED[table];
  const columns = key.map(([column]) => column);
  const placed = key.map(([, type]) => `?::${type}`).join(", ");
  const inOrder = key.length === 0 ? "" : `order by ${columns.join(", ")} limit ${AT_A_TIME}`;
  let last: readonly string[] | null = null;
  for (;;) {
    const after: string = last === null ? "" : `and (${columns.join(", ")}) > (${placed})`;
    const { rows }: { rows: { row: string; key: string[] }[] } = await database.raw(
      `select (to_jsonb(t) - 'organisation_id')::text as row, array[${columns.map((column) => `${column}::text`).join(", ")}]::text[] as key
        from ${table} t where organisation_id = ? ${after} ${inOrder}`,
      [organisationId, ...(last ?? [])],
    );
    yield* rows.map(({ row }) => row);
    if (key.length === 0 || rows.length < AT_A_TIME) return;
    last = rows.at(-1)?.key ?? null;
  }
}

/** Team members, present and former, who are named by the rows. */
async function teamOf({ database, organisationId }: Scope): Promise<string> {
  const rows = await database("memberships")
    .join("accounts", "accounts.id", "memberships.account_id")
    .where({ organisation_id: organisationId })
    .orderBy("accounts.id")
    .select("accounts.id", "accounts.name", "accounts.email", "memberships.role", "memberships.ended_at");
  return JSON.stringify(rows, null, 1);
}

/** Entries of the audit, without what stood there before and after. */
async function auditOf({ database, organisationId }: Scope): Promise<string> {
  const rows = await database("audit_entries").where({ organisation_id: organisationId }).orderBy(["at", "id"]).select("*");
  return JSON.stringify(rows, null, 1);
}

/** The files of an export, each in parts. */
async function* filesOf(scope: Scope): AsyncGenerator<readonly [name: string, parts: AsyncIterable<string> | readonly string[]]> {
  const { organisationName: name, timeZone } = scope;
  const about = { format: EXPORT_FORMAT, version: EXPORT_VERSION, name, timeZone, at: scope.now().toISOString() };
  yield ["about.json", [JSON.stringify(about, null, 1)]];
  yield ["team.json", [await teamOf(scope)]];
  yield ["audit.json", [await auditOf(scope)]];
  for (const kind of ["people", "limitations", "measured"] as const)
    yield [`${kind}.csv`, [writeCsv(FILE_COLUMNS[kind], await exportRows(scope, kind))]];
  for (const table of EXPORTED_TABLES) yield [`tables/${table}.json`, inBrackets(rowsOf(scope, table))];
}

async function* inBrackets(rows: AsyncIterable<string>): AsyncGenerator<string> {
  let isFirst = true;
  yield "[";
  for await (const row of rows) {
    yield `${isFirst ? "\n" : ",\n"}${row}`;
    isFirst = false;
  }
  yield "\n]\n";
}

/** Organisations whose export is being read, and since when. */
const underWay = new Map<string, Date>();

/** After so many minutes a reader is taken for gone: another may begin. */
const LONGEST_MINUTES = 10;

/**
 * Everything of the organisation as a zip of JSON and CSV, made while it is read, so that little of it is in memory.
 *
 * @returns null while another export of the same organisation is being read
 */
export function exportOrganisation(scope: Scope): ReadableStream<Uint8Array> | null {
  const { organisationId } = scope;
  const since = underWay.get(organisationId);
  if (since && since > subMinutes(scope.now(), LONGEST_MINUTES)) return null;
  underWay.set(organisationId, scope.now());
  const ready: Uint8Array[] = [];
  const zip = new Zip((error, chunk) => {
    if (error) throw error;
    ready.push(chunk);
  });
  async function* chunks(): AsyncGenerator<Uint8Array> {
    await recordAction(scope, "exported", { subject: "organisation", id: organisationId });
    for await (const [name, parts] of filesOf(scope)) {
      const file = new ZipDeflate(name, { level: QUICKLY });
      zip.add(file);
      for await (const part of parts) {
        file.push(strToU8(part));
        yield* ready.splice(0);
      }
      file.push(new Uint8Array(), true);
    }
    zip.end();
    yield* ready.splice(0);
  }
  const source = chunks();
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      try {
        const { value, done } = await source.next();
        if (!done) return controller.enqueue(value);
        underWay.delete(organisationId);
        controller.close();
      } catch (error) {
        underWay.delete(organisationId);
        throw error;
      }
    },
    async cancel() {
      underWay.delete(organisationId);
      zip.terminate();
      await source.return(undefined);
    },
  });
}
