// Long because its tests follow one another on one board.
import { itemAt, present } from "@able-tide/core/checked-access";
import { USUAL_STYLE } from "@able-tide/core/plan/style";
import { cuesOf } from "@able-tide/words/cues";
import { variantWords } from "@able-tide/words/variant-words";
import ICAL from "ical.js";
import type { Browser, Page } from "puppeteer-core";
import { extractText } from "unpdf";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { findFittedPlan } from "../server/plans/fitted-plan.ts";
import { addPlan, changePlan, findPlan, type PlanInput } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, pressOn, seeText, signIn } from "./browser.ts";
import { addSomebody, cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
const problems: string[] = [];
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
  await addSomebody(organisation, "Senara");
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

async function openPlan(day: string, input: PlanInput): Promise<string> {
  const { scope, groupId } = organisation;
  const planId = await addPlan(scope, { groupId, day, ...input });
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  return planId;
}

const orderShown = (): Promise<string[]> =>
  page.$$eval('ol[aria-label="Session timeline"] button > span:first-child', (names) =>
    names.map((name) => name.textContent ?? ""),
  );
const clockOf = (name: string): Promise<string> =>
  page.$$eval(
    'ol[aria-label="Session timeline"] button',
    (buttons, wanted) =>
      buttons
        .find((button) => button.textContent?.startsWith(wanted))
        ?.querySelector("span:last-child")
        ?.innerHTML.split("<br>")[1] ?? "",
    name,
  );
const duration = (): Promise<string> => page.$eval('[data-testid="duration"]', (element) => element.textContent ?? "");
const totals = (): Promise<string> => page.$eval('[aria-label="Left and right"]', (list) => (list as HTMLElement).innerText);
const panel = (): Promise<string> => page.$eval("aside", (aside) => (aside as HTMLElement).innerText);
const saved = () =>
  page.waitForFunction(() => [...document.querySelectorAll('[role="status"]')].some((note) => note.textContent === "Saved"));
const secondsOf = (text: string): number => {
  const [minutes = 0, seconds = 0] = text.split(":").map(Number);
  return 60 * minutes + seconds;
};

test("a thirty-minute standing plan is built by keys alone, and mended to its minutes", async () => {
  const planId = await openPlan("2026-11-04", { style: { ...USUAL_STYLE, counting: "together" } });
  const names = [
    "Settling breath",
    "Open and gather",
    "Shoulder circles",
    "Trunk turn",
    "Hips draw a circle",
    "Side to side weight",
    "Shift and press",
    "Scoop and lift",
    "Lift and part",
    "Side drift",
    "Step ahead",
    "Gather and close",
    "Warm hands",
  ];
  await page.keyboard.press("/");
  for (const name of names) {
    await page.keyboard.type(name);
    await page.keyboard.press("Enter");
  }
  expect(await orderShown()).toHaveLength(names.length);
  await page.keyboard.press("Escape");
  await page.waitForFunction(() => document.body.innerText.includes("over 30 min"));
  await page.keyboard.press("n");
  await pressOn(page, "Suggested fixes, in order");
  await page.waitForSelector("[data-radix-popper-content-wrapper] li");
  const steps = await page.$$eval("[data-radix-popper-content-wrapper] li", (items) => items.length);
  // The last step takes all that are above it.
  for (let step = 1; step < steps; step += 1) await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  const minutes = secondsOf(await duration()) / 60;
  expect(minutes).toBeLessThanOrEqual(30);
  expect(minutes).toBeGreaterThan(28.5);
  await saved();
  await page.reload({ waitUntil: "networkidle0" });
  expect(secondsOf(await duration()) / 60).toBeCloseTo(minutes, 3);
  expect((await findPlan(organisation.scope, planId))?.blocks.length).toBeGreaterThan(6);
});

const THREE: PlanInput = {
  blocks: [
    { id: "b1", movementId: "settling-breath", rounds: 6 },
    { id: "b2", movementId: "shift-and-press", rounds: 6 },
    { id: "b3", movementId: "small-knee-bends", rounds: 6 },
    { id: "b4", movementId: "gather-and-close", rounds: 6 },
  ],
};

async function middleOf(selector: string, name: string) {
  const boxes = await page.$$eval(
    selector,
    (elements, wanted) =>
      elements
        .filter((element) => element.textContent?.startsWith(wanted))
        .map((element) => {
          const { x, y, width, height } = element.getBoundingClientRect();
          return { x: x + width / 2, y: y + height / 2, right: x + width };
        }),
    name,
  );
  const [box] = boxes;
  if (!box) throw new Error(`no ${name} to be seen`);
  return box;
}

describe("while something is being pulled everything follows", () => {
  test("a block to another place: order, clock and seam change under the hand, and it is one thing to undo", async () => {
    await openPlan("2026-11-11", THREE);
    await click(page, "Small knee bends");
    const before = { order: await orderShown(), clock: await clockOf("Shift and press"), seam: await panel() };
    const from = await middleOf('ol[aria-label="Session timeline"] button', "Small knee bends");
    const to = await middleOf('ol[aria-label="Session timeline"] button', "Settling breath");
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x - 20, from.y, { steps: 4 });
    await page.mouse.move(to.x - 10, to.y, { steps: 12 });
    await page.waitForFunction(
      () =>
        document.querySelector('ol[aria-label="Session timeline"] button')?.textContent?.startsWith("Small knee bends") ?? false,
    );
    // The hand still holds it.
    expect(await orderShown()).not.toEqual(before.order);
    expect(await clockOf("Shift and press")).not.toBe(before.clock);
    // The panel follows once the hand rests.
    await expect.poll(panel, { timeout: 20_000 }).not.toBe(before.seam);
    await page.mouse.up();
    await page.keyboard.down("Control");
    await page.keyboard.press("z");
    await page.keyboard.up("Control");
    expect(await orderShown()).toEqual(before.order);
  });

  test("the edge of a block: rounds, totals and the clock change", async () => {
    await openPlan("2026-11-12", THREE);
    const before = { duration: await duration(), totals: await totals() };
    const box = await middleOf('ol[aria-label="Session timeline"] button', "Shift and press");
    await page.mouse.move(box.right - 5, box.y);
    await page.mouse.down();
    await page.mouse.move(box.right + 75, box.y, { steps: 8 });
    expect(secondsOf(await duration())).toBeGreaterThan(secondsOf(before.duration));
    expect(await totals()).not.toBe(before.totals);
    await page.mouse.up();
  });
});

test("a seam that cannot be says why, and is mended in one touch", async () => {
  await openPlan("2026-11-13", THREE);
  await click(page, "Shift and press");
  await page.keyboard.press("j");
  await seeText(page, "Needs a pause: participants stand with feet hip-width apart, but this movement starts with");
  await click(page, "Add a transition");
  await page.waitForFunction(() => !document.body.innerText.includes("Needs a pause"));
  expect(await panel()).toContain("foot forward");
});

test("one side alone is asked about and evened out in one touch", async () => {
  await openPlan("2026-11-16", {
    style: { ...USUAL_STYLE, counting: "together" },
    blocks: [{ id: "b1", movementId: "shift-and-press", rounds: 6, only: "left" }],
  });
  await seeText(page, "Left 6, right 0 repetitions, mainly because of Shift and press");
  await click(page, "Do both sides");
  await seeText(page, "L 6 · R 6");
});

test("another style first shows what it changes; the arithmetic follows when it is taken on", async () => {
  await openPlan("2026-11-17", THREE);
  const before = await totals();
  await page.select('select[aria-label="Teaching style"]', "Long swell");
  await seeText(page, "Changes if you use Long swell");
  await seeText(page, "Counting: each side counts one → left and right together count one");
  expect(await totals()).toBe(before);
  await click(page, "Use this style");
  await page.waitForFunction(
    (was) => (document.querySelector('[aria-label="Left and right"]') as HTMLElement | null)?.innerText !== was,
    {},
    before,
  );
});

test("a combination is taught in parts, joined, and with few words: a tile for each part, then one for each joined pass", async () => {
  await openPlan("2026-11-18", THREE);
  await click(page, "Shift and press");
  await page.type("aside fieldset input", "Harbour wall");
  await click(page, "Combine");
  const [, press = "", bends = "", ...after] = await orderShown();
  expect(press).toBe("Shift and press");
  expect(bends).toMatch(/^Small knee bends/);
  const joined = `${press} + ${bends}`;
  expect(after.slice(0, 2)).toEqual([joined, joined]);
  expect(after).toHaveLength(3);
  await seeText(page, "Harbour wall");
});

test("a proposal is taken, changed, and printed with every cue on it", async () => {
  const { scope } = organisation;
  const planId = await openPlan("2026-11-25", { style: { ...USUAL_STYLE, speech: "everyPhrase" }, purpose: "steadiness" });
  await click(page, "Draft a plan");
  await page.waitForFunction(() => document.body.innerText.includes("Draft 1"), { timeout: 90_000 });
  await click(page, "Use this draft");
  await page.waitForFunction(() => document.querySelectorAll('ol[aria-label="Session timeline"] button').length > 5);
  const [first = ""] = await orderShown();
  await click(page, first);
  await page.keyboard.press("+");
  await saved();

  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  const { text, totalPages } = await extractText(await page.pdf({ format: "A4" }), { mergePages: true });
  const printed = text.replace(/\s+/g, " ");
  const { plan, reading, sheet } = present(await findFittedPlan(scope, planId), "plan");
  reading.blocks.forEach((block, i) => {
    const { shownVariant } = itemAt(sheet.items, i);
    const { opening, phrases } = cuesOf(block, shownVariant, plan.style);
    const { name } = variantWords(block.movement, shownVariant);
    for (const words of [name, ...opening, ...phrases]) expect(printed).toContain(words);
  });
  expect(totalPages).toBeLessThanOrEqual(3);
  await page.goto(`${serverUrl()}/plans/${planId}/script?cards=yes`, { waitUntil: "networkidle0" });
  const size = await page.$eval("li p.font-display", (name) => Number.parseFloat(getComputedStyle(name).fontSize));
  expect(size).toBeGreaterThan(40);
});

test("an earlier revision says what going back changes, and comes back", async () => {
  const { scope, groupId } = organisation;
  const before = { ...scope, now: () => new Date(scope.now().getTime() - 3_600_000) };
  const planId = await addPlan(before, { groupId, day: "2026-11-26", ...THREE });
  await changePlan(scope, planId, 1, { blocks: (THREE.blocks ?? []).slice(0, 2) });
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Revisions");
  await seeText(page, "Added: Small knee bends, 6 repetitions");
  await click(page, "Restore this revision");
  await page.waitForSelector('[data-testid="duration"]');
  expect(await orderShown()).toHaveLength(4);
  expect((await findPlan(scope, planId))?.revision).toBe(3);
});

test("a plan goes out as a file and is taken in by another house", async () => {
  const { scope, groupId } = organisation;
  const planId = await addPlan(scope, { groupId, day: "2026-11-27", purpose: "memory", ...THREE });
  const file = await fetch(`${serverUrl()}/plans/${planId}/file`, {
    headers: { Cookie: await cookieOf(serverUrl(), organisation) },
  });
  const source = await file.text();
  const other = await ownOrganisation("Other Harbour");
  const takeIn = async (text: string, day: string) => {
    const body = new FormData();
    body.set("groupId", other.groupId);
    body.set("day", day);
    body.set("file", new File([text], "plan.json", { type: "application/json" }));
    const headers = { Cookie: await cookieOf(serverUrl(), other) };
    return fetch(`${serverUrl()}/plans/import`, { method: "POST", redirect: "manual", headers, body });
  };
  const taken = await takeIn(source, "2026-12-02");
  expect(taken.status).toBe(302);
  const plan = await findPlan(other.scope, taken.headers.get("Location")?.split("/").at(-1) ?? "");
  expect(plan).toMatchObject({ purpose: "memory", blocks: THREE.blocks });
  const broken = await takeIn(source.replace('"rounds": 6', '"rounds": "six"'), "2026-12-09");
  expect(broken.status).toBe(422);
  expect(await broken.text()).toContain("plan.blocks[0].rounds");
  await other.close();
});

test("a series fills the calendar; its address is read by others with the right times over a clock change, until revoked", async () => {
  await page.goto(`${serverUrl()}/calendar`, { waitUntil: "networkidle0" });
  const set = (name: string, value: string) =>
    page.$eval(
      `[name="${name}"]`,
      (field, to) => {
        (field as HTMLInputElement).value = to;
      },
      value,
    );
  await set("firstDay", "2026-10-21");
  await set("lastDay", "2026-12-30");
  await page.type('[name="breaks"]', "2026-12-23 to 2026-12-30");
  await click(page, "Add series");
  await seeText(
    page,
    "weekly from Wednesday 21 October to Wednesday 30 December, not Wednesday 23 December to Wednesday 30 December",
  );
  await seeText(page, "not planned:");
  await click(page, "Create an address");
  await seeText(page, "Shown only now:");
  const address = await page.$eval("code", (code) => code.textContent ?? "");
  const read = async () => new ICAL.Component(ICAL.parse(await (await fetch(address)).text()));
  const begins = (await read())
    .getAllSubcomponents("vevent")
    .map((event) => new ICAL.Event(event).startDate.toJSDate())
    .map((start) => start.toLocaleString("en-GB", { timeZone: "Europe/London", dateStyle: "short", timeStyle: "short" }));
  expect(begins).toContain("21/10/2026, 10:00");
  expect(begins).toContain("28/10/2026, 10:00");
  expect(begins).not.toContain("23/12/2026, 10:00");
  await click(page, "Revoke address");
  await page.waitForFunction(() => !document.body.innerText.includes("Revoke address"));
  expect((await fetch(address)).status).toBe(404);
});

test("a session not planned yet is planned from the calendar: two new and a recap", async () => {
  await page.goto(`${serverUrl()}/calendar`, { waitUntil: "networkidle0" });
  await click(page, "Two new movements and a recap");
  await page.waitForSelector('[data-testid="duration"]');
  expect(page.url()).toMatch(/\/plans\/[0-9a-f-]{36}$/);
});

test("a style of their own is kept, offered on the board, and not under a name that is taken", async () => {
  await page.goto(`${serverUrl()}/styles`, { waitUntil: "networkidle0" });
  await click(page, "Small ripples");
  await click(page, "Save as our style");
  await seeText(page, "Small ripples, ours");
  await openPlan("2026-12-04", THREE);
  await page.select('select[aria-label="Teaching style"]', "Small ripples, ours");
  await seeText(page, "Changes if you use Small ripples, ours");
  // A plan keeps the style it was given; when that has been changed, the board says so and shows what it would change.
  await openPlan("2026-12-07", { ...THREE, style: { ...USUAL_STYLE, name: "Small ripples, ours", rounds: 8 } });
  await click(page, "Updated since this plan was made");
  await seeText(page, "Counted repetitions: 8 → 4");
  const body = new URLSearchParams({
    intent: "save",
    basedOn: "Small ripples",
    styleId: "",
    ...stylesFields(),
    name: "Small ripples, ours",
  });
  const headers = { Cookie: await cookieOf(serverUrl(), organisation) };
  const again = await fetch(`${serverUrl()}/styles`, { method: "POST", redirect: "manual", headers, body });
  expect(again.status).toBe(422);
  const bad = new URLSearchParams({ intent: "save", basedOn: "Small ripples", styleId: "", ...stylesFields(), counting: "odd" });
  expect((await fetch(`${serverUrl()}/styles`, { method: "POST", redirect: "manual", headers, body: bad })).status).toBe(422);
});

const stylesFields = (): Record<string, string> =>
  Object.fromEntries(Object.entries(USUAL_STYLE).map(([name, value]) => [name, String(value)]));

test("the browser reported no script errors", () => expect(problems).toEqual([]));
