import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addPlan } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, seeText, signIn } from "./browser.ts";
import { addSomebody, cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

const demandsOf = (page: Page): Promise<string> =>
  page.$eval('[data-testid="demands"]', (element) => (element as HTMLElement).innerText);

/** Pulls a handle of a figure by so many pixels, in steps, as a hand would. */
async function pullHandle(page: Page, handle: string, by: { x: number; y: number }): Promise<void> {
  const place = await page.$eval(`[data-handle="${handle}"]`, (element) => {
    element.scrollIntoView({ block: "center" });
    const { x, y, width, height } = element.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
  await page.mouse.move(place.x, place.y);
  await page.mouse.down();
  await page.mouse.move(place.x + by.x, place.y + by.y, { steps: 8 });
  await page.mouse.up();
}

async function rename(page: Page, name: string): Promise<void> {
  const field = await page.waitForSelector('form input[maxlength="60"]');
  await field?.click({ count: 3 });
  await page.keyboard.type(name);
}

test("a new movement is made by pulling, saved, exported, deleted, brought back, and asks the same", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/movements/settling-breath/studio`, { waitUntil: "networkidle0" });
  await seeText(page, "Built-in movements stay as they are; your changes are saved as a copy.");
  const before = await demandsOf(page);

  await pullHandle(page, "front rightHand", { x: -10, y: -70 });
  await page.waitForFunction(
    (was) => (document.querySelector('[data-testid="demands"]') as HTMLElement).innerText !== was,
    {},
    before,
  );
  const pulled = await demandsOf(page);
  expect(pulled).not.toBe(before);
  // One pull is one change.
  await click(page, "Undo");
  expect(await demandsOf(page)).toBe(before);
  await click(page, "Redo");
  expect(await demandsOf(page)).toBe(pulled);

  await rename(page, "Harbour greeting");
  await click(page, "Save as a copy");
  await seeText(page, "Added by you");
  expect(page.url()).toBe(`${serverUrl()}/movements/harbour-greeting/studio`);
  expect(await demandsOf(page)).toBe(pulled);

  const exported = await fetch(`${serverUrl()}/movements/harbour-greeting/file`, {
    headers: { Cookie: await cookieOf(serverUrl(), organisation) },
  });
  const path = join(mkdtempSync(join(tmpdir(), "able-tide-studio-")), "harbour-greeting.json");
  writeFileSync(path, await exported.text());
  expect(JSON.parse(readFileSync(path, "utf8"))).toMatchObject({ id: "harbour-greeting", name: { en: "Harbour greeting" } });

  await click(page, "Delete movement");
  await seeText(page, "64 movements. All figures");
  const input = await page.$('input[type="file"]');
  await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(path);
  await click(page, "Import");
  await seeText(page, "Harbour greeting imported.");
  await page.goto(`${serverUrl()}/movements/harbour-greeting/studio`, { waitUntil: "networkidle0" });
  expect(await demandsOf(page)).toBe(pulled);
  expect(problems).toEqual([]);
});

test("typed values do what pulling does, and a movement in a plan is not deleted", async () => {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/movements/small-knee-bends/studio`, { waitUntil: "networkidle0" });
  const before = await demandsOf(page);
  const sink = await page.waitForSelector("#value-sink");
  await sink?.click({ count: 3 });
  await page.keyboard.type("12");
  expect(await demandsOf(page)).not.toBe(before);
  await rename(page, "Gentle knee bends");
  await click(page, "Save as a copy");
  await seeText(page, "Added by you");
  const { scope, groupId } = organisation;
  await addPlan(scope, { groupId, day: "2026-10-14", blocks: [{ id: "b1", movementId: "gentle-knee-bends", rounds: 4 }] });
  await click(page, "Delete movement");
  await seeText(page, "This movement is used in a plan. Remove it from the plan first.");
});

test("a movement is taught by a name of our own, found by both, and taken along with others in one file", async () => {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/movements/turn-the-ball/studio`, { waitUntil: "networkidle0" });
  await page.type('input[name="ownName"]', "Round the lamp");
  await click(page, "Save name");
  await page.waitForFunction(() => document.querySelector("h1")?.textContent === "Round the lamp");
  for (const words of ["lamp", "ball"]) {
    await page.goto(`${serverUrl()}/movements?words=${words}`, { waitUntil: "networkidle0" });
    await seeText(page, "Round the lamp");
  }
  const exported = await fetch(`${serverUrl()}/movements/file?words=lamp`, {
    headers: { Cookie: await cookieOf(serverUrl(), organisation) },
  });
  expect(await exported.json()).toMatchObject({
    format: "able-tide/movements",
    movements: [{ id: "turn-the-ball", name: { en: "Turn the ball", own: "Round the lamp" } }],
  });
});

test("a foot is pulled off the floor, the movement saved with it, and a wrong weight is refused in words", async () => {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/movements/settling-breath/studio`, { waitUntil: "networkidle0" });
  const poses = () => page.$$eval('ol[aria-label="Key poses along the repetition"] button', (buttons) => buttons.length);
  const before = await poses();
  await pullHandle(page, "side rightFoot", { x: 30, y: -50 });
  // The weight has to go over first and to come back afterwards: two key poses more.
  await page.waitForFunction(
    (count) => document.querySelectorAll('ol[aria-label="Key poses along the repetition"] button').length === count,
    {},
    before + 2,
  );
  await seeText(page, "Time on one leg");
  await rename(page, "Breath on one leg");
  await click(page, "Save as a copy");
  await seeText(page, "Added by you");
  expect(await poses()).toBe(before + 2);

  await click(page, "2");
  const weight = await page.waitForSelector("#value-weight");
  await weight?.click({ count: 3 });
  await page.keyboard.type("0.5");
  await click(page, "Save");
  await seeText(page, "shift weight to the other foot first");
});

test("the numbers are for the body that is chosen, and for what it holds", async () => {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/movements/quiet-feet/studio`, { waitUntil: "networkidle0" });
  const choose = async (label: string, option: string) => {
    const found = await page.evaluateHandle(
      (wanted) =>
        [...document.querySelectorAll("aside label")]
          .find((each) => each.textContent?.startsWith(wanted))
          ?.querySelector("select"),
      label,
    );
    await (found as unknown as { select: (value: string) => Promise<void> }).select(option);
  };
  const free = await demandsOf(page);
  await choose("Variant", "supported");
  const oneHand = await demandsOf(page);
  expect(oneHand).not.toBe(free);
  await choose("Using support", "2");
  expect(await demandsOf(page)).not.toBe(oneHand);
  await choose("Variant", "water");
  await seeText(page, "Standing");
  await choose("Variant", "seated");
  await seeText(page, "This variant uses the standing key poses.");
  await click(page, "Create separate key poses");
  await seeText(page, "This variant has its own key poses.");
  // What is changed there now leaves the standing form as it was.
  const seated = await demandsOf(page);
  await click(page, "Leading arm");
  await click(page, "Leading arm");
  const elevation = await page.waitForSelector("#value-leadArm-elevation");
  await elevation?.click({ count: 3 });
  await page.keyboard.type("120");
  expect(await demandsOf(page)).not.toBe(seated);
  await choose("Variant", "standing");
  expect(await demandsOf(page)).toBe(free);
});

test("a movement that turns round is made here, and is planned, printed and taught one way and the other", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await addSomebody(organisation, "Kerensa");
  await page.goto(`${serverUrl()}/movements/shoulder-circles/studio`, { waitUntil: "networkidle0" });
  await click(page, "Purpose, stance and variants");
  await page.evaluate(() => {
    const label = [...document.querySelectorAll("label")].find(({ innerText }) => innerText.startsWith("Direction"));
    const select = label?.querySelector("select") ?? document.getElementById(label?.htmlFor ?? "");
    if (select) select.dataset["chosen"] = "direction";
  });
  await page.select('[data-chosen="direction"]', "halves");
  await rename(page, "Shoulder rounds");
  await click(page, "Save as a copy");
  await page.waitForFunction(() => location.pathname === "/movements/shoulder-rounds/studio");

  const blocks = [{ id: "b1", movementId: "shoulder-rounds", rounds: 5 }];
  const { scope, groupId } = organisation;
  const planId = await addPlan(scope, { groupId, day: "2026-11-11", breathSeconds: 8, blocks });
  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  await seeText(page, "3 one way, 2 the other way");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await seeText(page, "3/2");
  await click(page, "Teach");
  await click(page, "Mark everyone as here");
  await click(page, "Start class");
  await seeText(page, "Direction one way");
  await click(page, "Next");
  await seeText(page, "Now the other way.");
  await seeText(page, "of 2");
  expect(problems).toEqual([]);
});
