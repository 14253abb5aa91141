import { USUAL_BODY } from "@able-tide/core/body/build";
import { present } from "@able-tide/core/checked-access";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import { supportModeOf } from "@able-tide/core/movement/support-mode";
import { NOTHING_KNOWN } from "@able-tide/core/people/about";
import { USUAL_STYLE } from "@able-tide/core/plan/style";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addPerson } from "../server/people/people.ts";
import { addPlan } from "../server/plans/plans.ts";
import { openBrowser, openPage, signIn } from "./browser.ts";
import { addHall, capThem, meetAt, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

/** People who all have to hold on to stand; the venue has three rail spaces, and chairs of two heights. */
const PEOPLE = [
  ["Senara", 152],
  ["Merryn", 156],
  ["Tam", 168],
  ["Jory", 180],
  ["Kerra", 184],
] as const;
const MOVEMENTS = ["settling-breath", "lift-and-part", "side-weight-shift", "heels-up", "one-leg-toe-near", "shift-and-press"];

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
let planId: string;
const ids = new Map<string, string>();
const problems: string[] = [];

beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
  const { scope, groupId } = organisation;
  for (const [name, statureCentimetres] of PEOPLE) {
    const body = { birthYear: 1948, statureCentimetres, massKilograms: 70, measured: USUAL_BODY, uses: "", notes: "" };
    const id = await addPerson(scope, { name, ...body, groupIds: [groupId] }, NOTHING_KNOWN);
    ids.set(name, id);
    await capThem(organisation, id, { channel: "heldStanding" });
  }
  const chairs = [
    { height: 0.42, count: 4 },
    { height: 0.48, count: 4 },
  ];
  const placeId = await addHall(organisation, "The net loft", { rail: 2.4, chairs, floorLength: 8, floorWidth: 6 });
  await meetAt(organisation, placeId, { helpers: 1 });
  planId = await addPlan(scope, {
    groupId,
    day: "2026-11-11",
    blocks: MOVEMENTS.map((movementId, i) => ({ id: `b${i}`, movementId, rounds: 6 })),
    style: USUAL_STYLE,
  });
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

/** Opens a page of the plan. @returns its text */
async function textOf(path: string): Promise<string> {
  await page.goto(`${serverUrl()}/plans/${planId}/${path}`, { waitUntil: "networkidle0" });
  return page.$eval("main", (main) => (main as HTMLElement).innerText);
}

/** How many pages a printout takes. */
async function printedPages(path: string): Promise<number> {
  await textOf(path);
  const printed = Buffer.from(await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString("latin1");
  return printed.match(/\/Type\s*\/Page\b/g)?.length ?? 0;
}

test("three rail spaces hold three people, and every page has the same three there", async () => {
  const helper = await textOf("printouts/helper");
  const { database, organisationId } = organisation.scope;
  const [stored] = await database("session_sheets").where({ organisation_id: organisationId, plan_id: planId }).pluck("content");
  const rows = (stored as { rows: Readonly<Record<string, ShownRow>> }).rows;
  const atRail = PEOPLE.flatMap(([name]) => {
    const { cells } = present(rows[ids.get(name) ?? ""], name);
    return cells.some(({ choice }) => choice !== null && supportModeOf(choice) === "rail") ? [name] : [];
  });
  expect(atRail).toHaveLength(3);

  const floor = await textOf("floor");
  const setUp = await textOf("printouts/set-up");
  for (const [name] of PEOPLE) {
    const there = atRail.includes(name);
    expect([name, floor.includes(`${name}: at the rail, for support`)]).toEqual([name, there]);
    const row = setUp.split("\n").find((line) => line.startsWith(name)) ?? "";
    expect([name, row.includes("at the rail")]).toEqual([name, there]);
    const card = await textOf(`printouts/people/${ids.get(name)}`);
    expect([name, card.includes("on the rail")]).toEqual([name, there]);
  }
  expect(floor).not.toContain("the rail is out of reach");
  expect(floor).toContain("Where you and the helper stand");
  // The helper is told where to stand, among people who are there.
  expect(helper).toMatch(/Stand (between|behind|next to) (Senara|Merryn|Tam|Jory|Kerra)/);
});

test("of chairs of two heights everyone has the one that suits, on the printout and on the page of seats", async () => {
  const setUp = await textOf("printouts/set-up");
  expect(setUp).toContain("2 chairs of 42 cm");
  expect(setUp).toContain("3 chairs of 48 cm");
  const rowOf = (name: string) => setUp.split("\n").find((line) => line.startsWith(name)) ?? "";
  // Sitting heights are a quarter of the stature and a shoe: 40 cm and 41 cm, 44 cm, 47 cm and 48 cm.
  expect(rowOf("Senara")).toMatch(/42 cm\s+2 cm/);
  expect(rowOf("Jory")).toContain("48 cm");
  expect(rowOf("Kerra")).toContain("48 cm");
  await textOf("floor");
  const seats = await page.$$eval("select[aria-label$=', seat']", (all) =>
    all.map((select) => [select.getAttribute("aria-label") ?? "", (select as HTMLSelectElement).selectedOptions[0]?.text ?? ""]),
  );
  for (const [name, statureCentimetres] of PEOPLE) {
    const [, words] = seats.find(([label]) => label === `${name}, seat`) ?? [];
    const height = /(\d+) cm/.exec(words ?? "")?.[1];
    expect([name, rowOf(name).includes(`${height} cm`)]).toEqual([name, true]);
    expect(height).toBe(statureCentimetres >= 168 ? "48" : "42");
  }
});

test("helper's printout, set-up and cards take one page each, in large type too, and the script has figures of 18 mm", async () => {
  const [card] = ids.values();
  for (const path of ["printouts/helper", "printouts/set-up", `printouts/people/${card}`])
    for (const type of ["", "?type=large"]) expect([path, type, await printedPages(path + type)]).toEqual([path, type, 1]);
  expect(await printedPages("script")).toBeLessThanOrEqual(2);
  await page.emulateMediaType("print");
  const heights = await page.$$eval("ol img", (pictures) => pictures.map((picture) => picture.getBoundingClientRect().height));
  await page.emulateMediaType("screen");
  expect(heights).toHaveLength(MOVEMENTS.length);
  // 96 pixels to the inch.
  for (const height of heights) expect((height * 25.4) / 96).toBeGreaterThanOrEqual(18);
  expect(problems).toEqual([]);
});
