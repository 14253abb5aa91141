import { Secret, TOTP } from "otpauth";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { openBrowser, openPage, pressOn, seeText, signIn, signInByKeys, tabTo, typeInto } from "./browser.ts";
import { ownOrganisation, type TestOrganisation } from "./organisation.ts";
import { type OwnDatabase, ownDatabase } from "./own-database.ts";
import { type OwnServer, startOwnServer } from "./own-server.ts";

const problems: string[] = [];
let own: OwnDatabase;
let browser: Browser;
let server: OwnServer;
let organisation: TestOrganisation;
let page: Page;
beforeAll(async () => {
  // An app shows the codes of the real clock. A server by that clock has its own database: in the shared one it would find
  // every other test's session long expired.
  own = await ownDatabase("second_factor_test");
  const env = { CLOCK_STARTS_AT: new Date().toISOString() };
  [browser, server] = await Promise.all([openBrowser(), startOwnServer({ databaseUrl: own.url, env })]);
  organisation = await ownOrganisation("Lock Harbour", own.url);
  page = await openPage(browser, problems);
  await signIn(page, server.base, organisation);
});
afterAll(async () => {
  await browser?.close();
  await server?.kill();
  await organisation?.close();
  await own?.drop();
});

let totp: TOTP;
let recoveryCodes: string[] = [];

/** A code of a later half minute than those used before; the server takes the next one too. */
const nextCode = () => totp.generate({ timestamp: Date.now() + 30_000 });

async function enterPassword(other: Page): Promise<void> {
  await other.goto(`${server.base}/sign-in`, { waitUntil: "networkidle0" });
  await typeInto(other, "Email", organisation.email);
  await typeInto(other, "Password", organisation.password);
  await other.keyboard.press("Enter");
  await seeText(other, "Enter the code that your app shows now.");
}

test("it is set up with an app by the text beside the picture, by keys, and its recovery codes are shown once", async () => {
  await page.goto(`${server.base}/account`, { waitUntil: "networkidle0" });
  await pressOn(page, "Set up a second factor");
  await seeText(page, "Let the app read the picture");
  const secret = await page.$eval("ol strong", (element) => element.textContent ?? "");
  totp = new TOTP({ secret: Secret.fromBase32(secret.replace(/\s/g, "")) });
  await typeInto(page, "Code", totp.generate());
  await typeInto(page, "Password", "not the password");
  await page.keyboard.press("Enter");
  await seeText(page, "This is not your present password.");
  await tabTo(page, "Password");
  await page.keyboard.down("Control");
  await page.keyboard.press("KeyA");
  await page.keyboard.up("Control");
  await page.keyboard.type(organisation.password);
  await page.keyboard.press("Enter");
  await seeText(page, "Keep these recovery codes");
  recoveryCodes = await page.$$eval("section li", (items) => items.map((item) => item.textContent ?? ""));
  expect(recoveryCodes).toHaveLength(10);
  await page.reload({ waitUntil: "networkidle0" });
  await seeText(page, "You have 10 recovery codes left.");
  expect(await page.evaluate(() => document.body.innerText)).not.toContain(recoveryCodes[0]);
});

test("signing in asks for a code, takes one of the app, and says what is wrong with another", async () => {
  const other = await openPage(browser, problems);
  await enterPassword(other);
  await typeInto(other, "Code", "not a code");
  await other.keyboard.press("Enter");
  await seeText(other, "This code is wrong or was used.");
  await tabTo(other, "Code");
  await other.keyboard.down("Control");
  await other.keyboard.press("KeyA");
  await other.keyboard.up("Control");
  await other.keyboard.type(nextCode());
  await other.keyboard.press("Enter");
  await seeText(other, "Sign out");
});

test("a recovery code signs in where the phone is lost, and the second factor is turned off again", async () => {
  const other = await openPage(browser, problems);
  await enterPassword(other);
  await typeInto(other, "Code", recoveryCodes[0] ?? "");
  await other.keyboard.press("Enter");
  await seeText(other, "Sign out");
  await other.goto(`${server.base}/account`, { waitUntil: "networkidle0" });
  await pressOn(other, "Change second factor");
  await seeText(other, "You have 9 recovery codes left.");
  await typeInto(other, "Password", organisation.password);
  await pressOn(other, "Turn off");
  await seeText(other, "Let the app read the picture");
  const third = await openPage(browser, problems);
  await signInByKeys(third, server.base, organisation);
});

test("the browser reported no script errors", () => expect(problems).toEqual([]));
