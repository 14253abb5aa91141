// Long because it is the list of every view, each opened, checked by axe and enlarged.
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { connect } from "../server/database.ts";
import { loadDemo } from "../server/demo/load-demo.ts";
import { drawFrames, problemsAtAllSizes } from "./axe.ts";
import { click, openBrowser, openPage, seeText, showEveryone, signIn } from "./browser.ts";
import { now, serverUrl } from "./organisation.ts";

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

const SCREENS: readonly (readonly [name: string, reach: () => Promise<void>])[] = [
  ["today", async () => void (await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" }))],
  ["people", async () => void (await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" }))],
  [
    "a person, with the form of a cap",
    async () => {
      await click(page, "Marit");
      await seeText(page, "Active caps today");
      await click(page, "Set a cap");
      await click(page, "firm, since");
      await click(page, "Standard caps");
    },
  ],
  [
    "a limitation with its proposals",
    async () => {
      await click(page, "Add limitation");
      await seeText(page, "Choose a limitation");
      await page.select('[name="rule"]', "neckPain");
      await click(page, "Show suggested caps");
      await seeText(page, "Neck turn to either side: up to 45°");
    },
  ],
  [
    "a clearance",
    async () => {
      await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
      await click(page, "Brannoc");
      await click(page, "Add clearance");
      await seeText(page, "Caps in this clearance");
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
      await click(page, "Cap history");
      await seeText(page, "All changes");
    },
  ],
  [
    "what is known of a person",
    async () => {
      await click(page, "Back to Henrike");
      await click(page, "Edit details");
      await seeText(page, "Emergency facts (shared with consent)");
    },
  ],
  [
    "a person on one page",
    async () => {
      await click(page, "Back to Henrike");
      await click(page, "Print summary");
      await seeText(page, "Hide reasons");
    },
  ],
  ["groups and places", async () => void (await page.goto(`${serverUrl()}/groups`, { waitUntil: "networkidle0" }))],
  [
    "participants who are known",
    async () => {
      await page.$eval('a[href$="/known"]', (link) => (link as HTMLAnchorElement).click());
      await seeText(page, "Tick a participant only if");
    },
  ],
  ["the account", async () => void (await page.goto(`${serverUrl()}/account`, { waitUntil: "networkidle0" }))],
  ["a second factor", async () => void (await page.goto(`${serverUrl()}/account/second-factor`, { waitUntil: "networkidle0" }))],
  [
    "the organisation",
    async () => {
      await page.goto(`${serverUrl()}/organisation`, { waitUntil: "networkidle0" });
      await click(page, "Role, password and access");
    },
  ],
  ["thresholds", async () => void (await page.goto(`${serverUrl()}/organisation/thresholds`, { waitUntil: "networkidle0" }))],
  [
    "the record of changes",
    async () => void (await page.goto(`${serverUrl()}/organisation/record`, { waitUntil: "networkidle0" })),
  ],
  ["retention", async () => void (await page.goto(`${serverUrl()}/organisation/retention`, { waitUntil: "networkidle0" }))],
  ["deleting", async () => void (await page.goto(`${serverUrl()}/organisation/delete`, { waitUntil: "networkidle0" }))],
  [
    "correcting a class",
    async () => {
      await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" });
      await page.click('a[href^="/classes/"]');
      await click(page, "Correct the record");
      await seeText(page, "A note that is missing");
      await click(page, "Was not there");
      await click(page, "Withdraw this class");
    },
  ],
  ["the archive", async () => void (await page.goto(`${serverUrl()}/archive`, { waitUntil: "networkidle0" }))],
  [
    "erasing someone",
    async () => {
      await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
      await click(page, "Osei");
      await click(page, "Export, archive or erase");
      await click(page, "Erase Osei for good");
      await seeText(page, "What is kept, and why");
    },
  ],
  ["first steps: a venue", async () => void (await page.goto(`${serverUrl()}/start/venue`, { waitUntil: "networkidle0" }))],
  ["first steps: a group", async () => void (await page.goto(`${serverUrl()}/start/group`, { waitUntil: "networkidle0" }))],
  ["first steps: people", async () => void (await page.goto(`${serverUrl()}/start/people`, { waitUntil: "networkidle0" }))],
  ["first steps: a plan", async () => void (await page.goto(`${serverUrl()}/start/plan`, { waitUntil: "networkidle0" }))],
  ["files", async () => void (await page.goto(`${serverUrl()}/people/files`, { waitUntil: "networkidle0" }))],
  ["the table", async () => void (await page.goto(`${serverUrl()}/table`, { waitUntil: "networkidle0" }))],
  ["a new person", async () => void (await page.goto(`${serverUrl()}/people/new`, { waitUntil: "networkidle0" }))],
  ["combinations", async () => void (await page.goto(`${serverUrl()}/combinations`, { waitUntil: "networkidle0" }))],
  ["movements", async () => void (await page.goto(`${serverUrl()}/movements`, { waitUntil: "networkidle0" }))],
  [
    "the studio",
    async () => {
      await page.goto(`${serverUrl()}/movements/shift-and-press/studio`, { waitUntil: "networkidle0" });
      await seeText(page, "Save as a copy");
    },
  ],
  ["plans", async () => void (await page.goto(`${serverUrl()}/plans`, { waitUntil: "networkidle0" }))],
  [
    "the plan board",
    async () => {
      await click(page, "Wednesday 14 October");
      await page.waitForSelector('section[aria-label^="Versions of"]', { timeout: 120_000 });
    },
  ],
  [
    "the plan board, with a person chosen",
    async () => {
      await showEveryone(page);
      await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
      await click(page, "Osei, One leg");
      await seeText(page, "Balance demand: up to");
    },
  ],
  [
    "the keys of the board",
    async () => {
      await page.keyboard.press("?");
      await seeText(page, "Keyboard shortcuts");
    },
  ],
  [
    "how to read the board",
    async () => {
      await page.keyboard.press("Escape");
      await page.keyboard.press("Escape");
      await click(page, "How to read this");
      await seeText(page, "Broken circle: rests");
    },
  ],
  [
    "a block's settings",
    async () => {
      await page.keyboard.press("Escape");
      await page.waitForFunction(() => document.querySelector('[role="dialog"]') === null);
      await page.keyboard.press("j");
      await click(page, "Sides, variant, pace, explanation");
      // What to mind is worked out beside the first fit of everyone, on a machine that runs many tests.
      const more = await page.waitForFunction(
        () =>
          [...document.querySelectorAll("summary, button")].find(({ textContent }) =>
            /^\d+ (more )?checks?/.test(textContent?.trim() ?? ""),
          ),
        { timeout: 90_000 },
      );
      await (more.asElement() as ElementHandle<HTMLElement> | null)?.click();
    },
  ],
  [
    "what another style changes",
    async () => {
      await page.select('select[aria-label="Teaching style"]', "Even keel");
      await seeText(page, "Changes if you use Even keel");
    },
  ],
  [
    "proposals",
    async () => {
      await page.keyboard.press("Escape");
      await page.keyboard.press("j");
      await click(page, "Draft a plan");
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
      await seeText(page, "1 of 19");
    },
  ],
  [
    "the sheets of a plan",
    async () => {
      await click(page, "Back to the plan");
      await click(page, "Printouts");
      await seeText(page, "Participant cards");
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
      await click(page, "All printouts");
      await click(page, "Set-up");
      await seeText(page, "Check before every class");
    },
  ],
  [
    "a person's card in large type",
    async () => {
      await click(page, "All printouts");
      await click(page, "Ruud");
      await click(page, "Large type");
      await seeText(page, "Remember each time");
    },
  ],
  [
    "who stands where",
    async () => {
      await click(page, "Back to the plan");
      await click(page, "Floor plan");
      await seeText(page, "Room to move");
    },
  ],
  [
    "two people compared",
    async () => {
      await click(page, "Back to the plan");
      await showEveryone(page);
      await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
      await page.click('[data-cell="0 1"]');
      await click(page, "Compare with another participant");
      await seeText(page, "Compare two participants");
    },
  ],
  [
    "earlier revisions",
    async () => {
      await page.keyboard.press("Escape");
      await click(page, "Revisions");
      await seeText(page, "Earlier revisions");
    },
  ],
  [
    "copying or moving a plan",
    async () => {
      await click(page, "Copy, move or delete");
      await seeText(page, "Copy this plan to another day");
    },
  ],
  ["the calendar", async () => void (await page.goto(`${serverUrl()}/calendar`, { waitUntil: "networkidle0" }))],
  ["taking a plan in", async () => void (await page.goto(`${serverUrl()}/plans/import`, { waitUntil: "networkidle0" }))],
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
      await page.goto(`${serverUrl()}/progress`, { waitUntil: "networkidle0" });
      await click(page, "Osei");
      await seeText(page, "Variants used by Osei");
      await page.waitForSelector('[aria-label^="One-leg stand"] svg');
    },
  ],
  [
    "arrivals",
    async () => {
      await page.goto(`${serverUrl()}/plans`, { waitUntil: "networkidle0" });
      await click(page, "Wednesday 14 October");
      await page.waitForSelector('[data-testid="board"]');
      await click(page, "Teach");
      await seeText(page, "Who is here, and how are they?");
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
      await click(page, "Add someone new");
      await seeText(page, "Add to class");
    },
  ],
  [
    "a movement in class",
    async () => {
      await page.keyboard.press("Escape");
      await click(page, "Mark everyone as here");
      await click(page, "Start class");
      await click(page, "Next");
      await page.waitForSelector('[aria-label="Participants and next movement"] section');
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
    "today, with a class in progress",
    async () => {
      await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" });
      await seeText(page, "is in progress.");
    },
  ],
  [
    "the end of a class",
    async () => {
      await click(page, "Return to class");
      await page.waitForSelector('[aria-label="Participants and next movement"] section');
      for (let step = 0; step < 60; step += 1) {
        if (await page.evaluate(() => document.body.innerText.includes("How was the class?"))) break;
        await page.keyboard.press("Space");
      }
      await seeText(page, "How was the class?");
    },
  ],
  [
    "what happened",
    async () => {
      await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" });
      await click(page, "Monday Chairs, Monday 12 October");
      await seeText(page, "Class record");
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

test.each(SCREENS)("%s: no serious violation and nothing scrolls sideways, at three sizes and at 200 %%", async (_, reach) => {
  await reach();
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
