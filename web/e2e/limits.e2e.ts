import { randomUUID } from "node:crypto";
import { USUAL_BODY } from "@able-tide/core/body/build";
import { present } from "@able-tide/core/checked-access";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { teachPlan } from "../server/classes/teach.ts";
import { capHistory } from "../server/people/caps.ts";
import { addNewcomer } from "../server/people/newcomers.ts";
import { findPerson, listPeople } from "../server/people/people.ts";
import { addPlan } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, seeText, signIn } from "./browser.ts";
import { addSomebody, cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
const problems: string[] = [];
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

const setDay = (of: Page, field: string, day: string) =>
  of.$eval(
    field,
    (input, value) => {
      (input as HTMLInputElement).value = value as string;
    },
    day,
  );

/** The number beside a line of the set-up list. */
const setUp = (what: string): Promise<string | undefined> =>
  page.$$eval(
    "tr",
    (rows, words) =>
      rows
        .find((row) => row.querySelector("th")?.innerText.startsWith(words))
        ?.querySelector("td")
        ?.innerText.trim(),
    what,
  );

/** What the figure says of itself, view by view. */
const figure = (): Promise<string[]> =>
  page.$$eval('figure [role="img"]', (pictures) => pictures.map((picture) => picture.getAttribute("aria-label") ?? ""));

test("a new hip waits for limits, gets a clearance, and step, seat and hip arcs change", async () => {
  await page.goto(`${serverUrl()}/people/new`, { waitUntil: "networkidle0" });
  for (const [name, value] of Object.entries({
    name: "Conan",
    birthYear: "1955",
    statureCentimetres: "174",
    massKilograms: "80",
  }))
    await page.type(`[name="${name}"]`, value);
  await click(page, "Add participant");
  await seeText(page, "Active caps today");
  const before = { seat: await setUp("Seat height for sitting"), step: await setUp("Longest step") };
  expect(before.step).toMatch(/^\d+ cm$/);

  await click(page, "Add limitation");
  await seeText(page, "Choose a limitation");
  await page.select('[name="rule"]', "hipReplacement");
  await page.waitForSelector('[name="kind"]');
  await page.select('[name="side"]', "left");
  await page.select('[name="kind"]', "posterior");
  await setDay(page, '[name="eventDay"]', "2026-09-20");
  await click(page, "Show suggested caps");
  await seeText(page, "Clinician's advice needed");
  await click(page, "Save limitation");
  await seeText(page, "Waiting for the clinician's caps");
  await seeText(page, "No seated variants");
  expect(await setUp("Longest step")).toBe("none");
  expect((await figure()).join()).not.toContain("left hip bends");

  await click(page, "Add clearance");
  await seeText(page, "Caps in this clearance");
  await page.type('[name="clinician"]', "Dr Vellan");
  await page.type('[name="says"]', "Standing with a stick from today. Hip to 85.");
  await page.$$eval('[name="decision-0"]', (radios) => (radios[1] as HTMLInputElement).click());
  await page.waitForSelector('[name="amount-0"]');
  await page.type('[name="amount-0"]', "85");
  const letter = await page.$('[name="file"]');
  await page.evaluate(
    (input) => {
      const files = new DataTransfer();
      files.items.add(new File(["%PDF-1.4 a letter"], "letter.pdf", { type: "application/pdf" }));
      (input as HTMLInputElement).files = files.files;
    },
    present(letter, "letter"),
  );
  await click(page, "Save clearance");
  await seeText(page, "Left hip bend (flexion): up to 85°");
  await seeText(page, "Dr Vellan");
  await seeText(page, "letter.pdf");
  expect(await page.evaluate(() => document.body.innerText)).not.toContain("Waiting for the clinician's caps");
  expect((await figure()).join()).toContain("left hip bend 85°");
  expect((await figure()).join()).toContain("left hip turn in 5°");
  expect(Number.parseInt((await setUp("Seat height for sitting")) ?? "", 10)).toBeGreaterThan(
    Number.parseInt(before.seat ?? "", 10),
  );
  expect(await setUp("Longest step")).toMatch(/^\d+ cm$/);

  const [person] = await listPeople(organisation.scope);
  // Several limits were set in the same instant; the one of the seat is meant.
  const hip = (await capHistory(organisation.scope, person?.id ?? "")).find(
    ({ limit, clearanceId }) => clearanceId !== null && "motion" in limit && limit.motion === "hipFlexion",
  );
  expect(hip).toMatchObject({ strength: "absolute", source: "Dr Vellan", limit: { motion: "hipFlexion", limit: 85 } });
  expect(problems).toEqual([]);
});

test("two instructors change the same person at once: the second is told what changed and loses nothing typed", async () => {
  const id = await addSomebody(organisation, "Loveday");
  const second = await openPage(browser, []);
  await signIn(second, serverUrl(), organisation);
  for (const each of [page, second]) {
    await each.goto(`${serverUrl()}/people/${id}`, { waitUntil: "networkidle0" });
    await click(each, "Edit name, height, weight, groups or notes");
  }
  const retype = async (of: Page, field: string, value: string) => {
    await of.click(`[name="${field}"]`, { clickCount: 3 });
    await of.type(`[name="${field}"]`, value);
  };
  await retype(page, "statureCentimetres", "166");
  await click(page, "Save participant");
  await seeText(page, "Saved.");
  await retype(second, "notes", "Sings alto.");
  await retype(second, "statureCentimetres", "164");
  await click(second, "Save participant");
  await seeText(second, "Keeper changed this while you were editing. Your entries are kept.");
  const told = await second.$$eval('[role="alert"] tbody tr', (rows) => rows.map((row) => row.innerText.replace(/\s+/g, " ")));
  expect(told).toContain("Height 166 164");
  expect(await second.$eval('[name="notes"]', (field) => (field as HTMLTextAreaElement).value)).toBe("Sings alto.");
  expect((await findPerson(organisation.scope, id))?.stature).toBe(1.66);
  await click(second, "Save participant");
  await seeText(second, "Saved.");
  expect(await findPerson(organisation.scope, id)).toMatchObject({ stature: 1.64, notes: "Sings alto." });
});

test("a walk-in is taken in at the door and gets newcomers' limits", async () => {
  await addSomebody(organisation, "Merryn");
  const planId = await addPlan(organisation.scope, {
    groupId: organisation.groupId,
    day: "2026-10-14",
    breathSeconds: 8,
    blocks: [{ id: "b1", movementId: "settling-breath", rounds: 4 }],
  });
  await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
  await click(page, "Teach");
  await seeText(page, "Who is here, and how are they?");
  await click(page, "Add someone new");
  await page.waitForSelector('[role="dialog"] [name="name"]');
  for (const [name, value] of Object.entries({
    name: "Zennor",
    birthYear: "1948",
    statureCentimetres: "159",
    massKilograms: "61",
  }))
    await page.type(`[role="dialog"] [name="${name}"]`, value);
  await click(page, "Add to class");
  await page.waitForSelector('button[aria-label="Zennor: more"]');
  await click(page, "Start class");
  await seeText(page, "Settling breath");
  // Not with those who stand free.
  const version = await page.waitForSelector('section[aria-label="Participants and next movement"] section::-p-text(Zennor)');
  expect(await version?.evaluate((section) => section.getAttribute("aria-label"))).not.toBe("Standing");
  const zennor = (await listPeople(organisation.scope)).find(({ name }) => name === "Zennor");
  const caps = await capHistory(organisation.scope, zennor?.id ?? "");
  expect(caps.filter(({ origin }) => origin === "newcomer").map(({ limit }) => limit)).toContainEqual({
    channel: "heldStanding",
  });
  expect(zennor).toMatchObject({ released: false, groupIds: [organisation.groupId] });
});

test("a walk-in whose answer was lost is sent again and is one participant, also when both arrive at once", async () => {
  const { scope, groupId } = organisation;
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  const outcome = await teachPlan(scope, await addPlan(scope, { groupId, day: "2026-10-28", breathSeconds: 8, blocks }));
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  const fields = { name: "Lowenna", birthYear: "1948", statureCentimetres: "159", massKilograms: "61", personId: randomUUID() };
  const cookie = await cookieOf(serverUrl(), organisation);
  const send = async () => {
    const init = { method: "POST", headers: { cookie }, body: new URLSearchParams(fields) };
    return (await fetch(`${serverUrl()}/classes/${outcome.classId}/walk-in`, init)).json();
  };
  const answers = [...(await Promise.all([send(), send()])), await send()];
  expect(answers.map(({ personId }) => personId)).toEqual([fields.personId, fields.personId, fields.personId]);
  expect((await listPeople(scope)).filter(({ name }) => name === "Lowenna")).toHaveLength(1);
  const body = { birthYear: 1948, statureCentimetres: 159, massKilograms: 61, measured: USUAL_BODY };
  const once = await addNewcomer(scope, { name: "Nessa", ...body, uses: "", notes: "", groupIds: [] });
  expect(await capHistory(scope, fields.personId)).toHaveLength((await capHistory(scope, once)).length);
});

/** Two hundred made-up people, seven of them wrong in different ways. */
function twoHundred(): { text: string; lines: number[] } {
  const broken = new Map([
    [3, "Nobody 3,1950,tall,70,Harbour Wednesday"],
    [40, ",1950,165,70,Harbour Wednesday"],
    [77, "Nobody 77,1850,165,70,Harbour Wednesday"],
    [101, "Nobody 101,1950,165,700,Harbour Wednesday"],
    [150, "Nobody 150,1950,165,70,No Such Group"],
    [188, "Nobody 1,1950,165,70,Harbour Wednesday"],
    [200, "Nobody 200,1950,16.5,70,Harbour Wednesday"],
  ]);
  const rows = Array.from(
    { length: 200 },
    (_, i) => broken.get(i + 1) ?? `Nobody ${i + 1},${1935 + (i % 30)},${150 + (i % 35)},70,Harbour Wednesday`,
  );
  return { text: ["Name,Born,Height,Weight,Group", ...rows].join("\n"), lines: [...broken.keys()].map((row) => row + 1) };
}

test("of a file with 200 people the seven broken rows are shown, mended and taken in", async () => {
  const { text, lines } = twoHundred();
  const before = (await listPeople(organisation.scope)).length;
  await page.goto(`${serverUrl()}/people/files`, { waitUntil: "networkidle0" });
  await page.$eval(
    "textarea",
    (field, value) => {
      (field as HTMLTextAreaElement).value = value as string;
    },
    text,
  );
  await click(page, "Check file");
  await seeText(page, "193 of 200 rows are ready, 7 need correcting");
  const shown = await page.$$eval("table tbody tr", (rows) =>
    rows.map((row) => [...row.querySelectorAll("td")].map((cell) => cell.innerText)),
  );
  expect(shown.map(([line]) => Number(line))).toEqual(lines);
  expect(shown.map(([, reason]) => reason)).toEqual([
    "Enter the height in centimetres, such as 164.",
    "Enter the name to use.",
    "Enter a birth year of 1905 or later.",
    "Enter a weight of 250 kg or less. Is it in kilograms?",
    "There is no group called No Such Group.",
    "Nobody 1 is in this file twice.",
    "Enter a height of 100 cm or more. Is it in centimetres?",
  ]);
  expect((await listPeople(organisation.scope)).length).toBe(before);

  const mended = text
    .replace("tall", "165")
    .replace("\n,1950", "\nNobody 40,1950")
    .replace("1850", "1950")
    .replace("700", "70")
    .replace("No Such Group", "Harbour Wednesday")
    .replace("Nobody 1,1950", "Nobody 188,1950")
    .replace("16.5", "165");
  await page.$eval(
    "#csv-text",
    (field, value) => {
      (field as HTMLTextAreaElement).value = value as string;
    },
    mended,
  );
  await click(page, "Check again");
  await seeText(page, "200 of 200 rows are ready");
  await click(page, "Import all 200 rows");
  await seeText(page, "200 rows imported");
  expect((await listPeople(organisation.scope)).length).toBe(before + 200);
  expect(problems).toEqual([]);
});
