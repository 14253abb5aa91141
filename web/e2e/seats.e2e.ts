import { present } from "@able-tide/core/checked-access";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { findPerson } from "../server/people/people.ts";
import { addPlan, findPlan } from "../server/plans/plans.ts";
import { listVenues } from "../server/venues/venues.ts";
import { click, openBrowser, openPage, seeText, showEveryone, signIn } from "./browser.ts";
import { addSomebody, meetAt, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
let personId: string;
const problems: string[] = [];
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Lantern Reach")]);
  personId = await addSomebody(organisation, "Jowan");
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

const VENUE_FORM = "#new-place ";
const settled = () => page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
const cellWords = (column: number): Promise<string> =>
  page.$eval(`[data-cell="0 ${column}"]`, (cell) => cell.getAttribute("aria-label") ?? "");
const groupMeetsAt = async (name: string): Promise<void> => {
  const venue = (await listVenues(organisation.scope)).find((each) => each.name === name);
  await meetAt(organisation, present(venue, "venue").id);
};
/** Opens the form of a new venue and names it. */
async function newVenue(name: string): Promise<void> {
  await page.goto(`${serverUrl()}/groups`, { waitUntil: "networkidle0" });
  await click(page, "Add venue");
  await page.type(`${VENUE_FORM}input[name="name"]`, name);
}

test("a venue with a bench and beds is described, a seat chosen, and the plan, the printouts and the class follow it", async () => {
  await newVenue("Lantern day room");
  for (const [field, kind, height, places] of [
    ["chair", "chair", "45", "6"],
    ["other", "bench", "45", "2"],
    ["third", "bed", "50", "2"],
  ] as const) {
    await page.select(`${VENUE_FORM}select[name="${field}Kind"]`, kind);
    for (const [name, value] of [
      [`${field}Height`, height],
      [`${field}Count`, places],
    ]) {
      await page.$eval(`${VENUE_FORM}input[name="${name}"]`, (input) => (input as HTMLInputElement).select());
      await page.type(`${VENUE_FORM}input[name="${name}"]`, value as string);
    }
  }
  await page.click(`${VENUE_FORM}button`);
  await seeText(page, "bench for 2 of 45 cm, in bed, back raised for 2 of 50 cm");
  await groupMeetsAt("Lantern day room");

  const planId = await addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day: "2026-12-09",
    breathSeconds: 6,
    blocks: [
      { id: "b1", movementId: "settling-breath", rounds: 3, as: "seated" },
      { id: "b2", movementId: "row-lift-and-settle", rounds: 3, as: "seated" },
    ],
  });
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "domcontentloaded" });
  await showEveryone(page);
  await settled();
  expect(await cellWords(1)).toContain("full range");

  await click(page, "Floor plan and seats");
  await seeText(page, "Automatic: chair without arms");
  await page.select('select[aria-label="Jowan, seat"]', "bed");
  await expect
    .poll(async () => (await findPlan(organisation.scope, planId))?.seats, { timeout: 20_000 })
    .toEqual([{ personId, seat: "bed", position: "back" }]);

  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "domcontentloaded" });
  await showEveryone(page);
  await settled();
  await seeText(page, "in bed with the back raised");
  // Elbows do not go back into the raised back.
  expect(await cellWords(1)).toContain("smaller range");
  await page.click('[data-cell="0 1"]');
  await seeText(page, "going into the seat, its arms or its back");

  for (const printed of ["printouts/set-up", "printouts/helper", "script"]) {
    await page.goto(`${serverUrl()}/plans/${planId}/${printed}`, { waitUntil: "networkidle0" });
    await seeText(page, "in bed, back raised");
  }
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await showEveryone(page);
  await click(page, "Teach");
  await seeText(page, "Who is here");
  await seeText(page, "in bed, back raised");
  expect(problems).toEqual([]);
});

test("at home everyone sits on what they have there", async () => {
  await page.goto(`${serverUrl()}/people/${personId}/about`, { waitUntil: "networkidle0" });
  await page.click('input[name="home"][value="sofa"]');
  await page.type('input[name="home-sofa"]', "42");
  await click(page, "Save");
  await expect
    .poll(async () => (await findPerson(organisation.scope, personId))?.about.home, { timeout: 20_000 })
    .toEqual([{ kind: "sofa", height: 0.42 }]);

  await newVenue("By video");
  await page.click(`${VENUE_FORM}input[value="homes"]`);
  await seeText(page, "Participants join from home");
  await page.click(`${VENUE_FORM}button`);
  await seeText(page, "each participant's own home");
  await groupMeetsAt("By video");
  const planId = await addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day: "2026-12-16",
    breathSeconds: 6,
    blocks: [{ id: "b1", movementId: "settling-breath", rounds: 3, as: "seated" }],
  });
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "domcontentloaded" });
  await showEveryone(page);
  await settled();
  await seeText(page, "on a sofa");
  expect(problems).toEqual([]);
});
