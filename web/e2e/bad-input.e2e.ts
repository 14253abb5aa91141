import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addPlan } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, seeText, signIn } from "./browser.ts";
import { addSomebody, cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let browser: Browser;
let organisation: TestOrganisation;
let personId: string;
let page: Page;
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation()]);
  personId = await addSomebody(organisation, "Jory");
  page = await openPage(browser, []);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

/** The sentence that stands with a field, by the field's aria-describedby. */
const sentenceAt = (name: string): Promise<string | null> =>
  page.$eval(
    `[name="${name}"]`,
    (field) => document.getElementById(field.getAttribute("aria-describedby") ?? "")?.innerText ?? null,
  );
const typedIn = (name: string): Promise<string> => page.$eval(`[name="${name}"]`, (field) => (field as HTMLInputElement).value);

describe("in the browser a sentence stands at the field and nothing typed is lost", () => {
  test.each([
    ["letters for stature", "tall", "Enter the height in centimetres, such as 164."],
    ["400 cm", "400", "Enter a height of 220 cm or less. Is it in centimetres?"],
  ])("%s", async (_, typed, sentence) => {
    await page.goto(`${serverUrl()}/people/new`, { waitUntil: "networkidle0" });
    await page.type('[name="name"]', "Kerensa");
    await page.type('[name="birthYear"]', "1951");
    await page.type('[name="statureCentimetres"]', typed);
    await page.type('[name="massKilograms"]', "70");
    await page.type('[name="notes"]', "Comes by ferry.");
    await click(page, "Add participant");
    await seeText(page, sentence);
    expect(await sentenceAt("statureCentimetres")).toBe(sentence);
    expect(await typedIn("name")).toBe("Kerensa");
    expect(await typedIn("statureCentimetres")).toBe(typed);
    expect(await typedIn("notes")).toBe("Comes by ferry.");
  });

  test("an until-date before the from-date", async () => {
    await page.goto(`${serverUrl()}/people/${personId}`, { waitUntil: "networkidle0" });
    await click(page, "Set a cap");
    await page.type('[name="reason"]', "sore knee");
    await page.type('[name="source"]', "own word");
    await page.$eval('[name="until"]', (field) => {
      (field as HTMLInputElement).value = "2026-10-01";
    });
    await click(page, "Set cap");
    await seeText(page, "The end date is before the start date. Change one of them.");
    expect(await sentenceAt("until")).toBe("The end date is before the start date. Change one of them.");
    expect(await typedIn("reason")).toBe("sore knee");
    expect(await typedIn("until")).toBe("2026-10-01");
  });

  test("a plan with no movement", async () => {
    const planId = await addPlan(organisation.scope, {
      groupId: organisation.groupId,
      day: "2026-10-14",
      breathSeconds: 8,
      blocks: [],
    });
    await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
    const answered = page.waitForResponse((response) => response.url().endsWith("/teach"));
    await click(page, "Teach");
    expect((await answered).status()).toBe(422);
    await seeText(page, "This plan has no movements yet. Add one before you teach.");
  });

  test("a broken movement file", async () => {
    const file = join(mkdtempSync(join(tmpdir(), "able-tide-file-")), "broken.json");
    writeFileSync(file, '{\n  "format": "able-tide/movement",\n  "version": oops\n}');
    await page.goto(`${serverUrl()}/movements`, { waitUntil: "networkidle0" });
    const input = await page.$('input[type="file"]');
    if (!input) throw new Error("no place for a file");
    await (input as typeof input & { uploadFile: (path: string) => Promise<void> }).uploadFile(file);
    await click(page, "Import");
    await seeText(page, "line 3, column 14");
    await seeText(page, "Nothing was imported.");
  });
});

describe("without a script the same is said, with a status of 4xx", () => {
  const post = async (path: string, fields: Record<string, string>) => {
    const response = await fetch(`${serverUrl()}${path}`, {
      method: "POST",
      redirect: "manual",
      headers: { Cookie: await cookieOf(serverUrl(), organisation) },
      body: new URLSearchParams(fields),
    });
    return { status: response.status, text: await response.text() };
  };
  test("a broken movement file", async () => {
    const body = new FormData();
    body.set("file", new File(['{"format": "able-tide/movement", "version": 9}'], "broken.json", { type: "application/json" }));
    const headers = { Cookie: await cookieOf(serverUrl(), organisation) };
    const response = await fetch(`${serverUrl()}/movements`, { method: "POST", headers, body });
    expect(response.status).toBe(422);
    expect(await response.text()).toContain("this release reads versions up to 2");
  });

  const person = {
    intent: "person",
    name: "Kerensa",
    birthYear: "1951",
    massKilograms: "70",
    uses: "",
    notes: "Comes by ferry.",
  };
  const cap = { intent: "cap", channel: "loadedKnee", side: "left", reason: "sore knee", source: "own word", strength: "firm" };

  test.each<[string, string, Record<string, string>, string, string]>([
    ["letters for stature", "/people/new", { ...person, statureCentimetres: "tall" }, "Enter the height in centimetres", "tall"],
    ["400 cm", "/people/new", { ...person, statureCentimetres: "400" }, "Enter a height of 220 cm or less", "Comes by ferry."],
    [
      "a knee of 300 degrees",
      "/people/ID",
      { ...cap, amount: "300", from: "2026-10-01" },
      "Enter a number from 0 to 120",
      "sore knee",
    ],
    [
      "an until-date before the from-date",
      "/people/ID",
      { ...cap, amount: "30", from: "2026-10-10", until: "2026-10-01" },
      "The end date is before the start date. Change one of them.",
      "2026-10-01",
    ],
    [
      "a trial of 90 s",
      "/progress/ID",
      { day: "2026-10-12", left1: "90", note: "new shoes" },
      "A trial is stopped at 45 s.",
      "new shoes",
    ],
    ["a result without a trial", "/progress/ID", { day: "2026-10-12", note: "new shoes" }, "at least one trial", "new shoes"],
    ["a result from tomorrow", "/progress/ID", { day: "2027-01-01", left1: "9" }, "The date is in the future.", "2027-01-01"],
    [
      "a balance test from tomorrow",
      "/people/ID",
      { intent: "test", stage: "tandem", day: "2027-01-01", because: "from the chair group" },
      "The date is in the future.",
      "from the chair group",
    ],
    [
      "a balance test of no stage",
      "/people/ID",
      { intent: "release", stage: "", day: "2026-10-12" },
      "Choose the highest stage",
      "2026-10-12",
    ],
    [
      "a plan file that is missing",
      "/plans/import",
      { groupId: "", day: "2026-12-02", file: "" },
      "Choose a file.",
      "2026-12-02",
    ],
    [
      "a people file that is missing",
      "/people/files",
      { intent: "check", kind: "measured", text: " " },
      "Choose a file,",
      "measured",
    ],
    ["a plan for no day", "/plans", { groupId: "", day: "soon", start: "last" }, "Enter the date.", "Start from"],
  ])("%s", async (_, path, fields, sentence, kept) => {
    const { status, text } = await post(path.replace("ID", personId), fields);
    expect(status).toBe(422);
    for (const words of [sentence, kept]) expect(text.includes(words), `"${words}" is in the page`).toBe(true);
  });
});
