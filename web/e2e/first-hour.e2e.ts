import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { problemsAtAllSizes } from "./axe.ts";
import { click, openBrowser, openPage, pressOn, seeText, tabTo, typeInto } from "./browser.ts";
import { type OwnDatabase, ownDatabase } from "./own-database.ts";
import { type OwnServer, startOwnServer } from "./own-server.ts";

/** A field that is filled in, a choice that is made, or a key or button that is pressed. */
const MOST_INTERACTIONS = 60;

/** Milliseconds. */
const DRAFTED_IN = 240_000;

const OWNER = { email: "elowen@quay.example", password: "brass otter lantern" } as const;
const FOUR = [
  "Ada Penrose, 1948, 164, 68",
  "Jory Vane, 1951, 172, 81",
  "Morwenna Tull, 1939, 158, 55",
  "Perran Hale, 1945, 169, 77",
].join("\n");

let own: OwnDatabase;
let server: OwnServer;
let browser: Browser;
const problems: string[] = [];
beforeAll(async () => {
  own = await ownDatabase("able_tide_first_hour");
  [server, browser] = await Promise.all([startOwnServer({ databaseUrl: own.url }), openBrowser()]);
});
afterAll(async () => {
  await browser?.close();
  await server?.kill();
  await own?.drop();
});

/** A person at the keyboard, who counts what they do; Tab is how they get there. */
function atKeyboard(page: Page) {
  let interactions = 0;
  const counted =
    <Given extends unknown[]>(act: (...given: Given) => Promise<void>) =>
    (...given: Given): Promise<void> => {
      interactions += 1;
      return act(...given);
    };
  return {
    fill: counted((label: string, text: string) => typeInto(page, label, text)),
    /** Fills in a field anew that was filled in before. */
    refill: counted(async (label: string, text: string) => {
      await tabTo(page, label);
      await page.keyboard.down("Control");
      await page.keyboard.press("KeyA");
      await page.keyboard.up("Control");
      await page.keyboard.type(text);
    }),
    press: counted((words: string) => pressOn(page, words)),
    key: counted((key: "Space" | "1" | "ArrowRight") => page.keyboard.press(key)),
    see: (words: string) => seeText(page, words),
    count: () => interactions,
  };
}

test("from an empty database to a taught class in one sitting, by keyboard alone", async () => {
  const page = await openPage(browser, problems);
  const person = atKeyboard(page);
  const { fill, refill, press, key, see } = person;
  await page.goto(server.setUpLink ?? "", { waitUntil: "networkidle0" });
  expect(await problemsAtAllSizes(page)).toEqual([]);

  await fill("Organisation", "Quay Movement");
  await fill("Your name", "Elowen");
  await fill("Email", OWNER.email);
  await fill("Choose a password", "quaymovement1");
  await press("Set up");
  await see("This password is easy to guess.");
  await refill("Choose a password", OWNER.password);
  await press("Set up");

  await see("First steps: Venue");
  await fill("Name", "Net loft");
  await press("Add venue");

  await see("First steps: Group");
  await fill("Name", "Tuesday quay");
  await fill("Meets on", "Tuesday");
  await press("Add group");

  await see("First steps: Participants");
  await fill("A line for each participant", FOUR.replace("1951", "51"));
  await press("Add participants");
  await see("Line 2: Enter a birth year of 1905 or later.");
  await refill("A line for each participant", FOUR);
  await press("Add participants");
  await see("4 participants: Ada Penrose, Jory Vane");
  await press("Go on to the first plan");

  await see("First steps: First plan");
  await press("Draft the first plan");
  // Three plans are drafted and everyone is fitted to each, beside everything else that is tested.
  await seeText(page, "Tide line", DRAFTED_IN);
  await page.waitForSelector('table[aria-busy="false"]');
  await press("Teach");

  await see("Who is here, and how are they?");
  await key("1");
  await see("1 of 4");
  await key("Space");
  await see("1 of");
  for (let step = 0; step < 30 && !(await page.evaluate(() => document.body.innerText.includes("End class"))); step += 1) {
    await key("Space");
    await new Promise((resolve) => setTimeout(resolve, 300));
  }
  await see("End class");
  await tabTo(page, "0, sitting still");
  await key("ArrowRight");
  await key("ArrowRight");
  await press("End class");
  await see("Class record");
  expect(person.count()).toBeLessThan(MOST_INTERACTIONS);
});

test("the set-up address is good no more, and no one founds a further organisation here", async () => {
  for (const path of [new URL(server.setUpLink ?? "").pathname, "/set-up"]) {
    const response = await fetch(server.base + path);
    expect([response.status, path]).toEqual([404, path]);
    expect(await response.text()).toContain("This address has expired or was already used.");
  }
  const again = await startOwnServer({ databaseUrl: own.url });
  expect(again.setUpLink).toBeNull();
  await again.kill();
});

test("where the installation says so, someone founds a further one, and goes on with the guide from Today", async () => {
  const open = await startOwnServer({ databaseUrl: own.url, env: { FOUNDING: "open" } });
  try {
    const page = await openPage(browser, problems);
    await page.goto(`${open.base}/set-up`, { waitUntil: "networkidle0" });
    await typeInto(page, "Organisation", "Slip Movement");
    await typeInto(page, "Your name", "Elowen");
    await typeInto(page, "Email", OWNER.email);
    await typeInto(page, "Choose a password", OWNER.password);
    await click(page, "Set up");
    await seeText(page, "First steps: Venue");
    await typeInto(page, "Name", "Warm pool");
    await click(page, "A pool");
    await seeText(page, "8 m from the shallow to the deep end, 32 °C.");
    await click(page, "Add venue");
    await seeText(page, "First steps: Group");
    await click(page, "Finish later");
    await seeText(page, "1 of 4 done.");
    await click(page, "Go on");
    await seeText(page, "First steps: Group");
    expect(await page.$eval('input[name="inWater"]', (box) => (box as HTMLInputElement).checked)).toBe(true);
    await click(page, "Close this guide");
    await seeText(page, "No groups yet. Add a group");
  } finally {
    await open.kill();
  }
});

test("the browser reported no script errors", () => expect(problems).toEqual([]));
