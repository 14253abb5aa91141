import { USUAL_POLICY } from "@able-tide/core/caps/policy";
import { Venue } from "@able-tide/core/venues/venue";
import { addMinutes } from "date-fns";
import * as v from "valibot";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addSomebody, now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { addMember, changeRole, endMembership } from "../accounts/accounts.ts";
import { changeOrganisation } from "../accounts/organisation.ts";
import { changeScript } from "../classes/classes.ts";
import { teachPlan } from "../classes/teach.ts";
import { changeAbout, changePerson, findPerson, setClinician } from "../people/people.ts";
import { addPlan } from "../plans/plans.ts";
import { changePolicy } from "../policy/policy.ts";
import { addVenue, changeVenue } from "../venues/venues.ts";
import { listAudit, recordReading } from "./audit.ts";

let organisation: TestOrganisation;
let other: TestOrganisation;
let personId: string;
beforeAll(async () => {
  [organisation, other] = await Promise.all([ownOrganisation("Audited Quay"), ownOrganisation("Unaudited Quay")]);
  personId = await addSomebody(organisation, "Kerensa");
});
afterAll(() => Promise.all([organisation.close(), other.close()]));

/** What a piece of work added to the record of its organisation. */
async function recorded(work: () => Promise<unknown>) {
  const before = new Set((await listAudit(organisation.scope, { before: null, most: 1000 })).map(({ id }) => id));
  await work();
  const after = await listAudit(organisation.scope, { before: null, most: 1000 });
  return after
    .filter(({ id }) => !before.has(id))
    .map(({ action, subject, fields, before: was, after: is }) => ({ action, subject, fields, was, is }));
}

const member = async (role: "helper" | "clinician") =>
  (
    await addMember(organisation.scope, {
      email: `${role}-${organisation.email}`,
      name: "Bryher",
      password: "brass otter lantern",
      role,
    })
  ).accountId;

describe("each change is recorded with its fields, and what stood there before and after", () => {
  test("of a person", async () => {
    const person = await findPerson(organisation.scope, personId);
    if (!person) throw new Error("no person");
    const input = { ...person, statureCentimetres: 168, massKilograms: 72 };
    expect(await recorded(() => changePerson(organisation.scope, personId, person.version, input))).toEqual([
      { action: "changed", subject: "person", fields: ["massKilograms"], was: { massKilograms: 70 }, is: { massKilograms: 72 } },
    ]);
    const about = { ...person.about, hopes: "dance" };
    expect(await recorded(() => changeAbout(organisation.scope, personId, person.version + 1, about))).toMatchObject([
      { action: "changed", fields: ["hopes"], is: { hopes: "dance" } },
    ]);
    expect(await recorded(() => changeAbout(organisation.scope, personId, person.version + 2, about))).toEqual([]);
  });

  test("of the clinician who looks after them, and of memberships", async () => {
    const { scope } = organisation;
    const clinician = await member("clinician");
    expect(await recorded(() => setClinician(scope, personId, clinician))).toMatchObject([
      { subject: "clinician", was: { clinician: null }, is: { clinician } },
    ]);
    const helper = await member("helper");
    expect(await recorded(() => changeRole(scope, helper, "instructor"))).toMatchObject([
      { subject: "membership", was: { role: "helper" }, is: { role: "instructor" } },
    ]);
    expect(await recorded(() => endMembership(scope, helper))).toMatchObject([{ action: "ended", subject: "membership" }]);
  });

  test("of a venue, the policy and the organisation", async () => {
    const { scope } = organisation;
    const venue = { name: "Boathouse", room: v.parse(Venue, {}), emergency: { phone: "112" } as never };
    let id = "";
    expect(
      await recorded(async () => {
        id = await addVenue(scope, venue);
      }),
    ).toMatchObject([{ action: "added", subject: "venue" }]);
    expect(await recorded(() => changeVenue(scope, id, 1, { ...venue, name: "Net loft" }))).toMatchObject([
      { action: "changed", subject: "venue", is: { name: "Net loft" } },
    ]);
    const stricter = { ...USUAL_POLICY, thresholds: { ...USUAL_POLICY.thresholds, systolicMost: 160 } };
    expect(await recorded(() => changePolicy(scope, 0, stricter))).toMatchObject([
      { subject: "policy", fields: ["systolicMost"], is: { systolicMost: 160 } },
    ]);
    expect(await recorded(() => changeOrganisation(scope, { name: "Renamed Quay", timeZone: "Europe/London" }))).toMatchObject([
      { subject: "organisation", fields: ["name"] },
    ]);
  });

  test("of a class's script: whose fit, and which movements", async () => {
    const { scope, groupId } = organisation;
    const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
    const outcome = await teachPlan(scope, await addPlan(scope, { groupId, day: "2026-10-14", breathSeconds: 8, blocks }));
    if (outcome.kind !== "begun") throw new Error(outcome.kind);
    const emptied = () =>
      changeScript(scope, outcome.classId, {
        cause: "arrivals",
        fromItem: 0,
        change: (script) => ({ ...script, blocks: [] }),
      });
    expect(await recorded(emptied)).toMatchObject([{ subject: "classScript", fields: ["movements"], is: { movements: [] } }]);
  });
});

test("opening a person's page is recorded as a reading, once in ten minutes", async () => {
  const { scope } = organisation;
  const read = (minutes: number) => recordReading({ ...scope, now: () => addMinutes(now(), minutes) }, personId);
  expect(await recorded(() => read(60))).toMatchObject([{ action: "read", subject: "person", was: null, is: null }]);
  expect(await recorded(() => read(65))).toEqual([]);
  expect(await recorded(() => read(75))).toHaveLength(1);
});

test("entries are only ever added, and another organisation reads none of them", async () => {
  const { database, organisationId } = organisation.scope;
  const own = () => database("audit_entries").where({ organisation_id: organisationId });
  await expect(own().update({ action: "added" })).rejects.toThrow("audit entries are only added");
  await expect(own().delete()).rejects.toThrow("audit entries are only added");
  expect((await listAudit(other.scope, { before: null, most: 1000 })).map(({ subjectId }) => subjectId)).not.toContain(personId);
});
