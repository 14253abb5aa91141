import { writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { present } from "@able-tide/core/checked-access";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addPlan, contentOf, findPlan } from "../server/plans/plans.ts";
import { choose, click, openBrowser, openPage, seeText, showEveryone, signIn } from "./browser.ts";
import { addSomebody, cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let planId: string;
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Pair Harbour")]);
  await addSomebody(organisation, "Kerensa");
  planId = await addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day: "2026-11-18",
    breathSeconds: 4,
    blocks: [
      { id: "b1", movementId: "settling-breath", rounds: 2 },
      { id: "b2", movementId: "shift-and-press", rounds: 2 },
      { id: "b3", movementId: "row-the-boat", rounds: 2 },
    ],
  });
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

/** Types into a field by what its label says. */
async function typeInto(page: Page, label: string, words: string): Promise<void> {
  const field = await page.waitForFunction(
    (name) =>
      [...document.querySelectorAll("label")]
        .filter((each) => each.offsetParent !== null)
        .find(({ innerText }) => innerText.trim().startsWith(name))
        ?.querySelector("input"),
    {},
    label,
  );
  await (field.asElement() as import("puppeteer-core").ElementHandle<HTMLInputElement> | null)?.click({ count: 3 });
  await page.keyboard.type(words);
}

const combinationInPlan = async () => {
  const plan = present(await findPlan(organisation.scope, planId), "plan");
  return contentOf(plan).blocks.find(({ combined }) => combined !== undefined)?.combined;
};

test("two movements are made a combination, taught A left, B left, A right, B right, and the joined part runs on", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Shift and press");
  await typeInto(page, "Name", "Harbour pair");
  await click(page, "Combine");
  await seeText(page, "Harbour pair, pass 1 of 3: in parts");
  // Without the part by part pass: joined, then once more with few words.
  await click(page, "Remove pass 1");
  await seeText(page, "Harbour pair, pass 1 of 2: joined");
  await page.evaluate(() =>
    [...document.querySelectorAll("summary")].filter(({ innerText }) => innerText === "Change this pass")[1]?.click(),
  );
  await choose(page, "Repetitions of pass 2", "1");
  await choose(page, "Breath of pass 2", "6");
  await typeInto(page, "Say before it", "Once more, slower.");
  await click(page, "Save in the library");
  await seeText(page, "Saved in the library");
  await seeText(page, "Saved");
  await expect.poll(combinationInPlan, { timeout: 20_000 }).toEqual({
    name: "Harbour pair",
    parts: [{ movementId: "shift-and-press" }, { movementId: "row-the-boat" }],
    order: "sides",
    passes: [{ how: "joined" }, { how: "joined", quiet: true, rounds: 1, breathSeconds: 6, say: "Once more, slower." }],
  });
  await showEveryone(page);
  // The joined passes have one column each, and one cell for the participant.
  const columns = () => page.$$eval("th[scope=col]", (heads) => heads.map((head) => head.textContent));
  expect(await columns()).toEqual([
    "Participant",
    "Settling breath",
    "Shift and press + Row the boat",
    "Shift and press + Row the boat",
  ]);
  await page.goto(`${serverUrl()}/plans/${planId}/script`, { waitUntil: "networkidle0" });
  const script = await page.$eval("main", (main) => main.innerText.replaceAll(/\s+/g, " "));
  const sides = (side: string) => new RegExp(`Shift and press · 1 ${side}.*Row the boat · 1 ${side}`);
  expect(script).toMatch(/Harbour pair, pass 1 of 2: joined/);
  expect(script).toMatch(sides("right"));
  expect(script).toMatch(sides("left"));
  expect(script.indexOf("Row the boat · 1 right")).toBeLessThan(script.indexOf("Shift and press · 1 left"));
  expect(script).toMatch(/Harbour pair, pass 2 of 2: joined, few words “Once more, slower.”/);

  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Teach");
  await click(page, "Mark everyone as here");
  await click(page, "Start class");
  await click(page, "Next");
  await seeText(page, "Harbour pair, pass 1 of 2: joined");
  await seeText(page, "Goes on by itself");
  // No one presses anything: the parts follow one another, and the next pass waits.
  await page.waitForFunction(() => document.querySelector("h1")?.innerText === "Row the boat", { timeout: 120_000 });
  await page.waitForFunction(
    () => document.querySelector("h1")?.innerText === "Shift and press" && document.body.innerText.includes("left"),
    { timeout: 60_000 },
  );
  await page.close();
  expect(problems).toEqual([]);
}, 300_000);

test("a combination of the library is on every board, and comes back from its file with its movements", async () => {
  const problems: string[] = [];
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/combinations`, { waitUntil: "networkidle0" });
  await seeText(page, "Harbour pair");
  const address = await page.$eval("a[download]", (link) => link.getAttribute("href") ?? "");
  const answer = await fetch(`${serverUrl()}${address}`, { headers: { Cookie: await cookieOf(serverUrl(), organisation) } });
  const file = join(tmpdir(), `combination-${organisation.groupId}.json`);
  await writeFile(file, await answer.text());
  const take = async () => {
    const input = await page.waitForSelector('input[type="file"]');
    await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(file);
    await click(page, "Import");
  };
  await take();
  await seeText(page, "The library has another combination with this name.");
  await click(page, "Remove Harbour pair");
  await seeText(page, "No combination is saved yet.");
  await take();
  await seeText(page, "Harbour pair imported.");
  const other = await addPlan(organisation.scope, { groupId: organisation.groupId, day: "2026-11-25", blocks: [] });
  await page.goto(`${serverUrl()}/plans/${other}`, { waitUntil: "networkidle0" });
  await click(page, "Harbour pair");
  await seeText(page, "Harbour pair, pass 1 of 2: joined");
  await page.close();
  expect(problems.filter((problem) => !problem.includes("422"))).toEqual([]);
}, 120_000);
