import { AxePuppeteer } from "@axe-core/puppeteer";
import type { Page } from "puppeteer-core";

const SERIOUS = ["serious", "critical"];

/** How often axe is asked again while a page is too busy to answer within the one second that axe allows. */
const ATTEMPTS = 30;

/** A laptop, a tablet held upright and a phone, pixels. */
const SIZES = [
  ["laptop", 1280, 800],
  ["tablet", 820, 1180],
  ["phone", 390, 844],
] as const;

/** Waits until a page has drawn so many frames: a figure that moves is drawn anew in each. */
export const drawFrames = (page: Page, frames: number): Promise<void> =>
  page.evaluate(async (count) => {
    for (let frame = 0; frame < count; frame += 1) await new Promise((drawn) => requestAnimationFrame(drawn));
  }, frames);

const analyseOnce = (page: Page) =>
  new AxePuppeteer(page)
    .options({ resultTypes: ["violations"] })
    .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"])
    // The pages have no frames: without them axe needs no page of its own for each result.
    .setLegacyMode()
    .analyze();

async function analyse(page: Page, attempts = ATTEMPTS): ReturnType<typeof analyseOnce> {
  await drawFrames(page, 1);
  try {
    return await analyseOnce(page);
  } catch (error) {
    if (attempts <= 1 || !String(error).includes("is not ready")) throw error;
    return analyse(page, attempts - 1);
  }
}

async function violationsOf(page: Page): Promise<string[]> {
  const { violations } = await analyse(page);
  return violations
    .filter(({ impact }) => SERIOUS.includes(impact ?? ""))
    .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(" | ")}`);
}

/** What stands out of a page on its right side, a few of them; none where nothing scrolls sideways. */
const tooWide = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const { scrollWidth, clientWidth } = document.documentElement;
    if (scrollWidth <= clientWidth + 1) return [];
    return [...document.querySelectorAll("body *")]
      .filter((element) => element.getBoundingClientRect().right > clientWidth + 1)
      .slice(-3)
      .map((element) => element.outerHTML.slice(0, 120));
  });

/** What is seriously wrong with a page on a laptop, a tablet and a phone; the laptop at 200 % is as wide as half of it. */
export async function problemsAtAllSizes(page: Page): Promise<string[]> {
  const problems: string[] = [];
  for (const [name, width, height] of SIZES) {
    await page.setViewport({ width, height });
    const found = [...(await violationsOf(page)), ...(await tooWide(page)).map((element) => `too wide: ${element}`)];
    problems.push(...found.map((problem) => `${name}: ${problem}`));
  }
  await page.setViewport({ width: 640, height: 800 });
  problems.push(...(await tooWide(page)).map((element) => `200 %: too wide: ${element}`));
  await page.setViewport({ width: 1280, height: 800 });
  return problems;
}
