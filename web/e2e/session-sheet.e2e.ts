import { randomUUID } from "node:crypto";
import { USUAL_BODY } from "@able-tide/core/body/build";
import type { CapLimit } from "@able-tide/core/caps/cap";
import { present } from "@able-tide/core/checked-access";
import { classSteps } from "@able-tide/core/class/class-steps";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import type { SessionSheet, SheetItem } from "@able-tide/core/leading/session-sheet";
import { type About, NOTHING_KNOWN } from "@able-tide/core/people/about";
import { plannedVariant } from "@able-tide/core/plan/plan-item";
import { USUAL_STYLE } from "@able-tide/core/plan/style";
import { withMovements } from "@able-tide/core/schedule/items-with-movements";
import { sentenceCase } from "@able-tide/words/text";
import {
  APART,
  AS_BEFORE,
  formatChange,
  formatNamedVersions,
  formatOwnChange,
  formatVersions,
  versionName,
} from "@able-tide/words/versions";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { listClassSheets } from "../server/classes/class-sheets.ts";
import { findClass } from "../server/classes/classes.ts";
import { addEvents } from "../server/classes/record-events.ts";
import { changeGroup, findGroup } from "../server/groups/groups.ts";
import { listMovements } from "../server/movements/movements.ts";
import { addPerson } from "../server/people/people.ts";
import { addPlan, changePlan, contentOf, findPlan } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, seeText, showEveryone, signIn } from "./browser.ts";
import { addHall, capThem, meetAt, now, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

/** A mixed group: two who do everything, two who hold on, one of them for ten minutes at most, one who stays seated. */
const PEOPLE: readonly {
  readonly name: string;
  readonly limits: readonly CapLimit[];
  readonly rises: About["risesFromChair"];
}[] = [
  { name: "Senara", limits: [], rises: "alone" },
  { name: "Merryn", limits: [], rises: "alone" },
  { name: "Tam", limits: [{ channel: "heldStanding" }], rises: "hand" },
  { name: "Jory", limits: [{ channel: "heldStanding" }, { channel: "standingMinutes", limit: 2 }], rises: "hand" },
  { name: "Kerra", limits: [], rises: "lifted" },
];

const MOVEMENTS = ["settling-breath", "lift-and-part", "side-weight-shift", "heels-up", "one-leg-toe-near"];

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
const names = new Map<string, string>();
const problems: string[] = [];

beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
  const { scope, groupId } = organisation;
  for (const { name, limits, rises } of PEOPLE) {
    const about = { ...NOTHING_KNOWN, risesFromChair: rises };
    const body = { birthYear: 1948, statureCentimetres: 168, massKilograms: 70, measured: USUAL_BODY, uses: "", notes: "" };
    const id = await addPerson(scope, { name, ...body, groupIds: [groupId] }, about);
    names.set(id, name);
    for (const limit of limits) await capThem(organisation, id, limit);
  }
  const placeId = await addHall(organisation, "The net loft");
  await meetAt(organisation, placeId, { helpers: 2 });
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

interface Stored {
  readonly rows: Readonly<Record<string, ShownRow>>;
  readonly sheet: SessionSheet;
}

/** The session sheets that the server has stored of a plan, the newest last. */
async function storedSheets(planId: string): Promise<Stored[]> {
  const { database, organisationId } = organisation.scope;
  return database("session_sheets")
    .where({ organisation_id: organisationId, plan_id: planId })
    .orderBy("made_at")
    .pluck("content");
}

const planOn = (day: string): Promise<string> =>
  addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day,
    blocks: MOVEMENTS.map((movementId, i) => ({ id: `b${i}`, movementId, rounds: 6 })),
    style: USUAL_STYLE,
  });

const open = (path: string) => page.goto(`${serverUrl()}${path}`, { waitUntil: "networkidle0" });
const pageText = (): Promise<string> => page.evaluate(() => document.body.innerText.replace(/\s+/g, " "));

/** Who does what in an item, as the sheet has it: the name of each version, and who is in it. */
const versionsOf = ({ versions, apart }: SheetItem): [string, string[]][] => {
  const named = (ids: readonly string[]) => ids.map((id) => names.get(id) ?? id).sort();
  const lists = versions.map((version): [string, string[]] => [versionName(version), named(version.people)]);
  return apart.length > 0 ? [...lists, [APART, named(apart)]] : lists;
};

/** The same as the board and the class show it. @param within the part of the page with one list a version */
const versionsShown = (within: string, list: string, name: string): Promise<[string, string[]][]> =>
  page.$$eval(
    `${within} ${list}`,
    (lists, heading, known) =>
      lists.map((each): [string, string[]] => {
        const text = (each as HTMLElement).innerText;
        const title = each.querySelector<HTMLElement>(heading as string)?.childNodes[0]?.textContent ?? "";
        return [title, (known as string[]).filter((person) => text.includes(person)).sort()];
      }),
    name,
    [...names.values()],
  );

/** The rows of a printout, as text. */
async function rowsOn(path: string): Promise<string[]> {
  await open(path);
  return page.$$eval("ol > li", (items) => items.map((each) => (each as HTMLElement).innerText.replace(/\s+/g, " ")));
}

/** Compares script, helper's printout and cards with a session sheet, movement by movement and person by person. */
async function comparePrintouts(planId: string, { sheet, rows }: Stored): Promise<void> {
  for (const path of ["printouts/helper", "script"]) {
    const printed = await rowsOn(`/plans/${planId}/${path}`);
    expect(printed).toHaveLength(sheet.items.length);
    sheet.items.forEach((item, i) => {
      const named = (of: SheetItem) => `${formatNamedVersions(of, names).join(". ")}.`;
      const last = sheet.items[i - 1];
      const same = last && item.change === null && named(item) === named(last);
      if (path.includes("helper")) expect(printed[i]).toContain(same ? AS_BEFORE : named(item));
      else if (item.versions.length !== 1) expect(printed[i]).toContain(`${formatVersions(item, names).join(". ")}.`);
      if (item.change !== null) expect(printed[i]).toContain(`${formatChange(item.change, names)}.`);
    });
  }
  for (const [id, name] of names) {
    const printed = await rowsOn(`/plans/${planId}/printouts/people/${id}`);
    expect(printed).toHaveLength(sheet.items.length);
    printed.forEach((words, i) => {
      const own = formatOwnChange(sheet.items[i]?.change ?? null, id);
      expect([name, i, words.includes("Stand up") || words.includes("Sit down")]).toEqual([name, i, own !== ""]);
      expect(words).toContain(own);
      expect(words).toContain(sentenceCase(present(rows[id]?.cells[i], "cell").brief));
    });
  }
}

/**
 * Compares floor plan and set-up printout with a session sheet: who holds the rail is at the rail. And floor plan, script and
 * helper's printout with each other: where those who lead stand.
 *
 * @returns what the floor plan says of where they stand, one part of the session after another
 */
async function comparePlaces(planId: string, { rows }: Stored): Promise<string[]> {
  await open(`/plans/${planId}/floor`);
  const floor = await pageText();
  const stands = await page.$$eval("ol button[aria-pressed]", (all) =>
    all.map((each) => /You: .*/.exec((each as HTMLElement).innerText)?.[0].trim() ?? ""),
  );
  await open(`/plans/${planId}/printouts/set-up`);
  const setUp = await page.$eval("main", (main) => (main as HTMLElement).innerText.split("\n"));
  for (const [id, name] of names) {
    const holds = rows[id]?.cells.some(({ choice }) => choice?.hold?.by === "rail") ?? false;
    expect([name, floor.includes(`${name}: at the rail, for support`)]).toEqual([name, holds]);
    expect([name, setUp.some((line) => line.startsWith(name) && line.includes("at the rail"))]).toEqual([name, holds]);
  }
  const script = (await rowsOn(`/plans/${planId}/script`)).join(" ");
  for (const words of stands) expect(script).toContain(words);
  expect(script.split("You: ")).toHaveLength(stands.length + 1);
  const helper = (await rowsOn(`/plans/${planId}/printouts/helper`)).join(" ");
  for (const place of stands.flatMap((words) => [...words.matchAll(/Helper: ([^.]*)\./g)].map(([, where = ""]) => where)))
    expect(helper).toContain(place);
  return stands;
}

test("board, script, printouts, cards, floor plan and class all say what the session sheet says, person by person", async () => {
  const planId = await planOn("2026-11-11");
  await open(`/plans/${planId}/printouts/helper`);
  const [stored, ...more] = await storedSheets(planId);
  expect(more).toEqual([]);
  const { sheet, rows } = present(stored, "stored sheet");
  expect(sheet.items).toHaveLength(MOVEMENTS.length);
  // The group is such that there is something to be said: several versions, changes, and rises with a hand.
  expect(Math.max(...sheet.items.map(({ versions }) => versions.length))).toBeGreaterThan(1);
  expect(sheet.changes).toBeGreaterThan(0);
  await comparePrintouts(planId, { sheet, rows });
  const stands = await comparePlaces(planId, { sheet, rows });
  await open(`/plans/${planId}`);
  await showEveryone(page);
  await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
  const cells = await page.$$eval("[data-cell]", (all) =>
    all.map((cell): [string, string] => [cell.getAttribute("data-cell") ?? "", cell.getAttribute("aria-label") ?? ""]),
  );
  for (const [id, name] of names)
    rows[id]?.cells.forEach(({ brief }, column) => {
      const cell = cells.find(([at, words]) => at.endsWith(` ${column}`) && words.startsWith(`${name}, `));
      expect(cell?.[1]).toMatch(new RegExp(`${brief}$`));
    });
  await page.click('[aria-label="Board shows"] button:first-child');
  for (const item of sheet.items) {
    await page.waitForSelector('section[aria-label^="Versions of"]');
    expect(await versionsShown('section[aria-label^="Versions of"]', "li", "p")).toEqual(versionsOf(item));
    await page.keyboard.press(".");
  }

  await click(page, "Teach");
  await seeText(page, "Who is here, and how are they?");
  const classId = new URL(page.url()).pathname.split("/").at(-1) ?? "";
  const here = [...names.keys()].map(
    (personId) => ({ kind: "attended", id: randomUUID(), at: now().toISOString(), personId, here: true }) as const,
  );
  await addEvents(organisation.scope, classId, here);
  await page.reload({ waitUntil: "networkidle0" });
  await click(page, "Start class");
  const { script } = present(await findClass(organisation.scope, classId), "class");
  expect(script.blocks.map(({ led }) => led)).toEqual(sheet.items);
  const steps = classSteps(script.blocks);
  await seeText(page, present(stands[0], "place"));
  for (const [at, { blockIndex, turn }] of steps.entries()) {
    const item = present(sheet.items[blockIndex], "item");
    await page.waitForSelector('[aria-label="Participants and next movement"] section');
    expect(await versionsShown('[aria-label="Participants and next movement"]', "section", "h2")).toEqual(versionsOf(item));
    if (item.change && turn === 0) expect(await pageText()).toContain(formatChange(item.change, names));
    await click(page, at === steps.length - 1 ? "Finish" : "Next");
  }
  // Nothing was worked out twice: everything above read one stored sheet.
  expect(await storedSheets(planId)).toHaveLength(1);
  expect((await listClassSheets(organisation.scope, classId)).map(({ number, cause }) => [number, cause])).toEqual([
    [0, "begun"],
  ]);
  expect(problems).toEqual([]);
});

test("a helper drops out, and the sheet follows everywhere", async () => {
  const planId = await planOn("2026-11-18");
  await open(`/plans/${planId}/printouts/helper`);
  await seeText(page, "2 helpers planned");
  const { scope, groupId } = organisation;
  await changeGroup(scope, groupId, { ...present(await findGroup(scope, groupId), "group"), helpers: 0 });
  await open(`/plans/${planId}/printouts/helper`);
  await seeText(page, "No helper planned");
  const [before, after, ...more] = await storedSheets(planId);
  expect(more).toEqual([]);
  const now = present(after, "sheet without helpers");
  expect(now).not.toEqual(before);
  for (const { versions } of now.sheet.items) {
    const held = versions.flatMap(({ variant }) => variant.hold?.by ?? []);
    expect(held).not.toContain("helper");
  }
  await comparePrintouts(planId, now);
  await changeGroup(scope, groupId, { ...present(await findGroup(scope, groupId), "group"), helpers: 2 });
});

test("a participant who is held to a version is in that version everywhere", async () => {
  const planId = await planOn("2026-11-25");
  const plan = present(await findPlan(organisation.scope, planId), "plan");
  const [senara] = [...names].find(([, name]) => name === "Senara") ?? [""];
  const holds = [{ personId: senara, blockId: "b2", way: "seated" as const }];
  expect(await changePlan(organisation.scope, planId, plan.revision, { ...contentOf(plan), holds })).not.toBeNull();
  await open(`/plans/${planId}/printouts/helper`);
  const stored = present((await storedSheets(planId)).at(-1), "stored sheet");
  const version = stored.sheet.items[2]?.versions.find(({ people }) => people.includes(senara));
  expect(version?.posture).toBe("seated");
  await comparePrintouts(planId, stored);
});

test("a mixed group asks for a standing session and gets one, and for a seated one", async () => {
  const planId = await planOn("2027-01-06");
  const draftedAs = async (posture: "standing" | "seated"): Promise<(string | undefined)[]> => {
    await open(`/plans/${planId}`);
    await click(page, "Draft a plan");
    await page.waitForSelector('[role="dialog"] select');
    await page.select('[role="dialog"] select', posture);
    await seeText(page, "Draft 1", 120_000);
    const before = (await findPlan(organisation.scope, planId))?.revision ?? 0;
    await click(page, "Use this draft");
    await expect
      .poll(async () => (await findPlan(organisation.scope, planId))?.revision, { timeout: 30_000 })
      .toBeGreaterThan(before);
    const { blocks } = present(await findPlan(organisation.scope, planId), "plan");
    expect(blocks.length).toBeGreaterThan(5);
    const movements = (await listMovements(organisation.scope)).map(({ movement }) => movement);
    return withMovements(blocks, movements).map(
      ({ block, movement }) => plannedVariant(movement, block, { seatedOnly: false, pool: false, depth: "middle" }).kind,
    );
  };
  expect(new Set(await draftedAs("standing"))).toEqual(new Set(["standing"]));
  await open(`/plans/${planId}/printouts/helper`);
  const { sheet } = present((await storedSheets(planId)).at(-1), "stored sheet");
  const standing = sheet.items.filter(({ onFeet }) => onFeet);
  expect(standing.length).toBeGreaterThan(sheet.items.length / 2);
  for (const { versions, shown } of standing) expect(shown === null ? null : versions[shown]?.posture).not.toBe("seated");
  expect(new Set(await draftedAs("seated"))).toEqual(new Set(["seated"]));
});
