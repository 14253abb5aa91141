import { addDays } from "date-fns";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addSomebody, now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { findPerson, setClinician } from "../people/people.ts";
import type { Scope } from "../scope.ts";
import { addMember, changeRole, endMembership, listTeamMembers } from "./accounts.ts";
import { invite, listInvitations, openInvitation, redeemInvitation, renewInvitation, revokeInvitation } from "./invitations.ts";
import { listOwnOrganisations, scopeOfToken, switchOrganisation } from "./sessions.ts";
import { signIn } from "./sign-in.ts";

const PASSWORD = "brass otter lantern";

let first: TestOrganisation;
let second: TestOrganisation;
beforeAll(async () => {
  [first, second] = await Promise.all([ownOrganisation("First Slip"), ownOrganisation("Second Slip")]);
});
afterAll(() => Promise.all([first.close(), second.close()]));

const database = () => first.scope.database;
const tokenFor = (scope: Scope, email: string, role: Scope["role"] = "helper") =>
  invite(scope, { email, name: "Bryher", role }, (token) => token);
const take = (token: string, password = PASSWORD) => redeemInvitation(database(), token, password, now());
const isOpen = async (token: string, at = now()) => (await openInvitation(database(), token, at)) !== null;
const enter = (email: string, organisationId?: string) =>
  signIn(
    database(),
    {
      email,
      password: PASSWORD,
      address: "198.51.100.40",
      device: null,
      deviceName: "",
      ...(organisationId === undefined ? {} : { organisationId }),
    },
    now(),
  );
async function scopeOf(email: string, organisationId?: string): Promise<Scope> {
  const outcome = await enter(email, organisationId);
  const scope = outcome.kind === "welcome" ? await scopeOfToken(database(), outcome.token, now) : null;
  if (!scope) throw new Error(outcome.kind);
  return scope;
}
const rolesIn = async ({ scope }: TestOrganisation, email: string) =>
  (await listTeamMembers(scope)).filter((member) => member.email === email).map(({ role }) => role);

describe("an invitation", () => {
  test("that is taken back leads nowhere; one of another organisation cannot be taken back", async () => {
    const token = await tokenFor(first.scope, "back@slip.example");
    const invitation = (await listInvitations(first.scope)).find(({ email }) => email === "back@slip.example");
    expect(await revokeInvitation(second.scope, invitation?.id ?? "")).toBe(false);
    expect(await isOpen(token)).toBe(true);
    expect(await revokeInvitation(first.scope, invitation?.id ?? "")).toBe(true);
    expect(await take(token)).toBe("gone");
    expect(await revokeInvitation(first.scope, invitation?.id ?? "")).toBe(false);
  });

  test("that is renewed has another link, good from now on; the old one leads nowhere", async () => {
    const token = await tokenFor(first.scope, "again@slip.example");
    const invitation = (await listInvitations(first.scope)).find(({ email }) => email === "again@slip.example");
    const late: Scope = { ...first.scope, now: () => addDays(now(), 10) };
    expect(await renewInvitation(second.scope, invitation?.id ?? "", (made) => made)).toBeNull();
    const renewed = (await renewInvitation(late, invitation?.id ?? "", (made) => made)) ?? "";
    expect(await isOpen(token)).toBe(false);
    expect(await isOpen(renewed, addDays(now(), 20))).toBe(true);
    expect(await take(renewed)).toBe("welcome");
    expect(await renewInvitation(first.scope, invitation?.id ?? "", (made) => made)).toBeNull();
  });

  test("ends with the membership of who sent it", async () => {
    const account = { email: "sender@slip.example", name: "Sender", password: PASSWORD, role: "owner" } as const;
    const sender = await addMember(first.scope, account);
    const token = await tokenFor(sender, "sent@slip.example");
    expect(await isOpen(token)).toBe(true);
    await endMembership(first.scope, sender.accountId);
    expect(await isOpen(token)).toBe(false);
  });
});

describe("a membership", () => {
  test("that has ended signs no one in, stays on record, and begins again by an invitation", async () => {
    const email = "leaves@slip.example";
    expect(await take(await tokenFor(first.scope, email))).toBe("welcome");
    const scope = await scopeOf(email);
    expect(await endMembership(first.scope, scope.accountId)).toBe(true);
    expect(await endMembership(first.scope, scope.accountId)).toBe(false);
    expect((await enter(email)).kind).toBe("wrong");
    expect(await rolesIn(first, email)).toEqual([]);
    const kept = await database()("memberships").where({ account_id: scope.accountId }).first("ended_at", "ended_by");
    expect(kept).toEqual({ ended_at: now(), ended_by: first.scope.accountId });
    expect(await take(await tokenFor(first.scope, email, "instructor"), "not the password")).toBe("wrong");
    expect(await take(await tokenFor(first.scope, email, "instructor"))).toBe("welcome");
    expect((await scopeOf(email)).role).toBe("instructor");
  });

  test("has another role at once; no one changes their own, so that an owner is left", async () => {
    const account = { email: "role@slip.example", name: "Role", password: PASSWORD, role: "clinician" } as const;
    const member = await addMember(first.scope, account);
    const personId = await addSomebody(first, "Jory");
    await setClinician(first.scope, personId, member.accountId);
    expect(await changeRole(second.scope, member.accountId, "owner")).toBe(false);
    expect(await changeRole(first.scope, first.scope.accountId, "helper")).toBe(false);
    expect(await changeRole(first.scope, member.accountId, "instructor")).toBe(true);
    expect((await scopeOf(account.email)).role).toBe("instructor");
    // Who is no clinician any more looks after no one.
    expect((await findPerson(first.scope, personId))?.clinicianAccount ?? null).toBeNull();
  });
});

test("one account belongs to two organisations, and goes from one to the other in a session", async () => {
  const email = "both@slip.example";
  expect(await take(await tokenFor(first.scope, email, "instructor"))).toBe("welcome");
  const invitation = await tokenFor(second.scope, email, "helper");
  expect(await openInvitation(database(), invitation, now())).toMatchObject({ hasAccount: true });
  expect(await take(invitation)).toBe("welcome");
  expect((await scopeOf(email, second.scope.organisationId)).organisationName).toBe("Second Slip");
  const outcome = await enter(email);
  if (outcome.kind !== "welcome") throw new Error(outcome.kind);
  const here = async () => {
    const scope = await scopeOfToken(database(), outcome.token, now);
    if (!scope) throw new Error("signed out");
    return scope;
  };
  expect(await here()).toMatchObject({ organisationName: "First Slip", role: "instructor" });
  expect((await listOwnOrganisations(await here())).map(({ name }) => name)).toEqual(["First Slip", "Second Slip"]);
  expect(await switchOrganisation(await here(), second.scope.organisationId)).toBe(true);
  expect(await here()).toMatchObject({ organisationName: "Second Slip", role: "helper" });
  const third = await ownOrganisation("Third Slip");
  expect(await switchOrganisation(await here(), third.scope.organisationId)).toBe(false);
  await third.close();
  await endMembership(second.scope, (await here()).accountId);
  expect(await scopeOfToken(database(), outcome.token, now)).toBeNull();
  expect(await scopeOf(email)).toMatchObject({ organisationName: "First Slip" });
});
