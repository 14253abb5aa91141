import { spawn } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { strFromU8, unzipSync } from "fflate";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addPlan, deletePlan, listPlans } from "../server/plans/plans.ts";
import { click, openBrowser, openPage, pressOn, seeText, signIn, tabTo, typeInto } from "./browser.ts";
import { addSomebody, cookieOf, endedClass, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

const ROOT = join(import.meta.dirname, "../..");
const problems: string[] = [];
let folder: string;
let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "able-tide-life-"));
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Whole Life Quay")]);
  await addSomebody(organisation, "Kerensa");
  await addSomebody(organisation, "Jory");
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await browser.close();
  await organisation.close();
});

/** Runs the command that founds. Waiting for it must not block: connections that the server closes meanwhile have to be seen. */
function runFound(options: readonly string[], typed: string) {
  const child = spawn(process.execPath, [join(ROOT, "scripts/found.mjs"), ...options], {
    env: { ...process.env, DATABASE_URL: process.env["TEST_DATABASE_URL"] ?? "", BUILD: "build-test" },
  });
  child.stdin.end(typed);
  const said = { stdout: "", stderr: "" };
  for (const name of ["stdout", "stderr"] as const) child[name].on("data", (chunk: Buffer) => (said[name] += chunk));
  return new Promise<{ readonly stdout: string; readonly stderr: string; readonly status: number | null }>((resolve) => {
    child.once("close", (status) => resolve({ ...said, status }));
  });
}

const openPerson = async (name: string) => {
  await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
  await click(page, name);
  await seeText(page, "Active caps today");
};

test("someone is archived and brought back", async () => {
  await openPerson("Kerensa");
  await click(page, "Export, archive or erase");
  await click(page, "Archive Kerensa");
  await page.waitForFunction(() => !document.body.innerText.includes("Kerensa"));
  await click(page, "Archive");
  await seeText(page, "Kerensa since");
  await click(page, "Bring back");
  await seeText(page, "Nothing is archived.");
  await openPerson("Kerensa");
});

test("a group with a venue is archived in the right order, with the reason why not before", async () => {
  await page.goto(`${serverUrl()}/groups`, { waitUntil: "networkidle0" });
  await click(page, "Harbour Wednesday");
  await click(page, "Archive Harbour Wednesday");
  await page.waitForFunction(() => !document.body.innerText.includes("Harbour Wednesday"));
  await page.goto(`${serverUrl()}/archive`, { waitUntil: "networkidle0" });
  await click(page, "Bring back Harbour Wednesday");
  await seeText(page, "Nothing is archived.");
});

test("a movement is archived in its editor, offered on no board, and brought back", async () => {
  const { scope, groupId } = organisation;
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  const planId = await addPlan(scope, { groupId, day: "2026-10-28", breathSeconds: 8, blocks });
  const offered = async () => {
    await page.goto(`${serverUrl()}/plans/${planId}`, { waitUntil: "networkidle0" });
    await seeText(page, "Add a movement");
    return page.evaluate(() => document.body.innerText.includes("Shift and press"));
  };
  expect(await offered()).toBe(true);
  await page.goto(`${serverUrl()}/movements/shift-and-press/studio`, { waitUntil: "networkidle0" });
  await click(page, "Archive this movement");
  await page.waitForFunction(() => location.pathname === "/movements");
  expect(await offered()).toBe(false);
  await page.goto(`${serverUrl()}/archive`, { waitUntil: "networkidle0" });
  await click(page, "Bring back Shift and press");
  await seeText(page, "Nothing is archived.");
  expect(await offered()).toBe(true);
  await deletePlan(scope, planId);
});

test("an owner says how long class records are kept; what is older is listed, and erased by name and password", async () => {
  await endedClass(organisation, "2016-10-12");
  await page.goto(`${serverUrl()}/organisation/retention`, { waitUntil: "networkidle0" });
  await seeText(page, "Nothing is.");
  await page.select('[name="classYears"]', "5");
  await click(page, "Save periods");
  await seeText(page, "1 class record: from Wednesday 12 October 2016");
  await page.goto(serverUrl(), { waitUntil: "networkidle0" });
  await seeText(page, "Past the period you keep them: 1 class record.");
  await click(page, "Review");
  await typeInto(page, "Type the name to confirm", "Whole Life Quay");
  await typeInto(page, "Your password", "not the password");
  await page.keyboard.press("Enter");
  await seeText(page, "This is not your present password.");
  await tabTo(page, "Type the name to confirm");
  await page.keyboard.down("Control");
  await page.keyboard.press("KeyA");
  await page.keyboard.up("Control");
  await page.keyboard.type("Whole Life Quay");
  await typeInto(page, "Your password", organisation.password);
  await page.keyboard.press("Enter");
  await seeText(page, "Erased: 1 class record.");
  await seeText(page, "Nothing is.");
});

test("someone is erased by name and password only, and the record says so without a name", async () => {
  await openPerson("Jory");
  await click(page, "Export, archive or erase");
  await click(page, "Erase Jory for good");
  await typeInto(page, "Type the name to confirm", "Kerensa");
  await typeInto(page, "Your password", organisation.password);
  await page.keyboard.press("Enter");
  await seeText(page, "Type the name as it stands here: Jory");
  await page.reload({ waitUntil: "networkidle0" });
  await typeInto(page, "Type the name to confirm", "jory");
  await typeInto(page, "Your password", organisation.password);
  await page.keyboard.press("Enter");
  await page.waitForFunction(() => location.pathname === "/people");
  await page.goto(`${serverUrl()}/organisation`, { waitUntil: "networkidle0" });
  await pressOn(page, "Record of changes");
  await seeText(page, "erased participant");
  await seeText(page, "read participant Kerensa");
  expect(await page.evaluate(() => document.body.innerText)).not.toContain("Jory");
});

test("people are found by their first letters", async () => {
  await page.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
  await typeInto(page, "Search", "kér");
  await seeText(page, "Kerensa");
  await typeInto(page, "Search", "x");
  await seeText(page, "No participant found.");
});

test("a plan is copied, moved and deleted; a second one on the same day is made on purpose only", async () => {
  const { scope, groupId } = organisation;
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  const planId = await addPlan(scope, { groupId, day: "2026-10-14", breathSeconds: 8, blocks });
  const days = async () => (await listPlans(scope, { from: "2026-10-01" }, 10)).map(({ day }) => day);
  await page.goto(`${serverUrl()}/plans/${planId}/organise`, { waitUntil: "networkidle0" });
  await click(page, "Copy plan");
  await seeText(page, "There is a plan for this group and day.");
  expect(await days()).toEqual(["2026-10-14"]);
  await click(page, "Make a second plan for this day");
  await click(page, "Copy plan");
  await seeText(page, "Tide line");
  expect(await days()).toEqual(["2026-10-14", "2026-10-14"]);
  await page.goto(`${serverUrl()}/plans/${planId}/organise`, { waitUntil: "networkidle0" });
  await page.$eval('input[type="date"]', (field) => {
    (field as HTMLInputElement).value = "2026-10-21";
  });
  await click(page, "Move plan");
  await seeText(page, "Harbour Wednesday, Wednesday 21 October");
  await click(page, "Revisions");
  await click(page, "Copy, move or delete");
  await click(page, "Delete this plan");
  await page.waitForFunction(() => location.pathname === "/plans");
  expect(await days()).toEqual(["2026-10-14"]);
});

test("the record of an ended class is put right, with who and why, and the class is withdrawn and counted again", async () => {
  const classId = await endedClass(organisation, "2026-10-07");
  await page.goto(`${serverUrl()}/classes/${classId}`, { waitUntil: "networkidle0" });
  await seeText(page, "Kerensa absent");
  await click(page, "Correct the record");
  await seeText(page, "Who was there, what was noted");
  await pressOn(page, "Was there");
  await pressOn(page, "Record as there");
  await seeText(page, "Enter what was wrong with it.");
  await typeInto(page, "What was wrong with it", "came late, not ticked");
  await page.keyboard.press("Enter");
  await seeText(page, "Was not there");
  await page.select(
    '[name="personId"]:not([type="hidden"])',
    (await page.$eval('[name="personId"][type="hidden"]', (field) => (field as HTMLInputElement).value)) ?? "",
  );
  await page.select('[name="sign"]', "wobbled");
  await page.select('[name="step"]', "0");
  await click(page, "Add this note");
  await seeText(page, "Lost balance, Settling breath");
  await page.select('[name="effort"]', "4");
  await page.type("textarea", "Warm hall");
  await page.type('[name="because"][id*="closing"]', "pressed too early");
  await click(page, "Correct effort and note");
  await page.waitForFunction(() => (document.querySelector('[name="because"][id*="closing"]') as HTMLInputElement).value === "");
  await click(page, "Back to the record");
  await seeText(page, "Effort 4 out of 10, light. Warm hall");
  await seeText(page, "Kerensa was there. came late, not ticked (Keeper,");
  await seeText(page, "Note added: Kerensa: lost balance, Settling breath.");
  await click(page, "Correct the record");
  await click(page, "Withdraw this class");
  await page.type('[name="because"][id*="withdraw"]', "only tried out");
  await page.keyboard.press("Enter");
  await seeText(page, "This class is withdrawn");
  await click(page, "Back to the record");
  await seeText(page, "Withdrawn. It counts no more. only tried out (Keeper,");
  await click(page, "Correct the record");
  await click(page, "Count this class again");
  await seeText(page, "Corrected since");
  expect(await page.evaluate(() => document.body.innerText)).not.toContain("counts no more");
});

test("everything is exported, and read back as another organisation from the terminal", async () => {
  const cookie = await cookieOf(serverUrl(), organisation);
  const response = await fetch(`${serverUrl()}/organisation/export`, { headers: { cookie } });
  const archive = new Uint8Array(await response.arrayBuffer());
  expect(strFromU8(unzipSync(archive)["people.csv"] ?? new Uint8Array())).toContain("Kerensa");
  const file = join(folder, "able-tide.zip");
  writeFileSync(file, archive);
  const email = `reader-${organisation.email}`;
  const options = ["--organisation", "Read-back Quay", "--time-zone", "Europe/Lisbon", "--name", "Reader"];
  const foundFrom = (from: string) => runFound(["--from", from, ...options, "--email", email], "brass otter lantern\n");
  const torn = join(folder, "torn.zip");
  writeFileSync(torn, archive.subarray(0, archive.length - 500));
  const refused = await foundFrom(torn);
  expect(refused.stderr).toContain("This file is no zip file, or a part of it is missing.");
  expect(refused.status).not.toBe(0);
  await expect(cookieOf(serverUrl(), { email, password: "brass otter lantern" })).rejects.toThrow("401");
  const found = await foundFrom(file);
  expect(found.stderr).toBe("");
  expect(found.stdout).toContain("Read-back Quay is founded.");
  const reader = await openPage(browser, problems);
  await signIn(reader, serverUrl(), { email, password: "brass otter lantern" });
  await reader.goto(`${serverUrl()}/people`, { waitUntil: "networkidle0" });
  await seeText(reader, "Kerensa");
  // The reader deletes it again, by name and password.
  await reader.goto(`${serverUrl()}/organisation/delete`, { waitUntil: "networkidle0" });
  await typeInto(reader, "Type the name to confirm", "Read-back Quay");
  await typeInto(reader, "Your password", "brass otter lantern");
  await reader.keyboard.press("Enter");
  await seeText(reader, "Sign in to your groups.");
  await expect(cookieOf(serverUrl(), { email, password: "brass otter lantern" })).rejects.toThrow("401");
});

test("the browser reported no script errors", () => expect(problems).toEqual([]));
