import { afterAll, beforeAll, describe, expect, test } from "vitest";
import type { PeopleFileKind } from "../forms/people-file-form.ts";
import { guessMapping, readCsv, writeCsv } from "../server/files/csv.ts";
import { exportRows } from "../server/files/export-people.ts";
import { importRows, readRows } from "../server/files/import-people.ts";
import { FILE_COLUMNS } from "../server/files/people-columns.ts";
import { capHistory } from "../server/people/caps.ts";
import { interimCapsOf, limitationHistory } from "../server/people/limitations.ts";
import { listMeasurements } from "../server/people/measurements.ts";
import { listPeople } from "../server/people/people.ts";
import type { Scope } from "../server/scope.ts";
import { addSomebody, ownOrganisation, type TestOrganisation } from "./organisation.ts";

let mine: TestOrganisation;
let other: TestOrganisation;
let personId: string;
beforeAll(async () => {
  [mine, other] = await Promise.all([ownOrganisation("File Harbour"), ownOrganisation("Other Harbour")]);
  personId = await addSomebody(mine, "Elestren");
});
afterAll(() => Promise.all([mine.close(), other.close()]));

const read = (scope: Scope, kind: PeopleFileKind, text: string) =>
  readRows(scope, kind, text, guessMapping(FILE_COLUMNS[kind], readCsv(text).header));
const problemsOf = async (kind: PeopleFileKind, text: string) =>
  (await read(mine.scope, kind, text)).map(({ line, problem }) => [line, problem]);

test("limitations are taken in as they propose; what waits for a clinician waits", async () => {
  const text =
    "person,limitation,side,kind,since\nElestren,Sore shoulder,right,,\nElestren,hipReplacement,left,posterior,2026-09-20\n";
  const rows = await read(mine.scope, "limitations", text);
  expect(rows.map(({ problem }) => problem)).toEqual([null, null]);
  expect(await importRows(mine.scope, rows)).toBe(2);
  const kept = await limitationHistory(mine.scope, personId);
  const [shoulder, hip] = ["soreShoulder", "hipReplacement"].map((name) => kept.find(({ rule }) => rule === name));
  expect((await capHistory(mine.scope, personId)).map(({ limitationId }) => limitationId)).toEqual([shoulder?.id, shoulder?.id]);
  expect(hip && interimCapsOf(hip, "2026-10-13").length).toBe(3);
});

test("measured ranges are taken in side by side", async () => {
  const text =
    "Name;Joint;How;Left;Right;Date\nElestren;hipFlexion;painFree;95;110,5;2026-10-01\nElestren;handHeight;active;;eye;2026-10-01\n";
  expect(await importRows(mine.scope, await read(mine.scope, "measured", text))).toBe(2);
  expect((await listMeasurements(mine.scope, personId)).map(({ range, side, value }) => [range, side, value]).sort()).toEqual([
    ["handHeight", "right", "eye"],
    ["hipFlexion", "left", 95],
    ["hipFlexion", "right", 110.5],
  ]);
});

describe("what is wrong with a row is said with its line", () => {
  test.each<[PeopleFileKind, string, [number, string][]]>([
    [
      "limitations",
      "person,limitation,side\nNobody,Sore shoulder,left\nElestren,Old age,left\nElestren,Sore shoulder,\nElestren,hipReplacement,left\n",
      [
        [2, "No participant called Nobody. Check the spelling."],
        [3, '"Old age" is not in the table of limitations.'],
        [4, "Choose a side."],
        [5, "Which: posterior approach, anterior approach, lateral approach, no precautions given?"],
      ],
    ],
    [
      "measured",
      "person,range,left,day\nElestren,hipFlexion,far,2026-10-01\nElestren,hipFlexion,95,2027-01-01\nElestren,neckRotation,170,2026-10-01\n",
      [
        [2, "Enter a number of degrees."],
        [3, "The date is in the future. Enter today's date or earlier."],
        [4, "neck turn: between -30 and 100°."],
      ],
    ],
  ])("%s", async (kind, text, problems) => {
    expect(await problemsOf(kind, text)).toEqual(problems);
  });
});

test("if one row cannot be written none is", async () => {
  const rows = await read(mine.scope, "people", "name,birthYear,stature,mass\nHedra,1950,160,60\nIsolde,1951,161,61\n");
  const [first, second] = rows;
  if (!first || !second) throw new Error("two rows");
  const breaking = { ...second, problem: null, save: () => Promise.reject(new Error("the sea came in")) };
  await expect(importRows(mine.scope, [first, breaking])).rejects.toThrow("the sea came in");
  expect((await listPeople(mine.scope)).map(({ name }) => name)).not.toContain("Hedra");
});

test("files that are written out read back the same in another house", async () => {
  for (const kind of ["people", "limitations", "measured"] as const) {
    const rows = await exportRows(mine.scope, kind);
    const text = writeCsv(FILE_COLUMNS[kind], rows).replaceAll("Harbour Wednesday", "");
    const back = await read(other.scope, kind, text);
    expect(back.map(({ problem }) => problem)).toEqual(rows.map(() => null));
    await importRows(other.scope, back);
    const again = await exportRows(other.scope, kind);
    const sorted = (of: readonly Record<string, string>[]) => of.map((row) => JSON.stringify({ ...row, groups: "" })).sort();
    expect(sorted(again)).toEqual(sorted(rows));
  }
});
