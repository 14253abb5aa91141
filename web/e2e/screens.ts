// Long because it is the list of every view, one after another, with how each is reached.
import type { ElementHandle, Page } from "puppeteer-core";
import { click, seeText, showEveryone } from "./browser.ts";
import { serverUrl } from "./organisation.ts";

/** Every view of the demo data for the instructor who is signed in, in an order in which each is reached from the one before. */
export const SCREENS: readonly (readonly [name: string, reach: (page: Page) => Promise<void>])[] = [
  ["today", async (page) => void (await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" }))],
  ["people", async (page) => void (await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" }))],
  [
    "a person, with the form of a cap",
    async (page) => {
      await click(page, "Marit");
      await seeText(page, "Active caps today");
      await click(page, "Set a cap");
      await click(page, "firm, since");
      await click(page, "Standard caps");
    },
  ],
  [
    "a limitation with its proposals",
    async (page) => {
      await click(page, "Add limitation");
      await seeText(page, "Choose a limitation");
      await page.select('[name="rule"]', "neckPain");
      await click(page, "Show suggested caps");
      await seeText(page, "Neck turn to either side: up to 45°");
    },
  ],
  [
    "a clearance",
    async (page) => {
      await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
      await click(page, "Brannoc");
      await click(page, "Add clearance");
      await seeText(page, "Caps in this clearance");
    },
  ],
  [
    "measured ranges",
    async (page) => {
      await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
      await click(page, "Henrike");
      await click(page, "Measured ranges");
      await seeText(page, "As measured");
    },
  ],
  [
    "the caps of another day",
    async (page) => {
      await click(page, "Back to Henrike");
      await click(page, "Cap history");
      await seeText(page, "All changes");
    },
  ],
  [
    "what is known of a person",
    async (page) => {
      await click(page, "Back to Henrike");
      await click(page, "Edit details");
      await seeText(page, "Emergency facts (shared with consent)");
    },
  ],
  [
    "a person on one page",
    async (page) => {
      await click(page, "Back to Henrike");
      await click(page, "Print summary");
      await seeText(page, "Hide reasons");
    },
  ],
  ["groups and places", async (page) => void (await page.goto(`${serverUrl()}/groups`, { waitUntil: "networkidle0" }))],
  [
    "participants who are known",
    async (page) => {
      await page.$eval('a[href$="/known"]', (link) => (link as HTMLAnchorElement).click());
      await seeText(page, "Tick a participant only if");
    },
  ],
  ["the account", async (page) => void (await page.goto(`${serverUrl()}/account`, { waitUntil: "networkidle0" }))],
  [
    "a second factor",
    async (page) => void (await page.goto(`${serverUrl()}/account/second-factor`, { waitUntil: "networkidle0" })),
  ],
  [
    "the organisation",
    async (page) => {
      await page.goto(`${serverUrl()}/organisation`, { waitUntil: "networkidle0" });
      await click(page, "Role, password and access");
    },
  ],
  ["thresholds", async (page) => void (await page.goto(`${serverUrl()}/organisation/thresholds`, { waitUntil: "networkidle0" }))],
  [
    "the record of changes",
    async (page) => void (await page.goto(`${serverUrl()}/organisation/record`, { waitUntil: "networkidle0" })),
  ],
  ["retention", async (page) => void (await page.goto(`${serverUrl()}/organisation/retention`, { waitUntil: "networkidle0" }))],
  ["deleting", async (page) => void (await page.goto(`${serverUrl()}/organisation/delete`, { waitUntil: "networkidle0" }))],
  [
    "correcting a class",
    async (page) => {
      await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" });
      await page.click('a[href^="/classes/"]');
      await click(page, "Correct the record");
      await seeText(page, "A note that is missing");
      await click(page, "Was not there");
      await click(page, "Withdraw this class");
    },
  ],
  ["the archive", async (page) => void (await page.goto(`${serverUrl()}/archive`, { waitUntil: "networkidle0" }))],
  [
    "erasing someone",
    async (page) => {
      await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
      await click(page, "Osei");
      await click(page, "Export, archive or erase");
      await click(page, "Erase Osei for good");
      await seeText(page, "What is kept, and why");
    },
  ],
  ["first steps: a venue", async (page) => void (await page.goto(`${serverUrl()}/start/venue`, { waitUntil: "networkidle0" }))],
  ["first steps: a group", async (page) => void (await page.goto(`${serverUrl()}/start/group`, { waitUntil: "networkidle0" }))],
  ["first steps: people", async (page) => void (await page.goto(`${serverUrl()}/start/people`, { waitUntil: "networkidle0" }))],
  ["first steps: a plan", async (page) => void (await page.goto(`${serverUrl()}/start/plan`, { waitUntil: "networkidle0" }))],
  ["files", async (page) => void (await page.goto(`${serverUrl()}/people/files`, { waitUntil: "networkidle0" }))],
  ["the table", async (page) => void (await page.goto(`${serverUrl()}/table`, { waitUntil: "networkidle0" }))],
  ["a new person", async (page) => void (await page.goto(`${serverUrl()}/people/new`, { waitUntil: "networkidle0" }))],
  ["combinations", async (page) => void (await page.goto(`${serverUrl()}/combinations`, { waitUntil: "networkidle0" }))],
  ["movements", async (page) => void (await page.goto(`${serverUrl()}/movements`, { waitUntil: "networkidle0" }))],
  [
    "the studio",
    async (page) => {
      await page.goto(`${serverUrl()}/movements/shift-and-press/studio`, { waitUntil: "networkidle0" });
      await seeText(page, "Save as a copy");
    },
  ],
  ["plans", async (page) => void (await page.goto(`${serverUrl()}/plans`, { waitUntil: "networkidle0" }))],
  [
    "the plan board",
    async (page) => {
      await click(page, "Wednesday 14 October");
      await page.waitForSelector('section[aria-label^="Versions of"]', { timeout: 120_000 });
    },
  ],
  [
    "the plan board, with a person chosen",
    async (page) => {
      await showEveryone(page);
      await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
      await click(page, "Osei, One leg");
      await seeText(page, "Balance demand: up to");
    },
  ],
  [
    "the keys of the board",
    async (page) => {
      await page.keyboard.press("?");
      await seeText(page, "Keyboard shortcuts");
    },
  ],
  [
    "how to read the board",
    async (page) => {
      await page.keyboard.press("Escape");
      await page.keyboard.press("Escape");
      await click(page, "How to read this");
      await seeText(page, "Broken circle: rests");
    },
  ],
  [
    "a block's settings",
    async (page) => {
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
    async (page) => {
      await page.select('select[aria-label="Teaching style"]', "Even keel");
      await seeText(page, "Changes if you use Even keel");
    },
  ],
  [
    "proposals",
    async (page) => {
      await page.keyboard.press("Escape");
      await page.keyboard.press("j");
      await click(page, "Draft a plan");
      await seeText(page, "Three drafts", 90_000);
    },
  ],
  [
    "a script",
    async (page) => {
      await page.keyboard.press("Escape");
      await click(page, "Script");
      await seeText(page, "Leave safely.");
    },
  ],
  [
    "large cards",
    async (page) => {
      await click(page, "Large cards");
      await seeText(page, "1 of 19");
    },
  ],
  [
    "the sheets of a plan",
    async (page) => {
      await click(page, "Back to the plan");
      await click(page, "Printouts");
      await seeText(page, "Participant cards");
    },
  ],
  [
    "the helper's sheet",
    async (page) => {
      await click(page, "For the helper");
      await seeText(page, "for the helper", 60_000);
    },
  ],
  [
    "setting up",
    async (page) => {
      await click(page, "All printouts");
      await click(page, "Set-up");
      await seeText(page, "Check before every class");
    },
  ],
  [
    "a person's card in large type",
    async (page) => {
      await click(page, "All printouts");
      await click(page, "Ruud");
      await click(page, "Large type");
      await seeText(page, "Remember each time");
    },
  ],
  [
    "who stands where",
    async (page) => {
      await click(page, "Back to the plan");
      await click(page, "Floor plan");
      await seeText(page, "Room to move");
    },
  ],
  [
    "two people compared",
    async (page) => {
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
    async (page) => {
      await page.keyboard.press("Escape");
      await click(page, "Revisions");
      await seeText(page, "Earlier revisions");
    },
  ],
  [
    "copying or moving a plan",
    async (page) => {
      await click(page, "Copy, move or delete");
      await seeText(page, "Copy this plan to another day");
    },
  ],
  ["the calendar", async (page) => void (await page.goto(`${serverUrl()}/calendar`, { waitUntil: "networkidle0" }))],
  ["taking a plan in", async (page) => void (await page.goto(`${serverUrl()}/plans/import`, { waitUntil: "networkidle0" }))],
  [
    "teaching styles",
    async (page) => {
      await page.goto(`${serverUrl()}/styles`, { waitUntil: "networkidle0" });
      await click(page, "Kittiwake way");
    },
  ],
  [
    "weeks",
    async (page) => {
      await page.goto(`${serverUrl()}/progress`, { waitUntil: "networkidle0" });
      await click(page, "Osei");
      await seeText(page, "Variants used by Osei");
      await page.waitForSelector('[aria-label^="One-leg stand"] svg');
    },
  ],
  [
    "arrivals",
    async (page) => {
      await page.goto(`${serverUrl()}/plans`, { waitUntil: "networkidle0" });
      await click(page, "Wednesday 14 October");
      await page.waitForSelector('[data-testid="board"]');
      await click(page, "Teach");
      await seeText(page, "Who is here, and how are they?");
    },
  ],
  [
    "a check-in",
    async (page) => {
      await click(page, "Osei: more");
      await seeText(page, "Osei today");
    },
  ],
  [
    "somebody new",
    async (page) => {
      await page.keyboard.press("Escape");
      await click(page, "Add someone new");
      await seeText(page, "Add to class");
    },
  ],
  [
    "a movement in class",
    async (page) => {
      await page.keyboard.press("Escape");
      await click(page, "Mark everyone as here");
      await click(page, "Start class");
      await click(page, "Next");
      await page.waitForSelector('[aria-label="Participants and next movement"] section');
    },
  ],
  ["a person in class", async (page) => void (await click(page, "Marit"))],
  [
    "stop",
    async (page) => {
      await page.keyboard.press("Escape");
      await click(page, "Stop");
      await seeText(page, "Everyone sits.");
    },
  ],
  [
    "today, with a class in progress",
    async (page) => {
      await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" });
      await seeText(page, "is in progress.");
    },
  ],
  [
    "the end of a class",
    async (page) => {
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
    async (page) => {
      await page.goto(`${serverUrl()}/`, { waitUntil: "networkidle0" });
      await click(page, "Monday Chairs, Monday 12 October");
      await seeText(page, "Class record");
    },
  ],
  [
    "sign in",
    async (page) => {
      await click(page, "Sign out");
      await seeText(page, "Sign in to your groups.");
    },
  ],
];
