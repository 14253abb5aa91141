import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { findPerson } from "../server/people/people.ts";
import { addPlan } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, seeText, showEveryone, signIn } from "./browser.ts";
import { addSomebody, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
let personId: string;
const problems: string[] = [];
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Sling Harbour")]);
  personId = await addSomebody(organisation, "Kerensa");
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

const CARRIES = "right hand carries the left forearm from below";
const CARE = "Never pull the hand or wrist";
const cellWords = (column: number): Promise<string> =>
  page.$eval(`[data-cell="0 ${column}"]`, (cell) => cell.getAttribute("aria-label") ?? "");

test("an arm that the other hand carries is entered with the person, fitted, taught and printed", async () => {
  await page.goto(`${serverUrl()}/people/${personId}`, { waitUntil: "networkidle0" });
  await click(page, "Edit name, height, weight, groups or notes");
  await click(page, "Wheelchair, limbs and measured lengths");
  await seeText(page, "only if their physiotherapist or doctor agrees");
  await page.select('select[name="armLeft"]', "carried");
  await click(page, "Save participant");
  const arms = async () => (await findPerson(organisation.scope, personId))?.measured.arms[0].kind;
  await expect.poll(arms, { timeout: 20_000 }).toBe("carried");

  const planId = await addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day: "2026-11-18",
    breathSeconds: 6,
    blocks: [
      { id: "b1", movementId: "settling-breath", rounds: 3 },
      { id: "b2", movementId: "arms-swing", rounds: 3 },
    ],
  });
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "domcontentloaded" });
  await showEveryone(page);
  await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
  expect(await cellWords(0)).toContain(CARRIES);
  // Arms that swing apart cannot be led by one hand: the arm rests.
  expect(await cellWords(1)).not.toContain("carries");
  await page.click('[data-cell="0 0"]');
  await seeText(page, CARE);

  for (const printout of [`people/${personId}`, "helper"]) {
    await page.goto(`${serverUrl()}/plans/${planId}/printouts/${printout}`, { waitUntil: "networkidle0" });
    await seeText(page, "near the elbow");
  }

  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await showEveryone(page);
  await click(page, "Teach");
  await click(page, "Mark everyone as here");
  await click(page, "Start class");
  await seeText(page, CARRIES);
  await page.keyboard.press("1");
  await seeText(page, CARE);
  await page.close();
  expect(problems).toEqual([]);
}, 180_000);
