import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addMember } from "../server/accounts/accounts.ts";
import { invite, outbox } from "../server/accounts/invitations.ts";
import { click, openBrowser, openPage, pressOn, seeText, signIn, signInByKeys, typeInto } from "./browser.ts";
import { cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

const CHOSEN = "brass otter lantern";
const problems: string[] = [];

let browser: Browser;
let organisation: TestOrganisation;
let page: Page;
beforeAll(async () => {
  [browser, organisation] = await Promise.all([openBrowser(), ownOrganisation("Lantern Quay")]);
  page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
});
afterAll(async () => {
  await browser.close();
  await organisation.close();
});

const openAccount = () => page.goto(`${serverUrl()}/account`, { waitUntil: "networkidle0" });

async function change(present: string, chosen: string): Promise<void> {
  await openAccount();
  await typeInto(page, "Present password", present);
  await typeInto(page, "New password", chosen);
  await page.keyboard.press("Enter");
}

test("a password is changed by keys; what is wrong stands at its field", async () => {
  await change("not the password", CHOSEN);
  await seeText(page, "This is not your present password.");
  await change(organisation.password, "short");
  await seeText(page, "Use 12 characters or more.");
  await change(organisation.password, "lanternquay1");
  await seeText(page, "This password is easy to guess.");
  const elsewhere = await cookieOf(serverUrl(), organisation);
  await change(organisation.password, CHOSEN);
  await seeText(page, "Your password was changed. You were signed out on 1 other device.");
  const answer = await fetch(serverUrl(), { redirect: "manual", headers: { cookie: elsewhere } });
  expect(answer.headers.get("Location")).toContain("/sign-in");
});

test("the new password signs in, on another device too, and that one is signed out from here", async () => {
  const account = { ...organisation, password: CHOSEN };
  const other = await openPage(browser, problems);
  await signInByKeys(other, serverUrl(), account);
  await openAccount();
  await seeText(page, "this device");
  await pressOn(page, "Sign out everywhere else");
  await seeText(page, "You were signed out on 1 other device.");
  await other.reload();
  await seeText(other, "Sign in to your groups.");
  await seeText(page, "Where you are signed in");
});

test("a password is forgotten and replaced by the link in the outbox, and the new one signs in", async () => {
  const forgetful = await openPage(browser, problems);
  await forgetful.goto(`${serverUrl()}/sign-in`, { waitUntil: "networkidle0" });
  await pressOn(forgetful, "Forgotten password?");
  await seeText(forgetful, "Send a link");
  await typeInto(forgetful, "Email", organisation.email);
  await forgetful.keyboard.press("Enter");
  await seeText(forgetful, "If this email has an account, a letter with a link is on its way.");
  const [letter] = await outbox(organisation.scope);
  const link = /https?:\S+\/reset\/\S+/.exec(letter?.body ?? "")?.[0] ?? "";
  await forgetful.goto(link, { waitUntil: "networkidle0" });
  await typeInto(forgetful, "New password", "slow copper heron");
  await forgetful.keyboard.press("Enter");
  await seeText(forgetful, "Your password was changed. Sign in with the new one.");
  await signInByKeys(forgetful, serverUrl(), { ...organisation, password: "slow copper heron" });
  await forgetful.goto(link);
  await seeText(forgetful, "This link has expired or was already used.");
});

test("an owner changes a member's role, renews an invitation and takes it back", async () => {
  // The forgotten password ended every session.
  await signIn(page, serverUrl(), { ...organisation, password: "slow copper heron" });
  const email = `helper-${organisation.email}`;
  await addMember(organisation.scope, { email, name: "Bryher", password: CHOSEN, role: "helper" });
  await invite(organisation.scope, { email: `new-${organisation.email}`, name: "Merryn", role: "helper" }, (token) => token);
  await page.goto(`${serverUrl()}/organisation`, { waitUntil: "networkidle0" });
  await click(page, "Role, password and access");
  await page.select('select[id^="role-"]', "instructor");
  await click(page, "Save role");
  await seeText(page, "Bryher, instructor");
  await seeText(page, "Merryn, helper, invited until");
  await click(page, "New link");
  await seeText(page, "Give them this link. It works once, for 14 days; it is shown only now.");
  await click(page, "Take back");
  await page.waitForFunction(() => !document.body.innerText.includes("Merryn, helper"));
});

test("the browser reported no script errors", () => expect(problems).toEqual([]));
