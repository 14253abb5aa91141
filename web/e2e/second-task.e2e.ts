import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addPlan, findPlan } from "../server/plans/plans.ts";
import { choose, click, openBrowser, openPage, seeText, showEveryone, signIn } from "./browser.ts";
import { addHall, addSomebody, capThem, meetAt, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
let planId: string;
const problems: string[] = [];
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Foam Landing")]);
  const { scope, groupId } = organisation;
  const merryn = await addSomebody(organisation, "Merryn");
  await capThem(organisation, merryn, { channel: "steadiness", limit: 4 });
  const placeId = await addHall(organisation, "The lawn", { chairs: [], rail: null, softFloor: true });
  await meetAt(organisation, placeId);
  planId = await addPlan(scope, {
    groupId,
    day: "2026-12-02",
    breathSeconds: 6,
    blocks: [{ id: "b1", movementId: "side-weight-shift", rounds: 3 }],
  });
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

const settled = () => page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
const cellWords = (): Promise<string> => page.$eval('[data-cell="0 0"]', (cell) => cell.getAttribute("aria-label") ?? "");
const item = async () => (await findPlan(organisation.scope, planId))?.blocks[0];
const EASED = "without the second task, on the even floor";

test("a second task and a soft surface are set where the venue has one; who may not be asked so much does without", async () => {
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await showEveryone(page);
  await settled();
  expect(await cellWords()).not.toContain(EASED);
  await click(page, "Side to side weight shift");
  await click(page, "Sides, variant, pace, explanation");
  await choose(page, "Second task", "new");
  await expect.poll(async () => (await item())?.secondTask, { timeout: 20_000 }).toBe("new");
  await click(page, "On the soft surface, with a rail or a chair within reach");
  await expect.poll(async () => (await item())?.softFloor, { timeout: 20_000 }).toBe(true);
  await seeText(page, "Second task at the same time: a new one. On the soft surface");
  await expect.poll(cellWords, { timeout: 30_000 }).toContain(EASED);

  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  await seeText(page, "Second task at the same time: a new one.");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await showEveryone(page);
  await click(page, "Teach");
  await seeText(page, "Who is here");
  await click(page, "Mark everyone as here");
  await click(page, "Start class");
  await seeText(page, "On the soft surface, a rail or a chair within reach.");
  await seeText(page, EASED);
  expect(problems).toEqual([]);
});
