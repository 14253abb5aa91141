import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addCap } from "../server/people/caps.ts";
import { click, IN_SPACE, openBrowser, openPage, signIn } from "./browser.ts";
import { addSomebody, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation("Figure Harbour");
});
afterAll(() => organisation.close());

/** The movement editor with the whole repetition, moving. */
async function openEditor(browser: Browser, problems: string[]): Promise<Page> {
  const page = await openPage(browser, problems);
  await signIn(page, serverUrl(), organisation);
  await page.goto(`${serverUrl()}/movements/shift-and-press/studio`, { waitUntil: "networkidle0" });
  return page;
}

const rendering = (page: Page, is: string) => page.waitForSelector(`[data-rendering="${is}"]`, { timeout: 60_000 });

describe("the moving figure in space", () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await openBrowser(...IN_SPACE);
  });
  afterAll(() => browser.close());

  test("is drawn in colours of its own, moves, and is turned with the arrow keys and by dragging", async () => {
    const problems: string[] = [];
    const page = await openEditor(browser, problems);
    await rendering(page, "space");
    const canvas = await page.waitForSelector("[data-rendering=space] canvas");
    const picture = async (): Promise<string> => (await canvas?.screenshot({ encoding: "base64" })) ?? "";
    const first = await picture();
    // A field of one colour is packed into a few hundred bytes.
    expect(first.length).toBeGreaterThan(4000);
    await expect.poll(async () => (await picture()) !== first, { timeout: 20_000 }).toBe(true);
    const slider = '[data-rendering=space] [role="slider"]';
    const value = () => page.$eval(slider, (element) => element.getAttribute("aria-valuetext"));
    expect(await value()).toBe("not turned");
    await page.focus(slider);
    await page.keyboard.press("ArrowRight");
    expect(await value()).toBe("turned by 15 degrees");
    await page.keyboard.press("Home");
    expect(await value()).toBe("not turned");
    const box = await (await page.$(slider))?.boundingBox();
    if (!box) throw new Error("no place to drag");
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2, { steps: 3 });
    await page.mouse.up();
    await expect.poll(value, { timeout: 20_000 }).toBe("turned by 36 degrees");
    expect(problems).toEqual([]);
  });

  test("of a person turns with what caps leave of a joint", async () => {
    const problems: string[] = [];
    const id = await addSomebody(organisation, "Gudrun");
    await addCap(organisation.scope, id, {
      limit: { channel: "motion", motion: "hipFlexion", side: "both", limit: 70 },
      reason: "stiff hips",
      source: "own word",
      strength: "firm",
      forms: null,
      from: "2026-01-01",
      until: null,
      dateKind: "review",
    });
    const page = await openPage(browser, problems);
    await signIn(page, serverUrl(), organisation);
    await page.goto(`${serverUrl()}/people/${id}`, { waitUntil: "networkidle0" });
    await click(page, "Turn the figure");
    await rendering(page, "space");
    const fans = () =>
      page.$$eval('[data-rendering=space] svg path[fill^="url("]', (paths) => paths.map((path) => path.getAttribute("d")));
    const ahead = await fans();
    await page.focus('[data-rendering=space] [role="slider"]');
    for (let press = 0; press < 4; press += 1) await page.keyboard.press("ArrowLeft");
    await expect.poll(fans, { timeout: 20_000 }).not.toEqual(ahead);
    expect((await fans()).length).toBeGreaterThan(0);
    await click(page, "Close the turning figure");
    expect(await page.$("[data-rendering]")).toBeNull();
    expect(problems).toEqual([]);
  });
});

describe("where a browser cannot draw in space", () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await openBrowser();
  });
  afterAll(() => browser.close());

  test("the figure moves drawn flat, without a word about it and without fetching the part", async () => {
    const problems: string[] = [];
    const fetched: string[] = [];
    const page = await openPage(browser, problems);
    page.on("request", (request) => fetched.push(request.url()));
    await signIn(page, serverUrl(), organisation);
    await page.goto(`${serverUrl()}/movements/shift-and-press/studio`, { waitUntil: "networkidle0" });
    await rendering(page, "drawn");
    const shirt = () => page.$eval("[data-rendering=drawn] .figure-shirt", (path) => path.getAttribute("d"));
    const first = await shirt();
    await expect.poll(async () => (await shirt()) !== first, { timeout: 20_000 }).toBe(true);
    expect(fetched.some((url) => url.includes("figure-scene"))).toBe(false);
    expect(problems).toEqual([]);
  });

  test("a list shows pictures that are sent once, without a script to draw them", async () => {
    const problems: string[] = [];
    const page = await openPage(browser, problems);
    await page.setJavaScriptEnabled(false);
    await signIn(page, serverUrl(), organisation);
    const sent = new Map<string, string | undefined>();
    page.on("response", (response) => {
      if (response.url().includes("/figure?")) sent.set(response.url(), response.headers()["cache-control"]);
    });
    await page.goto(`${serverUrl()}/movements?words=settling`, { waitUntil: "networkidle0" });
    const shown = await page.$$eval("main li img", (pictures) =>
      pictures.map((picture) => (picture as HTMLImageElement).naturalWidth),
    );
    expect(shown.length).toBeGreaterThan(0);
    for (const width of shown) expect(width).toBeGreaterThan(0);
    expect([...sent.values()]).toEqual(shown.map(() => "private, max-age=31536000, immutable"));
    expect(problems).toEqual([]);
  });

  test("a palm is turned by dragging its handle", async () => {
    const problems: string[] = [];
    const page = await openEditor(browser, problems);
    const value = () =>
      page.$$eval("input", (inputs) =>
        inputs.map((input) => `${input.getAttribute("aria-label") ?? input.id} ${input.value}`).join("|"),
      );
    const before = await value();
    const handle = await page.waitForSelector('[data-handle="front rightPalm"]');
    const box = await handle?.boundingBox();
    if (!box) throw new Error("no handle");
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + 30, box.y + 30, { steps: 4 });
    await page.mouse.up();
    await click(page, "Undo");
    expect(await value()).toBe(before);
    expect(problems).toEqual([]);
  });
});
