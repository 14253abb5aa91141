import { strToU8, zipSync } from "fflate";
import { recordAction } from "../audit/audit.ts";
import { findPerson } from "../people/people.ts";
import type { Scope } from "../scope.ts";
import { writeCsv } from "./csv.ts";
import { exportRows } from "./export-people.ts";
import { FILE_COLUMNS } from "./people-columns.ts";

/** Tables with a person's own rows. */
const TABLES = ["caps", "limitations", "clearances", "measurements", "results"] as const;

/** Columns that mean something in this installation only. */
const LEFT_OUT = ["organisation_id", "person_id", "clinician_account"];

const plain = (row: Record<string, unknown>) =>
  Object.fromEntries(Object.entries(row).filter(([column]) => !LEFT_OUT.includes(column)));

/** What classes recorded of a person: how they were fitted, and each event about them. */
async function classesOf({ database, organisationId }: Scope, personId: string) {
  const { rows } = await database.raw<{ rows: Record<string, unknown>[] }>(
    `select c.id, c.day, c.script ->> 'groupName' as "group", c.ended_at,
       (select p -> 'cells' from jsonb_array_elements(c.script -> 'people') p where p ->> 'id' = :personId) as variants,
       (select coalesce(jsonb_agg(e.event order by e.sequence), '[]') from class_events e
         where e.organisation_id = c.organisation_id and e.class_id = c.id and e.event ->> 'personId' = :personId) as events
     from classes c
     where c.organisation_id = :organisationId and c.script @> :inScript::jsonb
     order by c.day`,
    { personId, organisationId, inScript: JSON.stringify({ people: [{ id: personId }] }) },
  );
  return rows;
}

/** Letters of a person's clearances, by the names of their files. */
async function lettersOf({ database, organisationId }: Scope, personId: string): Promise<Record<string, Uint8Array>> {
  const rows = await database("clearance_files as f")
    .join("clearances as c", function join() {
      this.on("c.organisation_id", "f.organisation_id").andOn("c.id", "f.clearance_id");
    })
    .where({ "c.organisation_id": organisationId, "c.person_id": personId })
    .select<{ clearance_id: string; media_type: string; content: Buffer }[]>("f.clearance_id", "f.media_type", "f.content");
  return Object.fromEntries(
    rows.map(({ clearance_id, media_type, content }) => [
      `letters/${clearance_id}.${media_type.split("/")[1] ?? "bin"}`,
      new Uint8Array(content),
    ]),
  );
}

/**
 * Everything that is recorded of one person, as a zip of JSON and CSV; the CSV files can be imported again.
 *
 * @returns null for someone who is not there
 */
export async function exportPerson(scope: Scope, personId: string): Promise<Uint8Array | null> {
  const person = await findPerson(scope, personId);
  if (!person) return null;
  const own = { organisation_id: scope.organisationId };
  const row = await scope
    .database("people")
    .where({ ...own, id: personId })
    .first("*");
  const files: Record<string, unknown> = { person: plain(row), classes: await classesOf(scope, personId) };
  for (const table of TABLES)
    files[table] = (
      await scope
        .database(table)
        .where({ ...own, person_id: personId })
        .select("*")
    ).map(plain);
  const json = Object.entries(files).map(([name, rows]) => [`${name}.json`, strToU8(JSON.stringify(rows, null, 1))] as const);
  const csv: (readonly [string, Uint8Array])[] = [];
  for (const kind of ["people", "limitations", "measured"] as const)
    csv.push([`${kind}.csv`, strToU8(writeCsv(FILE_COLUMNS[kind], await exportRows(scope, kind, [person])))]);
  await recordAction(scope, "exported", { subject: "person", id: personId });
  return zipSync({ ...Object.fromEntries([...json, ...csv]), ...(await lettersOf(scope, personId)) });
}
