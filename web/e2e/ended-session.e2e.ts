import { classState } from "@able-tide/core/class/events";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addMember } from "../server/accounts/accounts.ts";
import { listEvents } from "../server/classes/classes.ts";
import { teachPlan } from "../server/classes/teach.ts";
import { addPlan } from "../server/plans/plans.ts";
import type { Scope } from "../server/scope.ts";
import { click, openBrowser, openPage, seeText, signIn } from "./browser.ts";
import { addSomebody, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

const PASSWORD = "ropes-and-lanterns";

let browser: Browser;
let organisation: TestOrganisation;
let helper: { readonly email: string; readonly password: string; readonly scope: Scope };
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Quiet Harbour")]);
  for (const name of ["Perran", "Tegen"]) await addSomebody(organisation, name);
  const email = `helper-${organisation.email}`;
  const account = { email, name: "Bryher", password: PASSWORD, role: "helper" } as const;
  helper = { email, password: PASSWORD, scope: await addMember(organisation.scope, account) };
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

async function begunClass(day: string): Promise<string> {
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  const planId = await addPlan(organisation.scope, { groupId: organisation.groupId, day, breathSeconds: 8, blocks });
  const outcome = await teachPlan(organisation.scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  return outcome.classId;
}

const endSessionsOf = ({ database, accountId }: Scope) => database("sign_ins").where({ account_id: accountId }).delete();

/** Notes by keys what the second participant shows. */
async function note(page: Page, key: "r" | "w"): Promise<void> {
  await page.keyboard.press("2");
  await seeText(page, "Left the class");
  await page.keyboard.press(key);
  await page.waitForFunction(() => !document.body.innerText.includes("Left the class"));
}

async function moving(classId: string, account: { readonly email: string; readonly password: string }): Promise<Page> {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), account);
  await page.goto(`${serverUrl()}/classes/${classId}`, { waitUntil: "networkidle0" });
  await click(page, "Tegen");
  await click(page, "Start class");
  await seeText(page, "Settling breath");
  await seeText(page, "All saved");
  return page;
}

async function signInAgain(page: Page, email: string, password: string): Promise<void> {
  await click(page, "Sign in again");
  await page.type('[role="dialog"] [name="email"]', email);
  await page.type('[role="dialog"] [name="password"]', password);
  await page.keyboard.press("Enter");
}

const notesIn = async (classId: string) =>
  classState(await listEvents(organisation.scope, classId)).notes.map(({ sign }) => sign);

test("what is noted after the session has ended waits, and is sent once someone signs in again, in the class", async () => {
  const classId = await begunClass("2026-10-14");
  const page = await moving(classId, organisation);
  await endSessionsOf(organisation.scope);
  await note(page, "w");
  await seeText(page, "1 saved on this device, not sent yet");
  expect(await notesIn(classId)).toEqual([]);
  await signInAgain(page, organisation.email, "not the password");
  await seeText(page, "Email or password is wrong.");
  await page.keyboard.press("Escape");
  await signInAgain(page, organisation.email, organisation.password);
  await seeText(page, "All saved");
  await seeText(page, "Settling breath");
  expect(page.url()).toContain(`/classes/${classId}`);
  expect(await notesIn(classId)).toEqual(["wobbled"]);
});

test("what one account recorded on a shared tablet is not sent as another's", async () => {
  const classId = await begunClass("2026-10-21");
  const page = await moving(classId, organisation);
  await endSessionsOf(organisation.scope);
  await note(page, "w");
  await seeText(page, "1 saved on this device, not sent yet");
  await signInAgain(page, helper.email, helper.password);
  await seeText(page, "1 by Keeper waiting: sent when Keeper signs in here");
  await seeText(page, "All saved");
  await note(page, "r");
  await seeText(page, "All saved");
  expect(await notesIn(classId)).toEqual(["rested"]);
  await endSessionsOf(helper.scope);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/classes/${classId}`);
  await seeText(page, "All saved");
  await page.waitForFunction(() => !document.body.innerText.includes("waiting: sent when"));
  // A page that has just been loaded says "All saved" until it has looked at what waits.
  await expect.poll(async () => (await notesIn(classId)).sort(), { timeout: 60_000 }).toEqual(["rested", "wobbled"]);
  const makers = await organisation.scope
    .database("class_events")
    .whereRaw("class_id = ? and event ->> 'kind' = 'noted'", [classId])
    .select<{ recorded_by: string; sign: string }[]>("recorded_by", organisation.scope.database.raw("event ->> 'sign' as sign"));
  expect(Object.fromEntries(makers.map(({ sign, recorded_by }) => [sign, recorded_by]))).toEqual({
    wobbled: organisation.scope.accountId,
    rested: helper.scope.accountId,
  });
});
