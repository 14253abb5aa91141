import { subYears } from "date-fns";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, endedClass, now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { archive } from "../archive.ts";
import { listAudit } from "../audit/audit.ts";
import { findClass, listEvents } from "../classes/classes.ts";
import { findPerson, listPeople } from "../people/people.ts";
import type { Scope } from "../scope.ts";
import { changeRetention, erasePast, findRetention, pastRetention } from "./retention.ts";

let mine: TestOrganisation;
let theirs: TestOrganisation;
beforeAll(async () => {
  [mine, theirs] = await Promise.all([ownOrganisation("Keeping Quay"), ownOrganisation("Elsewhere")]);
});
afterAll(() => Promise.all([mine.close(), theirs.close()]));

const yearsAgo = (years: number): Scope => ({ ...mine.scope, now: () => subYears(now(), years) });

test("nothing is past its period until an owner says how long things are kept", async () => {
  const { scope } = mine;
  const old = await addSomebody(mine, "Kerensa");
  await addSomebody(mine, "Tamsin");
  await archive(yearsAgo(20), "person", old);
  await endedClass(mine, "2006-10-11");
  expect(await findRetention(scope)).toEqual({ personYears: null, classYears: null });
  expect(await pastRetention(scope)).toEqual({ people: [], classes: [] });
  expect(await erasePast(scope)).toEqual({ people: 0, classes: 0 });
});

test("what is older is listed and erased, what is younger or still taught stays", async () => {
  const { scope } = mine;
  const recent = await addSomebody(mine, "Jory");
  await archive(yearsAgo(2), "person", recent);
  const [oldClass] = (await pastRetentionOf({ personYears: 3, classYears: 5 })).classes;
  const youngClass = await endedClass(mine, "2024-10-09");
  const past = await pastRetention(scope);
  expect(past.people.map(({ name }) => name)).toEqual(["Kerensa"]);
  expect(past.classes).toMatchObject([{ day: "2006-10-11", groupName: "Harbour Wednesday" }]);
  expect(await erasePast(theirs.scope)).toEqual({ people: 0, classes: 0 });
  expect(await erasePast(scope)).toEqual({ people: 1, classes: 1 });
  expect(await pastRetention(scope)).toEqual({ people: [], classes: [] });
  expect(await findPerson(scope, recent)).not.toBeNull();
  expect((await listPeople(scope)).map(({ name }) => name)).toEqual(["Tamsin"]);
  expect(await findClass(scope, oldClass?.id ?? "")).toBeNull();
  expect(await listEvents(scope, oldClass?.id ?? "")).toEqual([]);
  expect(await findClass(scope, youngClass)).not.toBeNull();
});

async function pastRetentionOf(retention: { readonly personYears: number; readonly classYears: number }) {
  await changeRetention(mine.scope, retention);
  return pastRetention(mine.scope);
}

test("a longer period never makes more due", async () => {
  const counts: number[] = [];
  for (const years of [1, 2, 3, 10, 30]) {
    const { people, classes } = await pastRetentionOf({ personYears: years, classYears: years });
    counts.push(people.length + classes.length);
  }
  expect(counts).toEqual(counts.toSorted((a, b) => b - a));
  expect(counts[0]).toBeGreaterThan(0);
});

test("changes of the periods are on record", async () => {
  const entries = await listAudit(mine.scope, { before: null, most: 200 });
  expect(entries.some(({ subject, fields }) => subject === "retention" && fields.includes("classYears"))).toBe(true);
  expect(entries.some(({ subject, action }) => subject === "class" && action === "deleted")).toBe(true);
});
