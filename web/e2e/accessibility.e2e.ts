import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { connect } from "../server/database.ts";
import { loadDemo } from "../server/demo/load-demo.ts";
import { drawFrames, problemsAtAllSizes } from "./axe.ts";
import { click, openBrowser, openPage, signIn } from "./browser.ts";
import { now, serverUrl } from "./organisation.ts";
import { SCREENS } from "./screens.ts";

const DEMO = { email: "ines@kittiwake.example", password: "low-water-mark" } as never;

/** Fourteen weeks of two groups are taught anew, next to everything else that is tested. Milliseconds. */
const DEMO_LOADS_IN = 400_000;

let browser: Browser;
let page: Page;
beforeAll(async () => {
  const database = connect(process.env["TEST_DATABASE_URL"] ?? "");
  await loadDemo(database, now());
  await database.destroy();
  browser = await openBrowser();
  page = await openPage(browser, []);
  await signIn(page, serverUrl(), DEMO);
}, DEMO_LOADS_IN);
afterAll(() => browser.close());

test.each(SCREENS)("%s: no serious violation and nothing scrolls sideways, at three sizes and at 200 %%", async (_, reach) => {
  await reach(page);
  expect(await problemsAtAllSizes(page)).toEqual([]);
});

test("with reduced motion the figure stands as a strip of key poses", async () => {
  await signIn(page, serverUrl(), DEMO);
  await page.emulateMediaFeatures([{ name: "prefers-reduced-motion", value: "reduce" }]);
  await page.goto(`${serverUrl()}/plans`, { waitUntil: "networkidle0" });
  await click(page, "7 Oct");
  await page.waitForSelector("aside svg");
  const before = await page.$eval("aside", (panel) => panel.innerHTML);
  await drawFrames(page, 90);
  expect(await page.$eval("aside", (panel) => panel.innerHTML)).toBe(before);
});
