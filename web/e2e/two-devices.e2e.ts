import { randomUUID } from "node:crypto";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { findClass } from "../server/classes/classes.ts";
import { addEvents } from "../server/classes/record-events.ts";
import { teachPlan } from "../server/classes/teach.ts";
import { addPlan } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, seeText, signIn } from "./browser.ts";
import { addSomebody, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let tegen: string;
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Two Harbours")]);
  await addSomebody(organisation, "Perran");
  tegen = await addSomebody(organisation, "Tegen");
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

async function begunClass(day: string): Promise<string> {
  const blocks = ["settling-breath", "shift-and-press", "lift-and-part"].map((movementId, i) => ({
    id: `b${i + 1}`,
    movementId,
    rounds: 4,
  }));
  const planId = await addPlan(organisation.scope, { groupId: organisation.groupId, day, breathSeconds: 8, blocks });
  const outcome = await teachPlan(organisation.scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  return outcome.classId;
}

async function deviceIn(classId: string): Promise<Page> {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/classes/${classId}`);
  return page;
}

const formsOf = async (classId: string, personId: string) =>
  (await findClass(organisation.scope, classId))?.script.people.find(({ id }) => id === personId)?.cells.map(({ form }) => form);

test("what one device records, the other shows without a reload: who is here, the step, a note and the fit after it", async () => {
  const classId = await begunClass("2026-11-04");
  const leader = await deviceIn(classId);
  const other = await deviceIn(classId);
  await click(leader, "Tegen");
  await seeText(other, "1 of 2");
  await click(leader, "Start class");
  await seeText(other, "Settling breath");
  await leader.keyboard.press("Space");
  await seeText(other, "Shift and press");
  await leader.keyboard.press("2");
  await seeText(leader, "Left the class");
  await leader.keyboard.press("d");
  await seeText(other, "Sit. Ask first.");
  // The other device leads on: the movement after the note is the one that was fitted anew, on both.
  await click(other, "Next");
  await click(other, "Next");
  await seeText(other, "Lift and part");
  await seeText(leader, "Lift and part");
  for (const page of [leader, other])
    await page.waitForFunction(() => !document.body.innerText.includes("Fitting what comes next"));
  expect((await formsOf(classId, tegen))?.at(-1)).toBe("rest");
});

test("a note whose fit was cut short is fitted as soon as a device in class sees it", async () => {
  const classId = await begunClass("2026-11-05");
  const page = await deviceIn(classId);
  await click(page, "Tegen");
  await click(page, "Start class");
  await seeText(page, "Settling breath");
  await seeText(page, "All saved");
  expect(await formsOf(classId, tegen)).not.toContain("rest");
  // Kept in the database by a server that was killed before it fitted anyone.
  const at = new Date().toISOString();
  await addEvents(organisation.scope, classId, [
    { kind: "noted", id: randomUUID(), at, personId: tegen, step: 0, sign: "dizzy" },
  ]);
  await seeText(page, "Sit. Ask first.");
  await page.waitForFunction(() => !document.body.innerText.includes("Fitting what comes next"));
  expect(await formsOf(classId, tegen)).toEqual(["rest", "rest", "rest"]);
});
