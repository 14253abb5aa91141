import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { capHistory } from "../server/people/caps.ts";
import { setFirstCaps } from "../server/people/newcomers.ts";
import { findPerson } from "../server/people/people.ts";
import { click, openBrowser, openPage, seeText, signIn } from "./browser.ts";
import { addSomebody, now, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

const NAMES = ["Senara", "Merryn", "Tam"] as const;

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
const ids = new Map<string, string>();
const problems: string[] = [];

beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
  for (const name of NAMES) {
    const id = await addSomebody(organisation, name);
    await setFirstCaps(organisation.scope, id);
    ids.set(name, id);
  }
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

/** The control of someone's row with some name. */
const controlOf = (name: string, what: string) =>
  page.evaluateHandle(
    (person, ending) =>
      [...document.querySelectorAll("fieldset")]
        .find((row) => row.querySelector("legend")?.textContent === person)
        ?.querySelector(`[name$=".${ending}"]`) as HTMLElement,
    name,
    what,
  );

async function tick(name: string, what: "known" | "well"): Promise<void> {
  await (await controlOf(name, what)).click();
}

async function fill(name: string, what: "day" | "sessions" | "stage", value: string): Promise<void> {
  const control = await controlOf(name, what);
  if (what === "stage") await control.select(value);
  else if (what === "sessions") await control.type(value);
  else
    await control.evaluate((input, typed) => {
      (input as HTMLInputElement).value = typed;
    }, value);
}

const isReleased = async (name: string) => (await findPerson(organisation.scope, ids.get(name) ?? ""))?.released;

test("participants who are known are ticked each on their own; the others keep their newcomer caps", async () => {
  await page.goto(`${serverUrl()}/groups`, { waitUntil: "networkidle0" });
  await click(page, "Harbour Wednesday");
  await click(page, "Participants you know from before");
  await seeText(page, "Tick a participant only if");
  // Nothing is ticked or filled in beforehand.
  const ticked = await page.$$eval(
    'form input[type="checkbox"]',
    (boxes) => boxes.filter((box) => (box as HTMLInputElement).checked).length,
  );
  expect(ticked).toBe(0);

  const tested = now().toISOString().slice(0, 10);
  for (const name of ["Senara", "Merryn"]) {
    await tick(name, "known");
    await fill(name, "stage", "semiTandem");
    await fill(name, "day", tested);
  }
  await fill("Senara", "sessions", "12");
  await tick("Senara", "well");
  await fill("Merryn", "sessions", "2");
  await click(page, "End newcomer caps for those ticked");
  // Merryn's row is refused beside its fields; nothing typed is lost, and no one is released.
  await seeText(page, "Newcomer caps end after 3 sessions");
  await seeText(page, "Tick this only if there was none");
  expect(await (await controlOf("Merryn", "sessions")).evaluate((input) => (input as HTMLInputElement).value)).toBe("2");
  expect(await (await controlOf("Senara", "well")).evaluate((input) => (input as HTMLInputElement).checked)).toBe(true);
  expect(await isReleased("Senara")).toBe(false);

  await tick("Merryn", "known");
  await click(page, "End newcomer caps for those ticked");
  await seeText(page, "Newcomer caps ended for 1 participant");
  expect(await Promise.all(NAMES.map(isReleased))).toEqual([true, false, false]);
  const caps = await capHistory(organisation.scope, ids.get("Senara") ?? "");
  const words = caps.filter(({ origin }) => origin === "newcomer").map(({ ended }) => ended?.because);
  expect(words.length).toBeGreaterThan(0);
  expect(new Set(words)).toEqual(new Set(["known from 12 sessions before, no fall or illness since"]));
  const levels = caps.filter(({ ended, limit }) => ended === null && limit.channel === "steadiness");
  expect(levels).toHaveLength(1);
  // Whoever is released leaves the list once the page has read it again.
  await expect
    .poll(() => page.$$eval("legend", (legends) => legends.map(({ textContent }) => textContent)))
    .toEqual(["Merryn", "Tam"]);
  expect(problems).toEqual([]);
});
