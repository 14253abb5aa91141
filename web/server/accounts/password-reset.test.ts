import { addHours } from "date-fns";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import type { Scope } from "../scope.ts";
import { addMember } from "./accounts.ts";
import { outbox } from "./invitations.ts";
import { askForReset, issueReset, openReset, RESET_HOURS, resetPassword } from "./password-reset.ts";
import { beginSession, scopeOfToken } from "./sessions.ts";
import { signIn } from "./sign-in.ts";

const CHOSEN = "brass otter lantern";

let organisation: TestOrganisation;
let other: TestOrganisation;
let helper: Scope;
beforeAll(async () => {
  [organisation, other] = await Promise.all([ownOrganisation("Forgetful Quay"), ownOrganisation("Other Quay")]);
  const account = {
    email: `helper-${organisation.email}`,
    name: "Bryher",
    password: "ropes-and-lanterns",
    role: "helper",
  } as const;
  helper = await addMember(organisation.scope, account);
});
afterAll(() => Promise.all([organisation.close(), other.close()]));

const database = () => organisation.scope.database;
const ask = (email: string, address = "198.51.100.30", at = now()) =>
  askForReset(database(), { email, address }, (token) => `https://tide.example/reset/${token}`, at);
async function tokenInOutbox(): Promise<string> {
  const letter = (await outbox(organisation.scope)).find(({ subject }) => subject.includes("new password"));
  return /reset\/(\S+)/.exec(letter?.body ?? "")?.[1] ?? "";
}
const kindOf = async (password: string, email = organisation.email) =>
  (await signIn(database(), { email, password, address: "198.51.100.31", device: null, deviceName: "" }, now())).kind;

describe("a forgotten password", () => {
  test("is replaced by a link from the outbox, once; every session ends", async () => {
    const { organisationId, accountId } = organisation.scope;
    const session = await beginSession(database(), { organisationId, accountId, device: "" }, now());
    expect(await ask(organisation.email)).toBe(0);
    const token = await tokenInOutbox();
    expect(await openReset(database(), token, now())).toMatchObject({ name: "Keeper", email: organisation.email });
    expect(await resetPassword(database(), token, "keeperkeeper", now())).toBe("easy");
    const both = [resetPassword(database(), token, CHOSEN, now()), resetPassword(database(), token, CHOSEN, now())];
    expect((await Promise.all(both)).sort()).toEqual(["changed", "gone"]);
    expect(await scopeOfToken(database(), session, now)).toBeNull();
    expect(await kindOf(organisation.password)).toBe("wrong");
    expect(await kindOf(CHOSEN)).toBe("welcome");
  });

  test("of no account is answered the same, and writes to no one", async () => {
    const letters = (await outbox(organisation.scope)).length;
    expect(await ask("nobody@harbour.example", "198.51.100.32")).toBe(0);
    expect(await outbox(organisation.scope)).toHaveLength(letters);
  });

  test("a link expires after an hour, and a later one takes the place of an earlier", async () => {
    await ask(organisation.email, "198.51.100.33");
    const first = await tokenInOutbox();
    expect(await openReset(database(), first, addHours(now(), RESET_HOURS.asked))).toBeNull();
    await ask(organisation.email, "198.51.100.33");
    expect(await openReset(database(), first, now())).toBeNull();
  });

  test("is not asked for without end", async () => {
    const waits: number[] = [];
    for (let tries = 0; tries < 8; tries += 1) waits.push(await ask(organisation.email, "198.51.100.34"));
    expect(waits.map((wait) => wait > 0)).toEqual([...Array(6).fill(false), true, true]);
  });

  test("only a hash of the link is kept", async () => {
    const token = await issueReset(organisation.scope, helper.accountId);
    const { rows } = await database().raw("select encode(token_hash, 'escape') as kept from password_resets");
    expect(rows.map((row: { kept: string }) => row.kept)).not.toContain(token);
  });
});

describe("a link that an owner issues", () => {
  test("lets a member choose a new password for a day", async () => {
    const token = (await issueReset(organisation.scope, helper.accountId)) ?? "";
    expect(await openReset(database(), token, addHours(now(), RESET_HOURS.issued - 1))).toMatchObject({ name: "Bryher" });
    expect(await resetPassword(database(), token, CHOSEN, now())).toBe("changed");
    expect(await kindOf(CHOSEN, `helper-${organisation.email}`)).toBe("welcome");
  });

  test("is for no one of another organisation, nor for someone who also belongs to one", async () => {
    expect(await issueReset(other.scope, helper.accountId)).toBeNull();
    await database()("memberships").insert({
      organisation_id: other.scope.organisationId,
      account_id: helper.accountId,
      role: "helper",
      created_at: now(),
    });
    expect(await issueReset(organisation.scope, helper.accountId)).toBeNull();
    expect(await issueReset(other.scope, helper.accountId)).toBeNull();
  });
});
