import { AxePuppeteer } from "@axe-core/puppeteer";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { connect } from "../server/database.ts";
import { loadDemo } from "../server/demo/load-demo.ts";
import { click, openBrowser, openPage, seeText, signIn } from "./browser.ts";
import { now, serverUrl } from "./organisation.ts";

const DEMO = { email: "ines@kittiwake.example", password: "low-water-mark" } as never;

/** Fourteen weeks of two groups are taught anew, beside everything else that is being tested. Milliseconds. */
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

const SERIOUS = ["serious", "critical"];

async function seriousViolations(): Promise<string[]> {
  const { violations } = await new AxePuppeteer(page)
    .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"])
    .analyze();
  return violations
    .filter(({ impact }) => SERIOUS.includes(impact ?? ""))
    .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(" | ")}`);
}

/** At 200 % zoom a 1280 pixel wide window has room for 640. */
async function scrollsSideways(): Promise<boolean> {
  await page.setViewport({ width: 640, height: 800 });
  const wide = await page.evaluate(() => document.documentElement.scrollWidth > document.documentElement.clientWidth + 1);
  await page.setViewport({ width: 1280, height: 800 });
  return wide;
}

const SCREENS: readonly (readonly [name: string, reach: () => Promise<void>])[] = [
  ["today", async () => void (await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" }))],
  ["people", async () => void (await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" }))],
  [
    "a person, with the form of a cap",
    async () => {
      await click(page, "Marit");
      await seeText(page, "What holds today, and why");
      await click(page, "Set a cap");
      await click(page, "firm, since");
      await click(page, "One by one, with the reasons");
    },
  ],
  [
    "a limitation with its proposals",
    async () => {
      await click(page, "A limitation");
      await seeText(page, "What is the matter?");
      await page.select('[name="rule"]', "neckPain");
      await click(page, "Show what it means");
      await seeText(page, "Neck turns either way 45° at most");
    },
  ],
  [
    "a clearance",
    async () => {
      await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
      await click(page, "Brannoc");
      await click(page, "Enter a clearance");
      await seeText(page, "Limits it sets");
    },
  ],
  [
    "measured ranges",
    async () => {
      await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
      await click(page, "Henrike");
      await click(page, "Measured ranges");
      await seeText(page, "As measured");
    },
  ],
  [
    "the caps of another day",
    async () => {
      await click(page, "Back to Henrike");
      await click(page, "What were the caps on another day?");
      await seeText(page, "Every change");
    },
  ],
  [
    "what is known of a person",
    async () => {
      await click(page, "Back to Henrike");
      await click(page, "Change what is known");
      await seeText(page, "Emergency facts the person agrees to share");
    },
  ],
  [
    "a person on one page",
    async () => {
      await click(page, "Back to Henrike");
      await click(page, "One page to print");
      await seeText(page, "Without the reasons");
    },
  ],
  ["groups and places", async () => void (await page.goto(`${serverUrl()}/groups`, { waitUntil: "networkidle0" }))],
  ["the house", async () => void (await page.goto(`${serverUrl()}/house`, { waitUntil: "networkidle0" }))],
  ["files", async () => void (await page.goto(`${serverUrl()}/people/files`, { waitUntil: "networkidle0" }))],
  ["the table", async () => void (await page.goto(`${serverUrl()}/table`, { waitUntil: "networkidle0" }))],
  ["a new person", async () => void (await page.goto(`${serverUrl()}/people/new`, { waitUntil: "networkidle0" }))],
  ["movements", async () => void (await page.goto(`${serverUrl()}/movements`, { waitUntil: "networkidle0" }))],
  [
    "the studio",
    async () => {
      await page.goto(`${serverUrl()}/movements/shift-and-press/studio`, { waitUntil: "networkidle0" });
      await seeText(page, "Save as our own");
    },
  ],
  ["plans", async () => void (await page.goto(`${serverUrl()}/plans`, { waitUntil: "networkidle0" }))],
  [
    "the plan board, with a person chosen",
    async () => {
      await click(page, "Wednesday 14 October");
      await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
      await click(page, "Osei, One leg");
      await seeText(page, "Steadiness stops at");
    },
  ],
  [
    "the keys of the board",
    async () => {
      await page.keyboard.press("?");
      await seeText(page, "Keys of this screen");
    },
  ],
  [
    "a block's settings",
    async () => {
      await page.keyboard.press("Escape");
      await page.keyboard.press("j");
      await click(page, "sides, form, pace, talk");
      // What to mind is worked out beside the first fit of everybody, on a machine that runs many tests.
      await seeText(page, "2 more to mind", 90_000);
      await click(page, "2 more to mind");
    },
  ],
  [
    "what another style changes",
    async () => {
      await page.select('select[aria-label="Teaching style"]', "Even keel");
      await seeText(page, "What Even keel changes");
    },
  ],
  [
    "proposals",
    async () => {
      await page.keyboard.press("Escape");
      await page.keyboard.press("j");
      await click(page, "Propose");
      await seeText(page, "Three drafts", 90_000);
    },
  ],
  [
    "a script",
    async () => {
      await page.keyboard.press("Escape");
      await click(page, "Script");
      await seeText(page, "Leave safely.");
    },
  ],
  [
    "large cards",
    async () => {
      await click(page, "Large cards");
      await seeText(page, "1 of 16");
    },
  ],
  [
    "the sheets of a plan",
    async () => {
      await click(page, "Back to the plan");
      await click(page, "Sheets");
      await seeText(page, "A card for each person");
    },
  ],
  [
    "the helper's sheet",
    async () => {
      await click(page, "For the helper");
      await seeText(page, "for the helper", 60_000);
    },
  ],
  [
    "setting up",
    async () => {
      await click(page, "All sheets");
      await click(page, "Setting up");
      await seeText(page, "Ticked each time");
    },
  ],
  [
    "a person's card in large type",
    async () => {
      await click(page, "All sheets");
      await click(page, "Ruud");
      await click(page, "Large type");
      await seeText(page, "Mind, each time");
    },
  ],
  [
    "who stands where",
    async () => {
      await click(page, "Back to the plan");
      await click(page, "Places");
      await seeText(page, "Room to move");
    },
  ],
  [
    "two people compared",
    async () => {
      await click(page, "Back to the plan");
      await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
      await page.click('[data-cell="0 1"]');
      await click(page, "Compare with another");
      await seeText(page, "Two people, one plan");
    },
  ],
  [
    "earlier versions",
    async () => {
      await page.keyboard.press("Escape");
      await click(page, "Versions");
      await seeText(page, "Earlier versions");
    },
  ],
  ["the calendar", async () => void (await page.goto(`${serverUrl()}/calendar`, { waitUntil: "networkidle0" }))],
  ["taking a plan in", async () => void (await page.goto(`${serverUrl()}/plans/take-in`, { waitUntil: "networkidle0" }))],
  [
    "teaching styles",
    async () => {
      await page.goto(`${serverUrl()}/styles`, { waitUntil: "networkidle0" });
      await click(page, "Kittiwake way");
    },
  ],
  [
    "weeks",
    async () => {
      await page.goto(`${serverUrl()}/weeks`, { waitUntil: "networkidle0" });
      await click(page, "Osei");
      await seeText(page, "The forms Osei was on");
      await page.waitForSelector('[aria-label^="One-leg stand"] svg');
    },
  ],
  [
    "arrivals",
    async () => {
      await page.goto(`${serverUrl()}/plans`, { waitUntil: "networkidle0" });
      await click(page, "Wednesday 14 October");
      await click(page, "Teach");
      await seeText(page, "Who is here, and how?");
    },
  ],
  [
    "a check-in",
    async () => {
      await click(page, "Osei: more");
      await seeText(page, "Osei today");
    },
  ],
  [
    "somebody new",
    async () => {
      await page.keyboard.press("Escape");
      await click(page, "Somebody new");
      await seeText(page, "Take them in");
    },
  ],
  [
    "a movement in class",
    async () => {
      await page.keyboard.press("Escape");
      await click(page, "Everybody is here");
      await click(page, "Begin");
      await click(page, "Next");
      await seeText(page, "differently just now");
    },
  ],
  ["a person in class", async () => void (await click(page, "Marit"))],
  [
    "stop",
    async () => {
      await page.keyboard.press("Escape");
      await click(page, "Stop");
      await seeText(page, "Everyone sits.");
    },
  ],
  [
    "the end of a class",
    async () => {
      await page.keyboard.press("Escape");
      for (let step = 0; step < 60; step += 1) {
        if (await page.evaluate(() => document.body.innerText.includes("How was it?"))) break;
        await page.keyboard.press("Space");
      }
      await seeText(page, "How was it?");
    },
  ],
  [
    "what happened",
    async () => {
      await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" });
      await click(page, "Monday Chairs, Monday 12 October");
      await seeText(page, "What happened");
    },
  ],
  [
    "sign in",
    async () => {
      await click(page, "Sign out");
      await seeText(page, "Sign in to your groups.");
    },
  ],
];

test.each(SCREENS)("%s: no serious violation, and nothing scrolls sideways at 200 %%", async (_, reach) => {
  await reach();
  expect(await seriousViolations()).toEqual([]);
  expect(await scrollsSideways()).toBe(false);
});

test("with reduced motion the figure stands as a strip of key poses", async () => {
  await signIn(page, serverUrl(), DEMO);
  await page.emulateMediaFeatures([{ name: "prefers-reduced-motion", value: "reduce" }]);
  await page.goto(`${serverUrl()}/plans`, { waitUntil: "networkidle0" });
  await click(page, "7 Oct");
  await page.waitForSelector("aside svg");
  const before = await page.$eval("aside", (panel) => panel.innerHTML);
  await new Promise((resolve) => setTimeout(resolve, 1500));
  expect(await page.$eval("aside", (panel) => panel.innerHTML)).toBe(before);
});
