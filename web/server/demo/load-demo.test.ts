import { classState } from "@able-tide/core/class/events";
import { afterAll, beforeAll, expect, test } from "vitest";
import { now, serverUrl } from "../../e2e/organisation.ts";
import { scopeOfToken, signIn } from "../accounts/sign-in.ts";
import { classesWithEvents, endedClasses } from "../classes/classes.ts";
import { connect } from "../database.ts";
import { listGroups } from "../groups/groups.ts";
import { capHistory, openCaps } from "../people/caps.ts";
import { clearancesOf } from "../people/clearances.ts";
import { meanwhileOf, openLimitations } from "../people/limitations.ts";
import { listPeople } from "../people/people.ts";
import { listPlans } from "../plans/plans.ts";
import { listOneLegStands } from "../results/results.ts";
import type { Scope } from "../scope.ts";
import { loadDemo } from "./load-demo.ts";

serverUrl();
const database = connect(process.env["TEST_DATABASE_URL"] ?? "");
/** Fourteen weeks of two groups are taught anew, beside everything else that is being tested. Milliseconds. */
const DEMO_LOADS_IN = 240_000;

let scope: Scope;

beforeAll(async () => {
  // Twice at once, as two processes starting together would.
  await Promise.all([loadDemo(database, now()), loadDemo(database, now())]);
  const outcome = await signIn(
    database,
    { email: "ines@kittiwake.example", password: "low-water-mark", address: "demo test" },
    now(),
  );
  const found = outcome.kind === "welcome" && (await scopeOfToken(database, outcome.token, now));
  if (!found) throw new Error("the demo's account is not there");
  scope = found;
}, DEMO_LOADS_IN);
afterAll(() => database.destroy());

test("it is loaded once: twenty-six people in three groups, fourteen weeks of two, the next plans", async () => {
  expect(await database("organisations").where({ name: "Kittiwake Rooms" })).toHaveLength(1);
  const people = await listPeople(scope);
  expect(people).toHaveLength(26);
  const sizes = (await listGroups(scope)).map(({ id, name }) => [
    name,
    people.filter(({ groupIds }) => groupIds.includes(id)).length,
  ]);
  expect(sizes).toEqual([
    ["Monday Chairs", 11],
    ["Wednesday Footing", 10],
    ["Friday Warm Water", 8],
  ]);
  expect(people.filter(({ measured }) => measured.wheelchair)).toHaveLength(2);
  expect(people.filter(({ measured }) => measured.arms.some(({ kind }) => kind !== "whole"))).toHaveLength(1);
  const ages = people.map(({ birthYear }) => 2026 - birthYear);
  expect([Math.min(...ages), Math.max(...ages)]).toEqual([61, 93]);
  expect(await endedClasses(scope, 99)).toHaveLength(28);
  expect((await listPlans(scope, { from: "2026-10-13" }, 9)).map(({ day }) => day)).toEqual(["2026-10-14", "2026-10-19"]);
});

const named = async (name: string) => (await listPeople(scope)).find((person) => person.name === name)?.id ?? "";

test("two people clearly improve and one declines, by their own tests", async () => {
  const change = async (name: string) => {
    const right = (await listOneLegStands(scope, await named(name))).filter(({ side }) => side === "right");
    return (right.at(-1)?.value ?? 0) / (right[0]?.value ?? 1);
  };
  expect(await change("Osei")).toBeGreaterThan(2);
  expect(await change("Pilar")).toBeGreaterThan(1.7);
  expect(await change("Ruud")).toBeLessThan(0.7);
});

test("one limit's date has passed and it still holds; a flare has lapsed by itself", async () => {
  const caps = await openCaps(scope);
  const marit = await named("Marit");
  const dov = await named("Dov");
  expect(caps.find(({ personId, dateKind }) => personId === marit && dateKind === "ends")?.until).toBe("2026-09-30");
  const flare = caps.filter(({ personId, strength }) => personId === dov && strength === "comfort");
  expect(flare.length).toBeGreaterThan(1);
  for (const { until } of flare) expect(until && until < "2026-10-13").toBe(true);
});

test("one person waits for a clinician's limits and is new; for another the clinician has spoken", async () => {
  const waiting = (await openLimitations(scope)).filter((limitation) => meanwhileOf(limitation, "2026-10-13").length > 0);
  expect(waiting.map(({ personId }) => personId)).toEqual([await named("Brannoc")]);
  expect((await listPeople(scope)).filter(({ released }) => !released).map(({ name }) => name)).toEqual(["Brannoc"]);
  const [said] = await clearancesOf(scope, await named("Quill"));
  expect(said).toMatchObject({ clinician: "Sunniva", ownSignIn: true });
});

test("a newcomer was released after three clean sessions and a four-stage stand", async () => {
  const first = (await capHistory(scope, await named("Osei"))).filter(({ origin }) => origin === "newcomer");
  expect(new Set(first.map(({ ended }) => ended?.because))).toEqual(new Set(["3 clean sessions and a four-stage stand"]));
});

test("who was away has no form that week, and what was noted is there", async () => {
  const tomasz = await named("Tomasz");
  const classes = await classesWithEvents(scope, tomasz, 14);
  const here = classes.map(({ events }) => classState(events).here.has(tomasz));
  expect(here.filter((present) => !present)).toHaveLength(1);
  expect(here[7]).toBe(false);
  expect(classes.flatMap(({ events }) => classState(events).notes).filter((note) => note.personId === tomasz)).toHaveLength(2);
});
