import { randomUUID } from "node:crypto";
import { addDays, subDays } from "date-fns";
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test, vi } from "vitest";
import { now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { addMember } from "./accounts.ts";
import { isKnownDevice } from "./known-devices.ts";
import { pruneSignIns } from "./prune.ts";
import { scopeOfToken, signOut } from "./sessions.ts";
import { signIn } from "./sign-in.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation();
});
afterAll(() => organisation.close());

interface From {
  readonly email?: string;
  readonly address?: string;
  readonly device?: string | null;
  readonly at?: Date;
}
const attempt = (
  password: string,
  { email = organisation.email, address = "198.51.100.1", device = null, at = now() }: From = {},
) => signIn(organisation.scope.database, { email, password, address, device, deviceName: "Firefox on Linux" }, at);

async function tokenFor(): Promise<string> {
  const outcome = await attempt(organisation.password, { at: addDays(now(), 1) });
  if (outcome.kind !== "welcome") throw new Error(outcome.kind);
  return outcome.token;
}

test("a token opens the organisation of its account until it is signed out", async () => {
  const { database, organisationId } = organisation.scope;
  const token = await tokenFor();
  const later = () => addDays(now(), 1);
  expect((await scopeOfToken(database, token, later))?.organisationId).toBe(organisationId);
  expect(await scopeOfToken(database, `${token}x`, later)).toBeNull();
  await signOut(database, token);
  expect(await scopeOfToken(database, token, later)).toBeNull();
});

test("only a hash of the token and of the password is kept", async () => {
  const token = await tokenFor();
  const { database } = organisation.scope;
  const { rows } = await database.raw("select encode(token_hash, 'escape') as kept from sign_ins");
  expect(rows.map((row: { kept: string }) => row.kept)).not.toContain(token);
  const account = await database("accounts").where({ email: organisation.email }).first("password_hash");
  expect(account.password_hash).toMatch(/^\$argon2id\$/);
});

describe("too many wrong tries", () => {
  const email = () => `${randomUUID()}@harbour.example`;
  /** A new account of the organisation, so that no test uses up another's tries. */
  async function account() {
    const own = email();
    await addMember(organisation.scope, { email: own, name: "Someone", password: PASSWORD, role: "helper" });
    return own;
  }
  const PASSWORD = "ropes-and-lanterns";
  /** How many of some tries at once were answered as wrong; the others had to wait. */
  async function wrongOf(tries: readonly Promise<{ kind: string }>[]): Promise<number> {
    const kinds = (await Promise.all(tries)).map(({ kind }) => kind);
    expect(kinds).not.toContain("welcome");
    return kinds.filter((kind) => kind === "wrong").length;
  }

  beforeEach(() => vi.useFakeTimers({ toFake: ["Date"], now: Date.now() }));
  afterEach(() => vi.useRealTimers());
  const passes = (seconds: number) => vi.setSystemTime(Date.now() + 1000 * seconds);

  test("sixty at once are counted before any is checked", async () => {
    const own = await account();
    expect(await wrongOf(Array.from({ length: 60 }, () => attempt("wrong", { email: own, address: "198.51.100.2" })))).toBe(6);
  });

  test("make that name wait there for half a minute at most, also with the right password; then one more is allowed", async () => {
    const own = await account();
    const from = { email: own, address: "198.51.100.3" };
    for (let tries = 0; tries < 6; tries += 1) expect((await attempt("wrong", from)).kind).toBe("wrong");
    expect(await attempt(PASSWORD, from)).toMatchObject({ kind: "wait", seconds: expect.toSatisfy((s) => s > 0 && s <= 30) });
    passes(31);
    expect((await attempt(PASSWORD, from)).kind).toBe("welcome");
  });

  test("keep no one else out: not another name there, nor the same name elsewhere", async () => {
    const own = await account();
    const other = await account();
    for (let tries = 0; tries < 20; tries += 1) await attempt("wrong", { email: own, address: "198.51.100.4" });
    expect((await attempt(PASSWORD, { email: other, address: "198.51.100.4" })).kind).toBe("welcome");
    expect((await attempt(PASSWORD, { email: own, address: "198.51.100.5" })).kind).toBe("welcome");
  });

  test("never keep an account out of a device that it has signed in with, whatever happens elsewhere or there", async () => {
    const own = await account();
    const at = { email: own, address: "198.51.100.6" };
    const first = await attempt(PASSWORD, at);
    if (first.kind !== "welcome") throw new Error(first.kind);
    for (let tries = 0; tries < 20; tries += 1) await attempt("wrong", at);
    expect((await attempt(PASSWORD, at)).kind).toBe("wait");
    const known = { ...at, device: first.device };
    for (let tries = 0; tries < 6; tries += 1) expect((await attempt("wrong", known)).kind).toBe("wrong");
    expect(await attempt(PASSWORD, known)).toMatchObject({ kind: "welcome", device: first.device });
  });

  test("a device of one account is no device of another", async () => {
    const [own, other] = [await account(), await account()];
    const at = { address: "198.51.100.7" };
    const first = await attempt(PASSWORD, { ...at, email: own });
    if (first.kind !== "welcome") throw new Error(first.kind);
    for (let tries = 0; tries < 20; tries += 1) await attempt("wrong", { ...at, email: other });
    expect((await attempt(PASSWORD, { ...at, email: other, device: first.device })).kind).toBe("wait");
  });

  test("thirty names from one address use up what that address may try at once, right passwords do not", async () => {
    const own = await account();
    const address = "198.51.100.8";
    for (let tries = 0; tries < 40; tries += 1) expect((await attempt(PASSWORD, { email: own, address })).kind).toBe("welcome");
    expect(await wrongOf(Array.from({ length: 40 }, () => attempt("wrong", { email: email(), address })))).toBe(31);
  });

  test("only hashes say who tried", async () => {
    const own = email();
    await attempt("wrong", { email: own, address: "198.51.100.9" });
    const keys = await organisation.scope.database("sign_in_tries").pluck("key");
    expect(keys.join(" ")).not.toContain("harbour.example");
    expect(keys.join(" ")).not.toContain("198.51");
  });
});

test("expired sessions and devices of long ago are deleted, others stay", async () => {
  const { database, accountId } = organisation.scope;
  const old = await attempt(organisation.password, { at: subDays(now(), 500) });
  const recent = await attempt(organisation.password, { at: now() });
  if (old.kind !== "welcome" || recent.kind !== "welcome") throw new Error("not signed in");
  await pruneSignIns(database, now());
  expect(await scopeOfToken(database, recent.token, now)).not.toBeNull();
  expect(await isKnownDevice(database, accountId, old.device)).toBe(false);
  expect(await isKnownDevice(database, accountId, recent.device)).toBe(true);
  expect(await database("sign_ins").where("expires_at", "<=", now()).first()).toBeUndefined();
});
