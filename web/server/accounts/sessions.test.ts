import { addDays, addHours, addMinutes } from "date-fns";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { now, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import type { Scope } from "../scope.ts";
import { changePassword } from "./change-password.ts";
import { beginSession, endOtherSessions, keepThroughClass, listSessions, SESSION, scopeOfToken } from "./sessions.ts";
import { signIn } from "./sign-in.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation("Session Harbour");
});
afterAll(() => organisation.close());

const begin = (device = "Firefox on Linux") => {
  const { database, organisationId, accountId } = organisation.scope;
  return beginSession(database, { organisationId, accountId, device }, now());
};
const scopeAt = (token: string, at: Date): Promise<Scope | null> => scopeOfToken(organisation.scope.database, token, () => at);
async function signedIn(token: string, at = now()): Promise<Scope> {
  const scope = await scopeAt(token, at);
  if (!scope) throw new Error("not signed in");
  return scope;
}
/** Uses a session every hour. @returns the last hour at which it was still good */
async function hoursUsed(token: string, each: (scope: Scope) => Promise<void> = async () => undefined): Promise<number> {
  for (let hour = 1; ; hour += 1) {
    const scope = await scopeAt(token, addHours(now(), hour));
    if (!scope) return hour - 1;
    await each(scope);
  }
}

describe("a session", () => {
  test("ends when it is not used for a night, and use keeps it going", async () => {
    const token = await begin();
    const almost = addMinutes(addHours(now(), SESSION.idleHours), -1);
    expect(await scopeAt(token, almost)).not.toBeNull();
    expect(await scopeAt(token, addHours(almost, SESSION.idleHours - 1))).not.toBeNull();
    expect(await scopeAt(await begin(), addHours(now(), SESSION.idleHours))).toBeNull();
  });

  test("ends after a week however much it is used", async () =>
    expect(await hoursUsed(await begin())).toBe(24 * SESSION.days - 1));

  test("does not end in the middle of a class, and a class that never ends keeps it a day more at most", async () =>
    expect(await hoursUsed(await begin(), keepThroughClass)).toBe(24 * SESSION.classDays + SESSION.classHours - 2));

  test("is listed for its own account, and ended everywhere else by one of them", async () => {
    const scope = await signedIn(await begin("Chrome on Android"));
    const other = await begin("Safari on iOS");
    const shown = await listSessions(scope);
    expect(shown.filter(({ current }) => current)).toMatchObject([{ device: "Chrome on Android" }]);
    expect(shown.map(({ device }) => device)).toContain("Safari on iOS");
    expect(await endOtherSessions(scope)).toBe(shown.length - 1);
    expect(await scopeAt(other, now())).toBeNull();
    expect(await listSessions(scope)).toMatchObject([{ device: "Chrome on Android", current: true }]);
  });

  test("that has expired is not listed", async () => {
    const scope = await signedIn(await begin());
    const later: Scope = { ...scope, now: () => addDays(now(), 2) };
    expect(await listSessions(later)).toEqual([]);
  });
});

describe("changing a password", () => {
  const CHOSEN = "brass otter lantern";
  test("asks for the present one, refuses what is easy to guess, and signs out everywhere else", async () => {
    const own = await ownOrganisation("Lantern Harbour");
    const { database, organisationId, accountId } = own.scope;
    const beginOwn = () => beginSession(database, { organisationId, accountId, device: "" }, now());
    const scope = await signedIn(await beginOwn());
    const other = await beginOwn();
    expect(await changePassword(scope, { present: "not it", chosen: CHOSEN })).toEqual({ kind: "wrong" });
    expect(await changePassword(scope, { present: own.password, chosen: "lanternharbour" })).toEqual({ kind: "easy" });
    expect(await scopeAt(other, now())).not.toBeNull();
    expect(await changePassword(scope, { present: own.password, chosen: CHOSEN })).toEqual({ kind: "changed", signedOut: 1 });
    expect(await scopeAt(other, now())).toBeNull();
    const attempt = { email: own.email, address: "198.51.100.20", device: null, deviceName: "" };
    expect((await signIn(database, { ...attempt, password: own.password }, now())).kind).toBe("wrong");
    expect((await signIn(database, { ...attempt, password: CHOSEN }, now())).kind).toBe("welcome");
    await own.close();
  });

  test("an open session is no way to try passwords without end", async () => {
    const scope = await signedIn(await begin());
    const kinds: string[] = [];
    for (let tries = 0; tries < 8; tries += 1)
      kinds.push((await changePassword(scope, { present: `try ${tries}`, chosen: CHOSEN })).kind);
    expect(kinds).toEqual([...Array(6).fill("wrong"), "wait", "wait"]);
  });
});
