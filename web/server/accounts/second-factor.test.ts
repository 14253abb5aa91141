import { addSeconds } from "date-fns";
import { Secret, TOTP } from "otpauth";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { addMember } from "./accounts.ts";
import {
  beginSecondFactor,
  dropSecondFactor,
  hasSecondFactor,
  recoveryCodesLeft,
  takeSecondFactor,
  turnOffSecondFactor,
  turnOnSecondFactor,
} from "./second-factor.ts";
import { signIn } from "./sign-in.ts";

const PASSWORD = "brass otter lantern";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation("Two Locks");
});
afterAll(() => organisation.close());

const database = () => organisation.scope.database;
const member = (email: string) =>
  addMember(organisation.scope, { email: `${email}@locks.example`, name: "Bryher", password: PASSWORD, role: "helper" });
const enter = (email: string, code: string, at = now(), device: string | null = null) =>
  signIn(
    database(),
    { email: `${email}@locks.example`, password: PASSWORD, address: "198.51.100.61", device, deviceName: "", code },
    at,
  );
/** What an app shows. */
const codeAt = (secret: string, at: Date): string =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: at.getTime() });

async function withFactor(email: string) {
  const scope = await member(email);
  const secret = (await beginSecondFactor(scope))?.secret ?? "";
  const outcome = await turnOnSecondFactor(scope, { code: codeAt(secret, now()), password: PASSWORD });
  if (outcome.kind !== "on") throw new Error(outcome.kind);
  return { scope, secret, codes: outcome.codes };
}

test("codes are those of RFC 6238", async () => {
  const scope = await member("rfc");
  await beginSecondFactor(scope);
  // Appendix B, SHA-1: the last six digits at 59 s and at 1111111109 s.
  const secret = Secret.fromUTF8("12345678901234567890").base32;
  await database()("second_factors").where({ account_id: scope.accountId }).update({ secret });
  const take = (code: string, seconds: number) => takeSecondFactor(database(), scope.accountId, code, new Date(1000 * seconds));
  expect(await take("287083", 59)).toBe(false);
  expect(await take("287082", 59)).toBe(true);
  expect(await take("081 804", 1_111_111_109)).toBe(true);
});

describe("a second factor", () => {
  test("counts once a code and the password have confirmed it", async () => {
    const scope = await member("confirms");
    const secret = (await beginSecondFactor(scope))?.secret ?? "";
    expect((await beginSecondFactor(scope))?.secret).toBe(secret);
    const code = codeAt(secret, now());
    const wrong = code === "000000" ? "000001" : "000000";
    expect((await turnOnSecondFactor(scope, { code: wrong, password: PASSWORD })).kind).toBe("wrongCode");
    expect((await turnOnSecondFactor(scope, { code, password: "not the password" })).kind).toBe("wrong");
    expect(await hasSecondFactor(database(), scope.accountId)).toBe(false);
    expect((await enter("confirms", "")).kind).toBe("welcome");
    expect((await turnOnSecondFactor(scope, { code, password: PASSWORD })).kind).toBe("on");
    expect(await beginSecondFactor(scope)).toBeNull();
    expect((await enter("confirms", "")).kind).toBe("code");
  });

  test("takes each code once, and those of clocks half a minute apart", async () => {
    const { secret } = await withFactor("once");
    expect((await enter("once", codeAt(secret, now()))).kind).toBe("wrongCode");
    const later = addSeconds(now(), 60);
    expect((await enter("once", codeAt(secret, addSeconds(later, 30)), later)).kind).toBe("welcome");
    expect((await enter("once", codeAt(secret, later), later)).kind).toBe("wrongCode");
    expect((await enter("once", codeAt(secret, addSeconds(later, 90)), later)).kind).toBe("wrongCode");
  });

  test("is no way around the password, and its codes cannot be tried out", async () => {
    const { secret } = await withFactor("tries");
    const at = addSeconds(now(), 60);
    const attempt = { email: "tries@locks.example", address: "198.51.100.62", device: null, deviceName: "" };
    const right = codeAt(secret, at);
    expect((await signIn(database(), { ...attempt, password: "not the password", code: right }, at)).kind).toBe("wrong");
    const outcomes = await Promise.all(Array.from({ length: 8 }, (_, i) => enter("tries", `00000${i}`, at)));
    expect(outcomes.filter(({ kind }) => kind === "wait").length).toBeGreaterThan(0);
    expect((await enter("tries", right, at)).kind).toBe("wait");
  });

  test("is replaced by each recovery code once, however it is typed", async () => {
    const { scope, codes } = await withFactor("recovers");
    expect(new Set(codes).size).toBe(10);
    const [first = "", second = ""] = codes;
    expect((await enter("recovers", first.toUpperCase().replace("-", " "))).kind).toBe("welcome");
    expect((await enter("recovers", first)).kind).toBe("wrongCode");
    expect((await enter("recovers", second)).kind).toBe("welcome");
    expect(await recoveryCodesLeft(scope)).toBe(8);
  });

  test("is turned off with the password only, and its recovery codes go with it", async () => {
    const { scope } = await withFactor("off");
    expect((await turnOffSecondFactor(scope, "not the password")).kind).toBe("wrong");
    expect((await turnOffSecondFactor(scope, PASSWORD)).kind).toBe("off");
    expect((await enter("off", "")).kind).toBe("welcome");
    expect(await recoveryCodesLeft(scope)).toBe(0);
  });

  test("is dropped by the owner of the only organisation, and by no one else", async () => {
    const { scope } = await withFactor("lost");
    const other = await ownOrganisation("Third Lock");
    expect(await dropSecondFactor(other.scope, scope.accountId)).toBe(false);
    await other.close();
    expect(await dropSecondFactor(scope, scope.accountId)).toBe(false);
    expect(await dropSecondFactor(organisation.scope, scope.accountId)).toBe(true);
    expect((await enter("lost", "")).kind).toBe("welcome");
  });
});
