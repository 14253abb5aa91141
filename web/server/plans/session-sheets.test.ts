import { present } from "@able-tide/core/checked-access";
import { subDays } from "date-fns";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, capThem, now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { findGroup } from "../groups/groups.ts";
import { activeCaps } from "../people/caps.ts";
import { erasePerson } from "../people/erase.ts";
import { listPeopleOfGroup } from "../people/people.ts";
import { type FittedTogether, fitGroupOf } from "./fitted-plan.ts";
import { addPlan, findPlan, type Plan } from "./plans.ts";
import { planSheet, pruneSheets, timesAsLed } from "./session-sheets.ts";

let organisation: TestOrganisation;
let other: TestOrganisation;
let planId: string;
let person: string;
beforeAll(async () => {
  [organisation, other] = await Promise.all([ownOrganisation(), ownOrganisation()]);
  person = await addSomebody(organisation, "Elowen");
  await addSomebody(organisation, "Jory");
  planId = await addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day: "2026-10-14",
    blocks: [
      { id: "b1", movementId: "settling-breath", rounds: 4 },
      { id: "b2", movementId: "lift-and-part", rounds: 4 },
    ],
  });
});
afterAll(() => Promise.all([organisation.close(), other.close()]));

const planned = async (): Promise<Plan> => present(await findPlan(organisation.scope, planId), "plan");

/** What is fitted of the plan, and for whom, by the caps as they are now. */
async function asked(): Promise<FittedTogether> {
  const { scope, groupId } = organisation;
  const people = await listPeopleOfGroup(scope, groupId);
  const caps = await activeCaps(
    scope,
    people.map(({ id }) => id),
    "2026-10-14",
  );
  return fitGroupOf(scope, await planned(), present(await findGroup(scope, groupId), "group"), people, caps);
}

const stored = ({ scope: { database, organisationId } }: TestOrganisation) =>
  database("session_sheets").where({ organisation_id: organisationId });

test("a session sheet is stored once, read back as it was, and is no one else's", async () => {
  const { fitPlan, fits, timing } = await asked();
  const sheet = planSheet(organisation.scope, await planned(), fitPlan, fits, timing);
  expect(await sheet.known()).toEqual(await sheet.get());
  await asked();
  expect(await stored(organisation)).toHaveLength(1);
  expect(await planSheet(other.scope, await planned(), fitPlan, fits, timing).known()).toBeNull();
});

test("another cap is another sheet; the earlier one stays as it is", async () => {
  const [before] = await stored(organisation);
  await capThem(organisation, person, { channel: "heldStanding" });
  await asked();
  const after = await stored(organisation);
  expect(after).toHaveLength(2);
  expect(after).toContainEqual(before);
});

test("a list of plans has the times of a plan as it is led, while it stays as it is", async () => {
  const { reading } = await asked();
  const plan = await planned();
  const { total, blocks } = present((await timesAsLed(organisation.scope, [plan])).get(planId), "times");
  expect(total).toBe(reading.total);
  expect(blocks).toEqual(reading.blocks.map(({ from, to }) => ({ from, to })));
  expect((await timesAsLed(organisation.scope, [{ ...plan, breathSeconds: plan.breathSeconds + 1 }])).size).toBe(0);
  expect((await timesAsLed(other.scope, [plan])).size).toBe(0);
});

test("sheets go with a person who is erased, and after some weeks", async () => {
  const { database } = organisation.scope;
  expect(await erasePerson(organisation.scope, person)).toBe("erased");
  expect(await stored(organisation)).toEqual([]);
  await asked();
  // Other tests have sheets in the same database: the row is made older, not the day later.
  const madeBefore = (days: number) => stored(organisation).update({ made_at: subDays(now(), days) });
  await madeBefore(29);
  await pruneSheets(database, now());
  expect(await stored(organisation)).toHaveLength(1);
  await madeBefore(31);
  await pruneSheets(database, now());
  expect(await stored(organisation)).toEqual([]);
});
