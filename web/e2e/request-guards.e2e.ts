import { randomUUID } from "node:crypto";
import { request } from "node:http";
import type { Browser } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addMember } from "../server/accounts/accounts.ts";
import { listEvents } from "../server/classes/classes.ts";
import { addEvents } from "../server/classes/record-events.ts";
import { teachPlan } from "../server/classes/teach.ts";
import { listGroups } from "../server/groups/groups.ts";
import { listPeople } from "../server/people/people.ts";
import { addPlan } from "../server/plans/plans.ts";
import { openBrowser } from "./browser.ts";
import { addSomebody, cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let cookie = "";
let personId = "";
let planId = "";
let classId = "";
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Guarded Harbour")]);
  const { scope, groupId } = organisation;
  cookie = await cookieOf(serverUrl(), organisation);
  personId = await addSomebody(organisation, "Jory");
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  planId = await addPlan(scope, { groupId, day: "2026-10-14", breathSeconds: 8, blocks });
  const outcome = await teachPlan(scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  classId = outcome.classId;
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

/** Sends only the head of a request and as much of its body as is wanted. @returns the status of the answer */
function sendHead(path: string, headers: Record<string, string>, body = ""): Promise<number> {
  const { hostname, port } = new URL(serverUrl());
  return new Promise((resolve, reject) => {
    const sent = request({ hostname, port, path, method: "POST", headers }, (response) => {
      resolve(response.statusCode ?? 0);
      sent.destroy();
    });
    sent.on("error", reject);
    sent.write(body);
  });
}

describe("a body is answered before it is read when it is too long", () => {
  test.each(["/sign-in", "/groups", "/people/files", "/fit", "/movements", "/no-such-page"])("%s", async (path) => {
    const headers = { cookie, "Content-Length": String(200_000_000), "Content-Type": "application/x-www-form-urlencoded" };
    expect(await sendHead(path, headers, "email=a")).toBe(413);
  });

  test("one without a length is not read", async () =>
    expect(await sendHead("/sign-in", { "Transfer-Encoding": "chunked" }, "email=a")).toBe(411));
});

describe("a program that is not signed in is told so, and not led to the sign-in page", () => {
  const ask = (path: string, init: RequestInit = {}) => fetch(serverUrl() + path, { redirect: "manual", ...init });
  test.each(["/fit", "/plans/PLAN/content", "/plans/PLAN/teach", "/classes/CLASS/events", "/classes/CLASS/walk-in"])(
    "%s",
    async (path) => {
      const answer = await ask(path.replace("PLAN", planId).replace("CLASS", classId), { method: "POST", body: "{}" });
      expect(answer.status).toBe(401);
      expect(answer.headers.get("Content-Type")).toContain("application/json");
    },
  );

  test("a browser that asks for a page is led there", async () => {
    const answer = await ask(`/classes/${classId}/events`, { headers: { Accept: "text/html" } });
    expect([answer.status, answer.headers.get("Location")]).toEqual([302, expect.stringContaining("/sign-in?back=")]);
  });
});

test.each([
  "/",
  "/people",
  "/people/PERSON",
  "/people/files/people.csv",
  "/plans/PLAN/file",
  "/classes/CLASS/events",
  "/people.data",
])("%s is kept by no cache", async (path) => {
  const address = path.replace("PERSON", personId).replace("PLAN", planId).replace("CLASS", classId);
  const answer = await fetch(serverUrl() + address, { headers: { cookie } });
  expect(answer.status).toBe(200);
  expect(answer.headers.get("Cache-Control")).toBe("no-store");
});

describe("a helper's rights in class hold by request too", () => {
  const at = "2026-10-13T09:00:01.000Z";
  let helper: Awaited<ReturnType<typeof addMember>>;
  let helperCookie = "";
  beforeAll(async () => {
    const email = `helper-${organisation.email}`;
    helper = await addMember(organisation.scope, { email, name: "Bryher", password: "ropes-and-lanterns", role: "helper" });
    helperCookie = await cookieOf(serverUrl(), { email, password: "ropes-and-lanterns" });
  });
  const send = async (events: readonly object[], accountId = helper.accountId) => {
    const answer = await fetch(`${serverUrl()}/classes/${classId}/events`, {
      method: "POST",
      headers: { cookie: helperCookie },
      body: JSON.stringify({ accountId, events: events.map((event) => ({ id: randomUUID(), at, ...event })) }),
    });
    return { status: answer.status, answer: await answer.json() };
  };

  test("each is refused with its reason, and what may be recorded is recorded", async () => {
    const { status, answer } = await send([
      { kind: "checkedIn", personId, answers: { overall: "asUsual" }, overriddenBecause: "insists" },
      { kind: "ended", effort: 1, note: "", at: "2099-01-01T00:00:00.000Z" },
      { kind: "noted", personId: randomUUID(), step: 0, sign: "dizzy" },
      { kind: "noted", personId, step: 40, sign: "dizzy" },
      { kind: "noted", personId, step: 0, sign: "wobbled" },
      { kind: "moved", step: "next" },
    ]);
    expect(status).toBe(200);
    expect(answer.kept).toHaveLength(1);
    expect(answer.refused.map(({ why }: { why: string }) => why).sort()).toEqual(
      ["unreadable", "role", "role", "notInClass", "noSuchStep"].sort(),
    );
    expect((await listEvents(organisation.scope, classId)).map(({ kind }) => kind)).toEqual(["noted"]);
  });

  test("events of another account are not taken", async () =>
    expect((await send([{ kind: "moved", step: 0 }], organisation.scope.accountId)).status).toBe(409));

  test("a time that cannot be becomes the nearest that can; the device's and the corrected time are kept", async () => {
    const early = { id: randomUUID(), kind: "noted", personId, step: 0, sign: "rested", at: "2020-01-01T00:00:00.000Z" };
    const late = { ...early, id: randomUUID(), at: "2099-01-01T00:00:00.000Z", deviceAt: "2098-12-31T00:00:00.000Z" };
    await send([early, late]);
    const rows = await organisation.scope
      .database("class_events")
      .whereIn("id", [early.id, late.id])
      .orderBy("sequence")
      .select("event", "device_at", "corrected_at", "recorded_at");
    const begun = await organisation.scope.database("classes").where({ id: classId }).first("started_at");
    expect(rows.map(({ event }) => event.at)).toEqual([begun.started_at.toISOString(), rows[1].recorded_at.toISOString()]);
    expect(rows.map(({ corrected_at }) => corrected_at.getUTCFullYear())).toEqual([2020, 2099]);
    expect(rows.map(({ device_at }) => device_at?.getUTCFullYear() ?? null)).toEqual([null, 2098]);
  });

  test("a class that has ended is not ended again, whoever asks", async () => {
    await addEvents(organisation.scope, classId, [{ kind: "ended", id: randomUUID(), at, effort: 4, note: "" }]);
    const { scope } = organisation;
    const answer = await fetch(`${serverUrl()}/classes/${classId}/events`, {
      method: "POST",
      headers: { cookie },
      body: JSON.stringify({
        accountId: scope.accountId,
        events: [{ kind: "ended", id: randomUUID(), at: "2099-01-01T00:00:00.000Z", effort: 9, note: "" }],
      }),
    });
    expect(await answer.json()).toMatchObject({ kept: [], refused: [{ why: "alreadyEnded" }] });
    expect((await scope.database("classes").where({ id: classId }).first("ended_at")).ended_at.toISOString()).toBe(at);
  });
});

test("forms work without scripts: sign in, add a group, add a participant, begin a plan", async () => {
  const page = await (await browser.createBrowserContext()).newPage();
  await page.setJavaScriptEnabled(false);
  const send = (button: string) => Promise.all([page.waitForNavigation(), page.click(button)]);
  const fill = async (form: string, fields: Readonly<Record<string, string>>) => {
    for (const [name, value] of Object.entries(fields)) await page.type(`${form} [name="${name}"]`, value);
  };
  await page.goto(`${serverUrl()}/groups`);
  expect(page.url()).toContain("/sign-in?back=%2Fgroups");
  await fill("form", { email: organisation.email, password: organisation.password });
  await send("form button");
  expect(new URL(page.url()).pathname).toBe("/groups");
  await page.click("details:has(#new-group) > summary");
  await fill("#new-group", { name: "Slack Water" });
  await send('#new-group button[value="group"], #new-group button:not([type="button"])');
  expect((await listGroups(organisation.scope)).map(({ name }) => name)).toContain("Slack Water");
  await page.goto(`${serverUrl()}/people/new`);
  const person = { name: "Senara", birthYear: "1949", statureCentimetres: "161", massKilograms: "63" };
  await fill('form:has([name="massKilograms"])', person);
  await send('form:has([name="massKilograms"]) button:not([type="button"])');
  expect((await listPeople(organisation.scope)).map(({ name }) => name)).toContain("Senara");
  await page.goto(`${serverUrl()}/plans`);
  await send('form:has([name="start"]) button:not([type="button"])');
  expect(new URL(page.url()).pathname).toMatch(/^\/plans\/[0-9a-f-]{36}$/);
});
