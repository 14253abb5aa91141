import { classState } from "@able-tide/core/class/events";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { classOfPlan, listEvents } from "../server/classes/classes.ts";
import { addPlan } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, seeText, signIn } from "./browser.ts";
import { addSomebody, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";
import { startOwnServer } from "./own-server.ts";

let browser: Browser;
let organisation: TestOrganisation;
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
  for (const name of ["Perran", "Tegen"]) await addSomebody(organisation, name);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

const planFor = (day: string) =>
  addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day,
    breathSeconds: 8,
    blocks: [
      { id: "b1", movementId: "settling-breath", rounds: 4 },
      { id: "b2", movementId: "shift-and-press", rounds: 4 },
    ],
  });

/** Teaches up to the second movement's right side, with Tegen here and one note. */
async function teachToTheMiddle(page: Page, base: string, planId: string): Promise<void> {
  await page.goto(`${base}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Teach");
  await seeText(page, "Who is here, and how are they?");
  await click(page, "Tegen");
  await seeText(page, "1 of 2");
  await click(page, "Start class");
  await seeText(page, "Settling breath");
  await page.keyboard.press("Space");
  await seeText(page, "Shift and press");
  await page.keyboard.press("2");
  await seeText(page, "Left the class");
  await page.keyboard.press("d");
  // The sheet names every sign: what is noted stands beside the name once it is closed.
  await page.waitForFunction(() => !document.body.innerText.includes("Left the class"));
  await seeText(page, "Dizzy");
}

async function seeTheMiddle(page: Page): Promise<void> {
  await seeText(page, "Shift and press");
  await seeText(page, "Dizzy");
  await seeText(page, "right");
  expect(await page.evaluate(() => document.body.innerText)).not.toContain("Perran");
}

test("reloading in the middle of a class loses nothing", async () => {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
  await teachToTheMiddle(page, serverUrl(), await planFor("2026-10-14"));
  await page.reload();
  await seeTheMiddle(page);
});

test("what is noted while the network is dead arrives when it is back, also after a reload", async () => {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
  await teachToTheMiddle(page, serverUrl(), await planFor("2026-10-21"));
  await seeText(page, "All saved");
  await page.setOfflineMode(true);
  await page.keyboard.press("2");
  await seeText(page, "Left the class");
  await page.keyboard.press("r");
  await seeText(page, "1 saved on this device, not sent yet");
  await page.setOfflineMode(false);
  await page.reload();
  await seeText(page, "Rested");
  await seeText(page, "All saved");
});

test("a check-in while the network is dead is kept, the class begins all the same, and it arrives", async () => {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
  const planId = await planFor("2026-11-04");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Teach");
  await seeText(page, "Who is here, and how are they?");
  await page.setOfflineMode(true);
  await page.keyboard.press("2");
  await page.keyboard.press("l");
  await seeText(page, "Takes part: lighter today");
  await seeText(page, "No connection. Answers are saved on this device. Variants have not been updated yet.");
  await click(page, "Start class");
  await seeText(page, "Settling breath");
  await page.setOfflineMode(false);
  await seeText(page, "All saved");
  const taught = await classOfPlan(organisation.scope, planId);
  const { checkIns, step } = classState(await listEvents(organisation.scope, taught?.id ?? ""));
  expect([...checkIns.values()].map(({ answers }) => answers.overall)).toEqual(["lighter"]);
  expect(step).toBe(0);
});

test("a class begun while today's forms are being worked out begins with them", async () => {
  const page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/plans/${await planFor("2026-11-11")}`, { waitUntil: "networkidle0" });
  await click(page, "Teach");
  await seeText(page, "Who is here, and how are they?");
  await page.keyboard.press("2");
  await page.keyboard.press("l");
  await page.keyboard.press("Space");
  await seeText(page, "2 of 4 repetitions");
  expect(await page.evaluate(() => document.body.innerText)).not.toContain("Something went wrong");
});

/** Two servers are started one after the other, beside everything else that is tested. Milliseconds. */
const SERVERS_START_IN = 300_000;

test(
  "a server killed in the middle of a class shows it where it was when it is started again",
  async () => {
    const first = await startOwnServer();
    const { base } = first;
    const page = await openPage(browser, []);
    await signIn(page, base, organisation);
    await teachToTheMiddle(page, base, await planFor("2026-10-28"));
    await seeText(page, "All saved");
    await first.kill();
    // Noted while the server is dead.
    await page.keyboard.press("2");
    await seeText(page, "Left the class");
    await page.keyboard.press("p");
    await seeText(page, "1 saved on this device, not sent yet");

    const second = await startOwnServer({ port: first.port });
    await seeText(page, "All saved");
    await page.reload();
    await seeTheMiddle(page);
    await seeText(page, "Pain");
    // Another device sees it too: it is not only this browser that remembers.
    const other = await openPage(browser, []);
    await signIn(other, base, organisation);
    await other.goto(page.url());
    await seeText(other, "Pain");
    await second.kill();
  },
  SERVERS_START_IN,
);
