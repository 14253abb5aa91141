import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { openBrowser, openPage, pressOn, seeText, signInByKeys, tabTo, typeInto } from "./browser.ts";
import { ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

/** Words of the grid's cells in one row, as a screen reader has them. */
const cellsOf = (page: Page, name: string): Promise<string[]> =>
  page.$$eval(
    "td button",
    (buttons, start) => buttons.map((button) => button.ariaLabel ?? "").filter((words) => words.startsWith(start)),
    `${name},`,
  );

async function addSoreShoulder(page: Page) {
  await pressOn(page, "Participants");
  await seeText(page, "No participants yet");
  await pressOn(page, "Add participant");
  await typeInto(page, "Preferred name", "Lowenna");
  await typeInto(page, "Birth year", "1950");
  await typeInto(page, "Height", "162");
  await typeInto(page, "Weight", "64");
  await pressOn(page, "Harbour Wednesday", "Space");
  await pressOn(page, "Add participant");
  await seeText(page, "Active caps today");
  // She is known from before: three clean sessions elsewhere, and ten seconds on one leg.
  await pressOn(page, "New participant");
  await tabTo(page, "Four-stage balance test");
  await page.keyboard.type("On one leg");
  await typeInto(page, "Do you already know this participant?", "Taught her for two winters.");
  await pressOn(page, "End newcomer caps");
  await pressOn(page, "Standard caps");
  await seeText(page, "Balance demand: up to 8 out of 10");
  // The form is ready for a right hand no higher than the shoulder.
  await pressOn(page, "Set a cap");
  await typeInto(page, "Why", "sore right shoulder");
  await typeInto(page, "Set by", "the clinic");
  await pressOn(page, "Set cap");
  await seeText(page, "Right hand: up to shoulder height sore right shoulder; source: the clinic");
}

async function planThree(page: Page) {
  await pressOn(page, "Plans");
  await seeText(page, "No upcoming sessions");
  await tabTo(page, "Start from");
  await page.keyboard.type("Empty");
  await pressOn(page, "Create plan");
  await seeText(page, "No movements yet");
  await page.keyboard.press("/");
  for (const movement of ["Settling breath", "Lift and part the arms", "Gather and close"]) {
    await tabTo(page, "Search movements");
    await page.keyboard.type(movement.slice(0, 12));
    await page.keyboard.press("Enter");
  }
  await page.waitForSelector('table[aria-busy="false"]');
  await seeText(page, "Saved");
}

async function teach(page: Page) {
  await pressOn(page, "Teach");
  await seeText(page, "Who is here, and how are they?");
  await page.keyboard.press("1");
  await seeText(page, "1 of 1");
  await page.keyboard.press("Space");
  await seeText(page, "Settling breath");
  await page.keyboard.press("Space");
  await seeText(page, "right hand to shoulder");
  await page.keyboard.press("1");
  await seeText(page, "Left the class");
  await page.keyboard.press("w");
  await seeText(page, "Lost balance");
  await page.keyboard.press("Space");
  await page.keyboard.press("Space");
  await seeText(page, "Leave safely");
  await tabTo(page, "0, sitting still");
  for (let step = 0; step < 4; step += 1) await page.keyboard.press("ArrowRight");
  await typeInto(page, "Note", "Quiet and kind.");
  await pressOn(page, "End class");
  await seeText(page, "Class record");
  await seeText(page, "Quiet and kind.");
  await seeText(page, "Lost balance, Lift and part the arms");
}

async function recordResult(page: Page) {
  await pressOn(page, "Progress");
  await pressOn(page, "Lowenna");
  await seeText(page, "Record a one-leg stand test");
  await typeInto(page, "Trial 1", "11.5");
  await page.keyboard.press("Tab");
  await page.keyboard.type("14.2");
  await pressOn(page, "Save result");
  await seeText(page, "All results (1)");
}

test("with the keyboard alone: a sore shoulder, a plan, a class, a result on the chart", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signInByKeys(page, serverUrl(), organisation);
  await addSoreShoulder(page);
  await planThree(page);

  await page.keyboard.press("Escape");
  await page.keyboard.press("g");
  await page.waitForSelector('table[aria-busy="false"] [data-cell]');
  const cells = await cellsOf(page, "Lowenna");
  expect(cells).toHaveLength(3);
  expect(cells[0]).toBe("Lowenna, Settling breath: standing variant, full range");
  expect(cells[1]).toMatch(
    /^Lowenna, Lift and part the arms: standing variant, \d\d% of full range, less on the right, right hand to shoulder$/,
  );
  await tabTo(page, "Lowenna, Settling breath");
  await page.keyboard.press("ArrowRight");
  await seeText(page, "Right hand: up to shoulder height (sore right shoulder; source: the clinic).");
  expect(await page.$eval('[data-testid="duration"]', (element) => element.textContent)).toMatch(/^\d+:\d\d$/);

  await teach(page);
  await recordResult(page);
  const chart = await page.waitForSelector('[role="img"][aria-label^="One-leg stand of Lowenna"]');
  expect(await chart?.evaluate((element) => element.ariaLabel)).toContain("right 14.2 s on Tuesday 13 October");
  // The point itself, its norm and the cap under it are drawn.
  await page.waitForFunction(() => document.querySelectorAll('[aria-label^="One-leg stand"] svg path').length > 10);
  const drawn = await chart?.evaluate((element) => [...element.querySelectorAll("text")].map((text) => text.textContent));
  expect(drawn).toContain("right hand to shoulder");
  expect(drawn).toContain("mean for the age, 21.5 s");
  expect(problems).toEqual([]);
});
