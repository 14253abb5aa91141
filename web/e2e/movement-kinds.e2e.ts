import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { listMovements } from "../server/movements/movements.ts";
import { addPlan } from "../server/plans/plans.ts";
import { choose, click, openBrowser, openPage, seeText, showEveryone, signIn } from "./browser.ts";
import { addSomebody, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Kind Harbour")]);
  await addSomebody(organisation, "Kerensa");
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

/** Opens a shipped movement in the editor, and what is chosen there. */
async function openEditor(page: Page, movementId: string): Promise<void> {
  await page.goto(`${serverUrl()}/movements/${movementId}/studio`, { waitUntil: "networkidle0" });
  await click(page, "Purpose, stance and variants");
}

/** Saves what is edited as an organisation's own movement. @returns its id */
async function saveAs(page: Page, name: string): Promise<string> {
  const field = await page.waitForSelector('form input[maxlength="60"]');
  await field?.click({ count: 3 });
  await page.keyboard.type(name);
  const id = name.toLowerCase().replaceAll(" ", "-");
  await click(page, "Save as a copy");
  await page.waitForFunction((at) => location.pathname === at, {}, `/movements/${id}/studio`);
  return id;
}

/** A plan of one movement. @returns its id */
const planOf = (movementId: string, day: string, breathSeconds = 8): Promise<string> =>
  addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day,
    breathSeconds,
    blocks: [{ id: "b1", movementId, rounds: 4 }],
  });

/** Teaches the plan on the board from its first movement on. */
async function teach(page: Page): Promise<void> {
  await click(page, "Teach");
  await click(page, "Mark everyone as here");
  await click(page, "Start class");
}

test("a movement that can be held is made here, held in levels on the board, printed, and counted in class", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await openEditor(page, "scoop-and-lift");
  await choose(page, "Timed hold", "1");
  const id = await saveAs(page, "Scoop and stay");
  const planId = await planOf(id, "2026-11-11", 4);
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Scoop and stay");
  await choose(page, "Repeat or hold", "hold");
  await seeText(page, "Hold 10 s");
  await click(page, "Add a level");
  await choose(page, "How far in level 1", "0.5");
  await choose(page, "Seconds of level 2", "15");
  await choose(page, "How far in level 2", "1");
  await seeText(page, "1 hold: 10 s half way, 15 s all the way");
  await seeText(page, "25 s");
  await seeText(page, "Saved");
  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  await seeText(page, "1 hold: 10 s half way, 15 s all the way");
  await seeText(page, "Count the seconds aloud.");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await teach(page);
  await seeText(page, "Demonstration");
  // A new movement is shown for the better part of a minute.
  await seeText(page, "half way", 120_000);
  await seeText(page, "Further, hold");
  expect(problems).toEqual([]);
});

test("a movement with its breath, its words and its attention is breathed two to one with a pause", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await openEditor(page, "scoop-and-lift");
  await choose(page, "Attention", "feet");
  await click(page, "2");
  await choose(page, "Breath", "both");
  const said = await page.waitForFunction(() =>
    [...document.querySelectorAll("label")]
      .find(({ innerText }) => innerText.startsWith("Said on the way here"))
      ?.querySelector("input"),
  );
  await (said.asElement() as ElementHandle<HTMLInputElement> | null)?.click({ count: 3 });
  await page.keyboard.type("sink with a whole breath");
  const id = await saveAs(page, "Scoop with breath");
  const planId = await planOf(id, "2026-11-12");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Scoop with breath");
  await click(page, "Sides, variant, pace, explanation");
  const length = () => page.$eval("aside", (element) => /repetitions (\d+) s/.exec(element.innerText)?.[1]);
  const before = Number(await length());
  await choose(page, "Breaths", "2");
  await page.waitForFunction(
    (was) => Number(/repetitions (\d+) s/.exec(document.querySelector("aside")?.innerText ?? "")?.[1]) === 2 * was,
    {},
    before,
  );
  await choose(page, "Breath pause", "bottom 2");
  await page.waitForFunction(
    (was) => Number(/repetitions (\d+) s/.exec(document.querySelector("aside")?.innerText ?? "")?.[1]) > 2 * was,
    {},
    before,
  );
  await seeText(page, "Saved");
  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  await seeText(page, "Attention on the feet.");
  await seeText(page, "sink with a whole breath");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await teach(page);
  await seeText(page, "Attention on the feet.");
  expect(problems).toEqual([]);
});

test("hands are laid on the chest in the editor, a palm turned away, and the movement is planned, printed and taught", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await openEditor(page, "warm-the-low-back");
  await click(page, "2");
  await choose(page, "Hand rests on", "chest");
  await choose(page, "Palm", "away");
  const id = await saveAs(page, "Palm to the chest");
  await page.goto(`${serverUrl()}/movements/${id}/file`, { waitUntil: "networkidle0" }).catch(() => null);
  const saved = (await listMovements(organisation.scope)).find(({ movement }) => movement.id === id)?.movement;
  expect(saved?.keys[1]?.leadArm).toMatchObject({ anchor: "chest", palm: "away" });
  const planId = await planOf(id, "2026-11-13");
  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  await seeText(page, "Palm to the chest");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await teach(page);
  await seeText(page, "Palm to the chest");
  expect(problems.filter((problem) => !problem.includes("ERR_ABORTED"))).toEqual([]);
});

test("a foot turns on its ball in the editor; the movement is planned, grows, is done in the mind, printed and taught", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await openEditor(page, "turn-on-the-heel");
  await choose(page, "Feet turn", "ball");
  await click(page, "3");
  await click(page, "Legs and feet");
  const turn = await page.waitForSelector("#value-turn-leadFoot", { visible: true });
  await turn?.click({ count: 3 });
  await page.keyboard.type("25");
  await page.keyboard.press("Tab");
  const id = await saveAs(page, "Turn on the ball");
  const saved = (await listMovements(organisation.scope)).find(({ movement }) => movement.id === id)?.movement;
  expect(saved?.pivot).toBe("ball");
  expect(saved?.keys[2]?.leadFoot?.turn).toBe(25);
  const planId = await planOf(id, "2026-11-14", 4);
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Turn on the ball");
  await click(page, "Begin half way, then further each time");
  await seeText(page, "Saved");
  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  await seeText(page, "Begin half way. Go a little further each time.");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "In the mind only");
  await seeText(page, "in mind");
  await seeText(page, "Saved");
  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  await seeText(page, "in the mind only");
  await seeText(page, "Picture the movement");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await teach(page);
  await seeText(page, "Picture the movement and breathe with it.");
  expect(problems).toEqual([]);
});

test("a walk along the hall is made here, planned with its room, printed, and turned round in class", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await openEditor(page, "walk-the-length");
  await seeText(page, "Each repetition ends 43 cm further ahead.");
  const stepTo = async (key: string, field: string, centimetres: string) => {
    await click(page, key);
    const box = await page.waitForSelector(`#value-ahead-${field}`);
    if (!(await box?.evaluate((input) => input.closest("details")?.open))) await click(page, "Legs and feet");
    await box?.evaluate((input) => {
      (input as HTMLInputElement).focus();
      (input as HTMLInputElement).select();
    });
    await page.keyboard.type(centimetres);
    await page.keyboard.press("Tab");
  };
  await stepTo("3", "leadFoot", "15");
  await stepTo("5", "trailFoot", "30");
  await stepTo("7", "leadFoot", "30");
  await seeText(page, "Each repetition ends 30 cm further ahead.");
  const id = await saveAs(page, "Short walk");
  const planId = await planOf(id, "2026-11-16", 4);
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Short walk");
  await seeText(page, "Each repetition ends 30 cm further ahead.");
  await seeText(page, "Turn round and walk back.");
  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  await seeText(page, "on the way back");
  await page.goto(`${serverUrl()}/plans/${planId}/printouts/set-up`, { waitUntil: "networkidle0" });
  await seeText(page, "Walks need free floor around everyone:");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await teach(page);
  await seeText(page, "Walk slowly ahead, turn round at the end and walk back.");
  await click(page, "Next");
  await seeText(page, "turn round by the");
  expect(problems).toEqual([]);
});

test("a walk there and back is planned, printed and taught", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  const planId = await planOf("three-steps-and-back", "2026-11-15", 4);
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await seeText(page, "Three steps and back");
  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  await seeText(page, "walk three steps back");
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await teach(page);
  await seeText(page, "Three steps and back");
  expect(problems).toEqual([]);
});

test("one participant does a movement in the mind, on the board and in class", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  const planId = await planOf("shift-and-press", "2026-11-17", 4);
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await showEveryone(page);
  await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
  await page.click('[data-cell="0 0"]');
  await choose(page, "Variant for Kerensa (within the caps)", "mind");
  await seeText(page, "Picture it, breathe along, nothing moves.");
  await seeText(page, "Saved");
  await teach(page);
  await seeText(page, "picture it, breathe along, nothing moves");
  expect(problems).toEqual([]);
});
