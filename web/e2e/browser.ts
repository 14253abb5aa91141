import puppeteer, { type Browser, type ElementHandle, type Page } from "puppeteer-core";
import { cookieOf, type TestOrganisation } from "./organisation.ts";

/** The keys that these tests press. */
type Key = "Enter" | "Space" | "Tab" | "Backspace" | "Escape" | "ArrowRight" | "ArrowDown" | "ArrowUp";

/** Options with which figures are drawn in space, by the processor alone. */
export const IN_SPACE = ["--use-angle=swiftshader", "--enable-unsafe-swiftshader"] as const;

/**
 * Opens a browser. Without {@link IN_SPACE} it draws figures flat: drawing in space without a graphics processor slows every page.
 *
 * @param more options for Chromium
 */
export function openBrowser(...more: readonly string[]): Promise<Browser> {
  return puppeteer.launch({
    executablePath: process.env["CHROMIUM"] ?? "/usr/bin/chromium",
    headless: true,
    args: [
      "--no-sandbox",
      ...(more.includes(IN_SPACE[0]) ? [] : ["--disable-gpu", "--disable-3d-apis"]),
      "--disable-quic",
      "--no-first-run",
      "--disable-background-networking",
      "--disable-component-update",
      "--disable-sync",
      ...more,
    ],
  });
}

/** A page that fails the test on any script error. */
export async function openPage(browser: Browser, problems: string[]): Promise<Page> {
  const page = await (await browser.createBrowserContext()).newPage();
  await page.setViewport({ width: 1280, height: 800 });
  // Two cores are shared with everything else that is tested.
  page.setDefaultNavigationTimeout(120_000);
  page.on("pageerror", (error) => problems.push(String(error)));
  page.on("console", (message) => {
    const text = message.text();
    // Chromium also reports every answer of 4xx here; those are what some tests are about.
    if (message.type() === "error" && !text.startsWith("Failed to load resource")) problems.push(text);
  });
  return page;
}

/** The words a person would know the focused element by. */
const focusedName = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const element = document.activeElement as HTMLElement | null;
    if (!element) return "";
    const labels = "labels" in element ? [...((element as HTMLInputElement).labels ?? [])] : [];
    const words =
      element.getAttribute("aria-label") ?? (labels.map((label) => label.innerText).join(" ") || element.innerText || "");
    return words.replace(/\s+/g, " ").trim();
  });

const MOST_TABS = 160;

/** Presses Tab until something is focused whose name begins with the words. */
export async function tabTo(page: Page, words: string): Promise<void> {
  for (let presses = 0; presses < MOST_TABS; presses += 1) {
    if ((await focusedName(page)).startsWith(words)) return;
    await page.keyboard.press("Tab");
  }
  throw new Error(`no Tab reaches "${words}"`);
}

/** Tabs to something by name and presses a key there. */
export async function pressOn(page: Page, words: string, key: Key = "Enter"): Promise<void> {
  await tabTo(page, words);
  await page.keyboard.press(key);
}

/** Tabs to a field by its label and types. */
export async function typeInto(page: Page, label: string, text: string): Promise<void> {
  await tabTo(page, label);
  await page.keyboard.type(text);
}

/** How often a page is looked at while something is waited for; each frame would leave no time for the page. Milliseconds. */
const POLLING = 100;

/** How long is waited for something on a page: a machine may be shared with others that take its time. Milliseconds. */
const PATIENCE = 60_000;

/** Waits until the page shows some words. */
export async function seeText(page: Page, words: string, timeout = PATIENCE): Promise<void> {
  await page
    .waitForFunction(
      (wanted) => document.body.innerText.replace(/\s+/g, " ").includes(wanted),
      { timeout, polling: POLLING },
      words,
    )
    .catch(async () => {
      const text = await page.evaluate(() => document.body.innerText);
      throw new Error(`"${words}" is not to be seen at ${page.url()}:\n${text.slice(0, 3000)}`);
    });
}

const TRIES = 5;

/** Shows everyone's own variants on a board, which opens with the versions; clicked again until the page answers. */
export async function showEveryone(page: Page): Promise<void> {
  const chosen = () => {
    const choice = document.querySelector<HTMLElement>('[aria-label="Board shows"] button:last-child');
    if (choice?.dataset.state === "on") return true;
    choice?.click();
    return false;
  };
  await page.waitForFunction(chosen, { timeout: PATIENCE, polling: POLLING });
}

/** Clicks the one visible link or button whose name begins with the words; one that is drawn anew meanwhile is found again. */
export async function click(page: Page, words: string): Promise<void> {
  const find = (wanted: string) =>
    [...document.querySelectorAll<HTMLElement>("a, button, summary, label")].find((element) => {
      const name = element.getAttribute("aria-label") ?? element.innerText;
      return element.offsetParent !== null && name.replace(/\s+/g, " ").trim().startsWith(wanted);
    });
  for (let attempt = 1; ; attempt += 1) {
    const handle = await page.waitForFunction(find, { timeout: PATIENCE, polling: POLLING }, words);
    try {
      await (handle.asElement() as Awaited<ReturnType<Page["$"]>>)?.click();
      return;
    } catch (error) {
      if (attempt === TRIES || !String(error).includes("detached")) throw error;
    }
  }
}

/** Signs in with the keyboard, as a person does. */
export async function signInByKeys(page: Page, base: string, { email, password }: TestOrganisation): Promise<void> {
  await page.goto(`${base}/sign-in`, { waitUntil: "networkidle0" });
  await typeInto(page, "Email", email);
  await typeInto(page, "Password", password);
  await page.keyboard.press("Enter");
  await seeText(page, "Sign out");
}

/** Signs a page in and opens Today; quicker than by keys. */
export async function signIn(page: Page, base: string, account: Pick<TestOrganisation, "email" | "password">): Promise<void> {
  const [name = "", value = ""] = (await cookieOf(base, account)).split("=");
  await page.browserContext().setCookie({ name, value, domain: new URL(base).hostname, path: "/", httpOnly: true });
  await page.goto(base, { waitUntil: "domcontentloaded" });
}

/** Chooses an option of a select box by its label or its name. @param value of the option */
export async function choose(page: Page, label: string, value: string): Promise<void> {
  const named = await page.waitForFunction(
    (words) =>
      [...document.querySelectorAll("select")].find(
        (box) =>
          box.getAttribute("aria-label") === words || box.closest("label")?.querySelector("span")?.innerText.trim() === words,
      ),
    { timeout: PATIENCE },
    label,
  );
  const box = named.asElement() as ElementHandle<HTMLSelectElement> | null;
  await box?.select(value);
}
