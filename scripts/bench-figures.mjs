// Part of npm run bench: a page of figures as it is sent, and pictures a second of the figure in space without a graphics processor.
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { chromium } from "./debian.mjs";
import { ROOT } from "./setup.mjs";

/** A search whose movements have about 60 key poses. */
const PAGE = "/movements?purpose=hips+and+knees";
const WARM = 5;
/** Seconds that pictures are counted. */
const SECONDS = 8;

const kilobytes = (bytes) => Math.round(bytes / 102.4) / 10;

/**
 * Sends a page and every picture on it, as to a browser that has none of them: right after the start, and again when the server
 * is quiet.
 */
export async function measureFiguresPage(page, base, untilQuiet) {
  const cookies = (await page.cookies()).map(({ name, value }) => `${name}=${value}`).join("; ");
  const textAt = async (path) => (await fetch(`${base}${path}`, { headers: { cookie: cookies } })).text();
  const ask = async () => {
    const start = performance.now();
    const text = await textAt(PAGE);
    const pageMilliseconds = performance.now() - start;
    const addresses = [...text.matchAll(/src="([^"]+\/figure\?[^"]+)"/g)].map(([, address]) => address.replaceAll("&amp;", "&"));
    const pictures = await Promise.all(addresses.map(textAt));
    return { pageMilliseconds, milliseconds: performance.now() - start, text, pictures };
  };
  const cold = await ask();
  await untilQuiet(page, base);
  const warm = [];
  for (let i = 0; i < WARM; i += 1) warm.push(await ask());
  const median = (of) => warm.map(of).toSorted((a, b) => a - b)[Math.floor(WARM / 2)];
  return {
    figures: cold.pictures.reduce((sum, picture) => sum + picture.split("<svg ").length - 2, 0),
    coldMilliseconds: cold.milliseconds,
    warmMilliseconds: median(({ milliseconds }) => milliseconds),
    warmPageMilliseconds: median(({ pageMilliseconds }) => pageMilliseconds),
    kilobytesCompressed: kilobytes([cold.text, ...cold.pictures].reduce((sum, text) => sum + gzipSync(text).length, 0)),
  };
}

/** Size of the part that draws in space, as it is sent. */
function sizeOfScene() {
  const folder = join(ROOT, "web/build/client/assets");
  const file = readdirSync(folder).find((name) => name.startsWith("figure-scene") && name.endsWith(".js"));
  return kilobytes(gzipSync(readFileSync(join(folder, file)), { level: 9 }).length);
}

/** Counts the pictures that the moving figure draws, in a field of so many by 480 pixels. @returns pictures a second */
async function countPictures(page, wide) {
  await page.waitForSelector('[data-rendering="space"]', { timeout: 120_000 });
  const counted = await page.evaluate(
    async (seconds, width) => {
      const field = document.querySelector('[data-rendering="space"]');
      Object.assign(field.style, { width, height: "480px", flex: "none" });
      await new Promise((done) => setTimeout(done, 2000));
      const before = window.pictures;
      await new Promise((done) => setTimeout(done, 1000 * seconds));
      return window.pictures - before;
    },
    SECONDS,
    `${wide}px`,
  );
  return counted / SECONDS;
}

/** Presses the button or link that begins with these words, as soon as the page that has one is quiet. */
async function press(page, words) {
  const pressed = (text, press) => {
    const all = [...document.querySelectorAll("a, button")];
    const found = all.find((each) => each.innerText.trim().startsWith(text));
    if (press) found?.click();
    return found !== undefined;
  };
  await page.waitForFunction(pressed, { timeout: 60_000 }, words, false);
  await new Promise((done) => setTimeout(done, 1000));
  await page.evaluate(pressed, words, true);
}

/** Counts the pictures of the moving figure in fields of 480 pixels, drawn by the processor alone. */
export async function measureSpace(base, signedIn) {
  const { default: puppeteer } = await import("puppeteer-core");
  const browser = await puppeteer.launch({
    executablePath: chromium(),
    args: ["--no-sandbox", "--enable-unsafe-swiftshader", "--lang=en-GB"],
  });
  try {
    const page = await signedIn(browser, base);
    await page.evaluateOnNewDocument(() => {
      window.pictures = 0;
      const { clear } = WebGL2RenderingContext.prototype;
      WebGL2RenderingContext.prototype.clear = function counted(mask) {
        // Each picture of the figure clears its field once.
        if (this.canvas.isConnected) window.pictures += 1;
        return clear.call(this, mask);
      };
    });
    await page.goto(`${base}/movements/shift-and-press/studio`, { waitUntil: "networkidle0" });
    // The editor shows two pictures side by side.
    const twoFiguresPicturesASecond = (await countPictures(page, 960)) / 2;
    await page.goto(`${base}/plans`, { waitUntil: "networkidle0" });
    for (const words of ["Wednesday", "Teach", "Mark everyone as here", "Start class"]) await press(page, words);
    const oneFigurePicturesASecond = await countPictures(page, 480);
    return { oneFigurePicturesASecond, twoFiguresPicturesASecond, kilobytesCompressed: sizeOfScene() };
  } finally {
    await browser.close();
  }
}
