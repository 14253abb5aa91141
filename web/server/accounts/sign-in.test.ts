import { addDays, addMinutes } from "date-fns";
import { afterAll, beforeAll, expect, test } from "vitest";
import { now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { scopeOfToken, signIn, signOut } from "./sign-in.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation();
});
afterAll(() => organisation.close());

const attempt = (password: string, at = now(), email = organisation.email) =>
  signIn(organisation.scope.database, { email, password, address: `test ${email}` }, at);

async function tokenFor(): Promise<string> {
  const outcome = await attempt(organisation.password, addDays(now(), 1));
  if (outcome.kind !== "welcome") throw new Error(outcome.kind);
  return outcome.token;
}

test("a token opens the organisation of its account until it is signed out or has run out", async () => {
  const { database, organisationId } = organisation.scope;
  const token = await tokenFor();
  const later = (days: number) => () => addDays(now(), days);
  expect((await scopeOfToken(database, token, later(2)))?.organisationId).toBe(organisationId);
  expect(await scopeOfToken(database, `${token}x`, later(2))).toBeNull();
  expect(await scopeOfToken(database, token, later(40))).toBeNull();
  await signOut(database, token);
  expect(await scopeOfToken(database, token, later(2))).toBeNull();
});

test("only a hash of the token and of the password is kept", async () => {
  const token = await tokenFor();
  const { database } = organisation.scope;
  const { rows } = await database.raw("select encode(token_hash, 'escape') as kept from sign_ins");
  expect(rows.map((row: { kept: string }) => row.kept)).not.toContain(token);
  const account = await database("accounts").where({ email: organisation.email }).first("password_hash");
  expect(account.password_hash).toMatch(/^\$argon2id\$/);
});

test("five wrong tries make a name wait a quarter of an hour, also with the right password; another name need not", async () => {
  const at = now();
  for (let count = 0; count < 5; count += 1) expect((await attempt("wrong", at)).kind).toBe("wrong");
  expect((await attempt(organisation.password, at)).kind).toBe("wait");
  expect((await attempt("wrong", at, "somebody@else.example")).kind).toBe("wrong");
  expect((await attempt(organisation.password, addMinutes(at, 16))).kind).toBe("welcome");
});
