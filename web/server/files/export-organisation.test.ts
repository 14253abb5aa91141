import { addMinutes } from "date-fns";
import { strFromU8, unzipSync } from "fflate";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addSomebody, now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { deleteOrganisation } from "../accounts/delete-organisation.ts";
import { addEvents } from "../classes/record-events.ts";
import { teachPlan } from "../classes/teach.ts";
import { EXPORTED_TABLES, KEPT_TABLES } from "../organisation-tables.ts";
import { addCap } from "../people/caps.ts";
import { findPerson, listPeople } from "../people/people.ts";
import { addPlan, listPlans } from "../plans/plans.ts";
import { recordOneLegStand } from "../results/results.ts";
import type { Scope } from "../scope.ts";
import { exportOrganisation } from "./export-organisation.ts";
import { exportPerson } from "./export-person.ts";
import { readOrganisation } from "./read-organisation.ts";

const SECRET = "Petroc of the old quay";

let mine: TestOrganisation;
let theirs: TestOrganisation;
let personId: string;
beforeAll(async () => {
  [mine, theirs] = await Promise.all([ownOrganisation("Old Quay"), ownOrganisation("New Quay")]);
  const { scope, groupId } = mine;
  personId = await addSomebody(mine, SECRET);
  const limit = { channel: "noStanding" } as const;
  const cap = { limit, reason: "sore", source: "own word", strength: "firm", from: "2026-10-01", until: null } as const;
  await addCap(scope, personId, cap);
  await recordOneLegStand(scope, personId, { day: "2026-10-02", trials: { left: [8], right: [] }, note: "" });
  // More plans than are read at a time.
  for (let day = 1; day <= 23; day += 1) {
    const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
    const planId = await addPlan(scope, { groupId, day: `2026-12-${String(day).padStart(2, "0")}`, breathSeconds: 8, blocks });
    if (day > 1) continue;
    const outcome = await teachPlan(scope, planId);
    if (outcome.kind !== "begun") throw new Error(outcome.kind);
    await addEvents(scope, outcome.classId, [
      { kind: "attended", id: personId, at: now().toISOString(), personId, here: true },
      { kind: "ended", id: planId, at: now().toISOString(), effort: 3, note: "Calm." },
    ]);
  }
});
afterAll(() => Promise.all([mine.close(), theirs.close()]));

async function bytesOf(stream: ReadableStream<Uint8Array>): Promise<Uint8Array> {
  return new Uint8Array(await new Response(stream).arrayBuffer());
}
function exported(scope: Scope): ReadableStream<Uint8Array> {
  const archive = exportOrganisation(scope);
  if (!archive) throw new Error("another export is being read");
  return archive;
}
/** The rows of each exported table, without whose they are and who recorded them. */
async function contentOf({ database, organisationId }: Scope): Promise<Record<string, string[]>> {
  const content: Record<string, string[]> = {};
  for (const table of EXPORTED_TABLES) {
    const { rows } = await database.raw<{ rows: { row: Record<string, unknown> }[] }>(
      `select to_jsonb(t) as row from ${table} t where organisation_id = ?`,
      [organisationId],
    );
    content[table] = rows
      .map(({ row }) =>
        JSON.stringify(
          Object.fromEntries(Object.entries(row).filter(([name]) => name !== "organisation_id" && !name.endsWith("_by"))),
        ),
      )
      .sort();
  }
  return content;
}

test("every table with rows of an organisation is exported, or kept here on purpose", async () => {
  const { rows } = await mine.scope.database.raw<{ rows: { table_name: string }[] }>(
    "select table_name from information_schema.columns c join information_schema.tables t using (table_schema, table_name) where column_name = 'organisation_id' and table_schema = 'public' and table_type = 'BASE TABLE'",
  );
  const known: readonly string[] = [...EXPORTED_TABLES, ...KEPT_TABLES];
  expect(rows.map(({ table_name }) => table_name).sort()).toEqual(known.toSorted());
});

describe("an organisation that is exported", () => {
  test("is read back into another one row by row, and every name stays on what its owner recorded", async () => {
    const archive = await bytesOf(exported(mine.scope));
    await theirs.scope.database("groups").where({ organisation_id: theirs.scope.organisationId }).delete();
    await readOrganisation(theirs.scope.database, theirs.scope.organisationId, archive, now());
    expect(await contentOf(theirs.scope)).toEqual(await contentOf(mine.scope));
    const [person] = await listPeople(theirs.scope);
    expect(person).toMatchObject({ name: SECRET, changedBy: "Keeper" });
    expect(await listPlans(theirs.scope, { from: "2026-12-01" }, 50)).toHaveLength(23);
  });

  test("has no password, token or letter in it, and is recorded as exported", async () => {
    const files = unzipSync(await bytesOf(exported(mine.scope)));
    const all = Object.values(files)
      .map((file) => strFromU8(file))
      .join("\n");
    const account = await mine.scope.database("accounts").where({ id: mine.scope.accountId }).first("password_hash");
    expect(all).toContain(SECRET);
    expect(all).not.toContain(account.password_hash);
    expect(strFromU8(files["audit.json"] ?? new Uint8Array())).toContain("exported");
    expect(strFromU8(files["people.csv"] ?? new Uint8Array())).toContain(SECRET);
  });

  test("is not read back from something else", async () => {
    await expect(
      readOrganisation(theirs.scope.database, theirs.scope.organisationId, new Uint8Array([1, 2, 3]), now()),
    ).rejects.toThrow("This file is no zip file");
  });

  test("is exported once at a time; another organisation does not wait for that, and a reader who went away blocks no one", async () => {
    const first = exported(mine.scope);
    const reader = first.getReader();
    await reader.read();
    expect(exportOrganisation(mine.scope)).toBeNull();
    await bytesOf(exported(theirs.scope));
    await reader.cancel();
    const second = exported(mine.scope);
    expect(exportOrganisation({ ...mine.scope, now: () => addMinutes(now(), 11) })).not.toBeNull();
    await second.cancel();
    await bytesOf(exported(mine.scope));
  });
});

test("one person is exported with all that is recorded of them, for their own organisation only", async () => {
  const files = unzipSync((await exportPerson(mine.scope, personId)) ?? new Uint8Array());
  const json = (name: string) => JSON.parse(strFromU8(files[name] ?? new Uint8Array()));
  expect(json("person.json")).toMatchObject({ name: SECRET, birth_year: 1948 });
  expect(json("caps.json").map(({ reason }: { reason: string }) => reason)).toContain("sore");
  expect(json("results.json")).toHaveLength(1);
  expect(json("classes.json")).toMatchObject([{ group: "Harbour Wednesday", events: [{ kind: "attended" }] }]);
  expect(strFromU8(files["people.csv"] ?? new Uint8Array()).split("\n")).toHaveLength(3);
  const other = await ownOrganisation("Third Quay");
  expect(await exportPerson(other.scope, personId)).toBeNull();
  await other.close();
});

test("an organisation is deleted with its rows and accounts, and no other organisation's", async () => {
  expect(await deleteOrganisation(theirs.scope)).toBe(true);
  const { database, organisationId, accountId } = theirs.scope;
  for (const table of [...EXPORTED_TABLES, ...KEPT_TABLES])
    expect([table, await database(table).where({ organisation_id: organisationId }).first("*")]).toEqual([table, undefined]);
  expect(await database("accounts").where({ id: accountId }).first("id")).toBeUndefined();
  expect(await findPerson(mine.scope, personId)).not.toBeNull();
});
