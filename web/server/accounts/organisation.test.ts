import { afterAll, beforeAll, expect, test } from "vitest";
import { now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { addMember, listTeamMembers } from "./accounts.ts";
import { changeOrganisation, handOver } from "./organisation.ts";
import { beginSession, scopeOfToken } from "./sessions.ts";

let organisation: TestOrganisation;
let other: TestOrganisation;
beforeAll(async () => {
  [organisation, other] = await Promise.all([ownOrganisation("Old Owner"), ownOrganisation("Another Owner")]);
});
afterAll(() => Promise.all([organisation.close(), other.close()]));

test("name and time zone are those of every session from the next request on, and no other organisation's", async () => {
  const { scope } = organisation;
  const token = await beginSession(scope.database, { ...scope, device: "" }, now());
  await changeOrganisation(scope, { name: "New Name", timeZone: "Asia/Tokyo" });
  expect(await scopeOfToken(scope.database, token, now)).toMatchObject({ organisationName: "New Name", timeZone: "Asia/Tokyo" });
  const elsewhere = await other.scope.database("organisations").where({ id: other.scope.organisationId }).first("name");
  expect(elsewhere.name).toBe("Another Owner");
});

test("an organisation is handed to one of its members, and to no one else", async () => {
  const { scope } = organisation;
  expect(await handOver(scope, other.scope.accountId)).toBe(false);
  expect(await handOver(scope, scope.accountId)).toBe(false);
  const heir = await addMember(scope, {
    email: `heir-${organisation.email}`,
    name: "Heir",
    password: "brass otter lantern",
    role: "helper",
  });
  expect(await handOver(scope, heir.accountId)).toBe(true);
  const roles = Object.fromEntries((await listTeamMembers(scope)).map(({ name, role }) => [name, role]));
  expect(roles).toEqual({ Heir: "owner", Keeper: "instructor" });
});
