import { classState } from "@able-tide/core/class/events";
import { afterAll, beforeAll, expect, test } from "vitest";
import { now, serverUrl } from "../../e2e/organisation.ts";
import { scopeOfToken, signIn } from "../accounts/sign-in.ts";
import { classesWithEvents, endedClasses } from "../classes/classes.ts";
import { connect } from "../database.ts";
import { openCaps } from "../people/caps.ts";
import { listPeople } from "../people/people.ts";
import { listPlans } from "../plans/plans.ts";
import { listOneLegStands } from "../results/results.ts";
import type { Scope } from "../scope.ts";
import { loadDemo } from "./load-demo.ts";

serverUrl();
const database = connect(process.env["TEST_DATABASE_URL"] ?? "");
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
});
afterAll(() => database.destroy());

test("it is loaded once: ten people, fourteen ended classes, the next plan", async () => {
  expect(await database("organisations").where({ name: "Kittiwake Rooms" })).toHaveLength(1);
  expect(await listPeople(scope)).toHaveLength(10);
  expect((await endedClasses(scope, 99)).map(({ day }) => day)).toHaveLength(14);
  expect((await listPlans(scope, { from: "2026-10-13" }, 9)).map(({ day }) => day)).toEqual(["2026-10-14"]);
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
  expect(caps.find((cap) => cap.personId === marit)?.until).toBe("2026-09-30");
  expect(caps.filter((cap) => cap.personId === dov && cap.strength === "comfort").map((cap) => cap.until)).toEqual([
    "2026-09-23",
  ]);
});

test("who was away has no form that week, and what was noted is there", async () => {
  const tomasz = await named("Tomasz");
  const classes = await classesWithEvents(scope, tomasz, 14);
  const here = classes.map(({ events }) => classState(events).here.has(tomasz));
  expect(here.filter((present) => !present)).toHaveLength(1);
  expect(here[7]).toBe(false);
  expect(classes.flatMap(({ events }) => classState(events).notes).filter((note) => note.personId === tomasz)).toHaveLength(2);
});
