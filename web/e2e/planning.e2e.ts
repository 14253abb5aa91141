import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addGroup } from "../server/groups/groups.ts";
import { addPlan, changePlan, findPlan } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, seeText, showEveryone, signIn } from "./browser.ts";
import { addSomebody, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
  await addSomebody(organisation, "Senara");
  page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

const BLOCKS = [
  { id: "b1", movementId: "settling-breath", rounds: 4 },
  { id: "b2", movementId: "shift-and-press", rounds: 4 },
  { id: "b3", movementId: "gather-and-close", rounds: 4 },
];

async function openPlan(day: string): Promise<string> {
  const { scope, groupId } = organisation;
  const planId = await addPlan(scope, { groupId, day, breathSeconds: 8, blocks: BLOCKS });
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await page.waitForSelector('table[aria-busy="false"]');
  return planId;
}

const orderShown = (): Promise<string[]> =>
  page.$$eval('ol[aria-label="Session timeline"] button span:first-child', (names) =>
    names.map((name) => name.textContent ?? ""),
  );
const duration = (): Promise<string> => page.$eval('[data-testid="duration"]', (element) => element.textContent ?? "");
const kept = async (planId: string) => (await findPlan(organisation.scope, planId))?.blocks.map(({ movementId }) => movementId);

/** Waits until the board says that everything is saved. */
const saved = () =>
  page.waitForFunction(() => [...document.querySelectorAll('[role="status"]')].some((note) => note.textContent === "Saved"));

test("someone in a wheelchair with one arm that moves is written down, and has everything seated", async () => {
  const personId = await addSomebody(organisation, "Loveday");
  await page.goto(`${serverUrl()}/people/${personId}`, { waitUntil: "networkidle0" });
  await click(page, "Edit name");
  await click(page, "Wheelchair, limbs");
  await page.click('input[name="wheelchair"]');
  await page.select('select[name="armLeft"]', "still");
  await page.type('input[name="legLengthLeft"]', "60");
  await click(page, "Save participant");
  await seeText(page, "For a height of 168 cm a leg is usually about 89 cm. Check the measurement.");
  expect(await page.$eval('select[name="armLeft"]', (element) => (element as HTMLSelectElement).value)).toBe("still");
  const leg = await page.$('input[name="legLengthLeft"]');
  await leg?.click({ count: 3 });
  await page.keyboard.type("88");
  await click(page, "Save participant");
  await seeText(page, "Saved.");
  // Who does not stand has no floor marks.
  await seeText(page, "does not stand, or standing is capped");

  await openPlan("2026-12-02");
  await showEveryone(page);
  await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
  const cells = await page.$$eval("table tbody tr", (rows) =>
    rows
      .filter((row) => row.textContent?.includes("Loveday"))
      .flatMap((row) => [...row.querySelectorAll("td [aria-label]")].map((cell) => cell.getAttribute("aria-label") ?? "")),
  );
  expect(cells.length).toBeGreaterThanOrEqual(BLOCKS.length);
  for (const cell of cells) expect(cell).toMatch(/seated/);
  expect(cells.some((cell) => cell.includes("less on the left"))).toBe(true);
  await organisation.scope.database("group_members").where({ person_id: personId }).delete();
});

test("by keys: order, rounds, taking out, undo and redo, with the duration following and everything saved", async () => {
  const planId = await openPlan("2026-11-04");
  expect(await orderShown()).toEqual(["Settling breath", "Shift and press", "Gather and close"]);
  await click(page, "Shift and press");
  const before = await duration();
  await page.keyboard.press("]");
  expect(await orderShown()).toEqual(["Settling breath", "Gather and close", "Shift and press"]);
  await page.keyboard.press("+");
  const longer = await duration();
  expect(longer).not.toBe(before);
  await page.keyboard.press("Delete");
  expect(await orderShown()).toEqual(["Settling breath", "Gather and close"]);
  await page.keyboard.down("Control");
  await page.keyboard.press("z");
  await page.keyboard.up("Control");
  expect(await orderShown()).toEqual(["Settling breath", "Gather and close", "Shift and press"]);
  expect(await duration()).toBe(longer);
  await page.keyboard.down("Control");
  await page.keyboard.press("y");
  await page.keyboard.up("Control");
  expect(await orderShown()).toEqual(["Settling breath", "Gather and close"]);
  await saved();
  expect(await kept(planId)).toEqual(["settling-breath", "gather-and-close"]);
  await page.reload({ waitUntil: "networkidle0" });
  expect(await orderShown()).toEqual(["Settling breath", "Gather and close"]);
});

/** Someone else changes the plan while it is open here. */
async function changedElsewhere(planId: string): Promise<void> {
  const plan = await findPlan(organisation.scope, planId);
  await changePlan(organisation.scope, planId, plan?.revision ?? 0, { breathSeconds: 9, blocks: BLOCKS.slice(0, 1) });
}

test("a plan changed somewhere else is not written over: the instructor keeps this one or takes that one", async () => {
  const keep = await openPlan("2026-11-11");
  await changedElsewhere(keep);
  await page.keyboard.press("]");
  await seeText(page, "Someone else changed this plan while you were editing. Which version do you want?");
  expect(await kept(keep)).toEqual(["settling-breath"]);
  await click(page, "Keep my version");
  await saved();
  expect(await kept(keep)).toEqual(["shift-and-press", "settling-breath", "gather-and-close"]);

  const take = await openPlan("2026-11-18");
  await changedElsewhere(take);
  await page.keyboard.press("]");
  await seeText(page, "Someone else changed this plan while you were editing. Which version do you want?");
  await click(page, "Use their version");
  expect(await orderShown()).toEqual(["Settling breath"]);
  await saved();
  expect(await kept(take)).toEqual(["settling-breath"]);
});

test("a limit set while people arrive counts in the class", async () => {
  await openPlan("2026-11-25");
  await click(page, "Teach");
  await seeText(page, "Who is here, and how are they?");
  const classAddress = page.url();
  await click(page, "Set a cap");
  await seeText(page, "Add participant");
  await click(page, "Senara");
  await seeText(page, "Active caps today");
  await click(page, "Set a cap");
  await page.type('[name="reason"]', "sore today");
  await page.type('[name="source"]', "own word");
  await click(page, "Set cap");
  await seeText(page, "Right hand: up to shoulder height sore today");
  await page.goto(classAddress, { waitUntil: "networkidle0" });
  const fitted = page.waitForResponse((response) => response.url().includes("/fit"));
  await click(page, "Update all variants");
  expect((await fitted).status()).toBeLessThan(400);
  await click(page, "Senara");
  await seeText(page, "1 of 1");
  await click(page, "Start class");
  await click(page, "Next");
  await seeText(page, "right hand to shoulder");
});

test("more pain than usual at check-in gives that person smaller and fewer, for today, with the reason", async () => {
  await openPlan("2026-12-09");
  await click(page, "Teach");
  await seeText(page, "Who is here, and how are they?");
  await click(page, "Senara: more");
  await seeText(page, "Senara today");
  await click(page, "Pain: right shoulder");
  await click(page, "right shoulder, usual 0");
  await click(page, "right shoulder, now 5");
  await seeText(page, "More pain than usual, right shoulder");
  const fitted = page.waitForResponse((response) => response.url().includes("/fit"));
  await click(page, "Save");
  expect((await fitted).status()).toBeLessThan(400);
  await seeText(page, "Takes part: more pain than usual, right shoulder");
  await page.waitForFunction(() => !document.body.innerText.includes("Updating variants for today…"));
  await click(page, "Start class");
  await click(page, "Next");
  await seeText(page, "repetitions");
  await page.keyboard.press("1");
  await seeText(page, "more pain than usual, right shoulder, no leaning on the right hand; source: today's check-in");
});

test("the day of a new plan follows its group: the next meeting that is not planned yet", async () => {
  const { scope } = organisation;
  const groupId = await addGroup(scope, {
    name: "Harbour Friday",
    place: "",
    weekday: 5,
    startsAt: "11:00",
    minutes: 40,
    seatedOnly: false,
  });
  await addPlan(scope, { groupId, day: "2026-10-16", breathSeconds: 8, blocks: BLOCKS });
  await page.goto(`${serverUrl()}/plans`, { waitUntil: "networkidle0" });
  await page.select('[name="groupId"]', groupId);
  await page.waitForSelector('[name="day"][value="2026-10-23"]');
  await page.select('[name="start"]', "empty");
  await click(page, "Create plan");
  await seeText(page, "Harbour Friday, Friday 23 October");
});
