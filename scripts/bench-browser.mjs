// Part of npm run bench: milliseconds from each move of a pull in the studio, and on the plan board, until all has followed.
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { measureFiguresPage, measureSpace } from "./bench-figures.mjs";
import { measureLargestQuestion } from "./bench-largest-question.mjs";
import { chromium } from "./debian.mjs";
import { startCluster } from "./postgres.mjs";
import { startServer } from "./server.mjs";
import { build } from "./setup.mjs";

const MOVES = 120;
const WARM_UP = 20;

const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
const summary = (values) => {
  const sorted = values.toSorted((a, b) => a - b);
  return { median: at(sorted, 0.5), percentile95: at(sorted, 0.95) };
};

async function signedIn(browser, base) {
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(`${base}/sign-in`, { waitUntil: "networkidle0" });
  await page.type('[name="email"]', "ines@kittiwake.example");
  await page.type('[name="password"]', "low-water-mark");
  await Promise.all([page.waitForNavigation(), page.keyboard.press("Enter")]);
  return page;
}

/** Waits until the server has worked out what the whole library can be made to ask, and is quiet. */
async function untilQuiet(page, base) {
  for (let known = 0, before = -1; known === 0 || known > before; ) {
    before = known;
    await new Promise((done) => setTimeout(done, 4000));
    await page.goto(`${base}/movements`, { waitUntil: "networkidle0" });
    known = await page.evaluate(() => document.body.innerText.split("down to").length - 1);
  }
}

/**
 * Pulls a hand in a circle. A move lasts from the pointer's event to the figure, the handle and the readouts being in the
 * page: the handler, the body model, React's work. A frame is let pass between moves.
 */
async function measurePull(page, base) {
  await page.goto(`${base}/movements/row-lift-and-settle/studio`, { waitUntil: "networkidle0" });
  const hand = await page.$eval('[data-handle="front rightHand"]', (element) => {
    const { x, y, width, height } = element.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
  await page.mouse.move(hand.x, hand.y);
  await page.mouse.down();
  const moves = await page.evaluate(
    async ({ x, y }, count) => {
      const handle = document.querySelector('[data-handle="front rightHand"]');
      const followed = () =>
        new Promise((done) => {
          const observer = new MutationObserver(() => {
            observer.disconnect();
            done(performance.now());
          });
          observer.observe(handle, { attributes: true });
        });
      const taken = [];
      for (let i = 0; i < count; i += 1) {
        await new Promise(requestAnimationFrame);
        await new Promise((done) => setTimeout(done, 5));
        const clientX = x + 25 * Math.cos(i / 6) - 25;
        const clientY = y - 30 * Math.sin(i / 6) - 1;
        const done = followed();
        const start = performance.now();
        handle.ownerSVGElement.dispatchEvent(new PointerEvent("pointermove", { clientX, clientY, bubbles: true, pointerId: 1 }));
        taken.push((await done) - start);
      }
      return taken;
    },
    hand,
    MOVES,
  );
  await page.mouse.up();
  const calibration = await page.evaluate(() => {
    const taken = [];
    for (let run = 0, sum = 0; run < 20; run += 1) {
      const start = performance.now();
      for (let i = 0; i < 1_000_000; i += 1) sum += Math.sqrt(i ^ (sum & 7));
      taken.push(performance.now() - start);
    }
    return taken;
  });
  return { ...summary(moves.slice(WARM_UP)), calibrationMilliseconds: summary(calibration).median };
}

/** Puts people into the Wednesday group until it has so many. */
const GROUP = 16;

async function fillGroup(page, base) {
  await page.goto(`${base}/people`, { waitUntil: "networkidle0" });
  for (let i = 0; i < GROUP - 10; i += 1) {
    await page.goto(`${base}/people/new`, { waitUntil: "networkidle0" });
    await page.type('[name="name"]', `Bench ${i}`);
    for (const [field, value] of [
      ["birthYear", "1948"],
      ["statureCentimetres", "165"],
      ["massKilograms", "68"],
    ])
      await page.type(`[name="${field}"]`, value);
    await page.evaluate(() => {
      const label = [...document.querySelectorAll("label")].find((each) => each.textContent.includes("Wednesday Footing"));
      label?.click();
    });
    await Promise.all([page.waitForNavigation({ waitUntil: "networkidle0" }), page.click("main form button")]);
  }
}

const SCRIPT = new Set(["EventDispatch", "FireAnimationFrame", "TimerFire", "FunctionCall", "RunMicrotasks"]);
const BETWEEN_MOVES = 90;

/** The pieces of script of the page's main thread, begin and length in milliseconds, those within others left out. */
function piecesOfScript(trace) {
  const { traceEvents } = JSON.parse(new TextDecoder().decode(trace));
  const page = traceEvents.find(({ name, args }) => name === "FunctionCall" && args.data?.url?.includes("plan-board"));
  const pieces = traceEvents
    .filter(({ ph, tid, pid, name }) => ph === "X" && tid === page.tid && pid === page.pid && SCRIPT.has(name))
    .toSorted((one, other) => one.ts - other.ts);
  let end = 0;
  return pieces.flatMap(({ ts, dur }) => {
    if (ts < end) return [];
    end = ts + dur;
    return [{ at: ts / 1000, lasts: dur / 1000 }];
  });
}

/** Pulls a block to and fro along the board. The longest piece of script that each move brings: what a frame has to wait for. */
async function measureBoard(page, base) {
  await page.goto(`${base}/plans`, { waitUntil: "networkidle0" });
  await Promise.all([page.waitForNavigation(), page.click('main a[href^="/plans/"]:not([href$="import"])')]);
  await page.waitForSelector('table[aria-busy="false"]', { timeout: 120_000 });
  const people = await page.$$eval("tbody tr", (rows) => rows.length);
  const tiles = await page.$$eval('ol[aria-label="Session timeline"] button', (buttons) =>
    buttons.map((button) => {
      const { x, y, width, height } = button.getBoundingClientRect();
      return { x: x + width / 2, y: y + height / 2 };
    }),
  );
  const held = tiles[8];
  const from = tiles[2].x;
  const to = tiles[13].x;
  await page.mouse.move(held.x, held.y);
  await page.mouse.down();
  await page.mouse.move(held.x + 12, held.y, { steps: 3 });
  await page.tracing.start({ categories: ["devtools.timeline"] });
  const moves = [];
  for (let i = 0; i < MOVES; i += 1) {
    await page.mouse.move((from + to) / 2 + ((to - from) / 2) * Math.sin(i / 4), held.y);
    moves.push(i);
    await new Promise((done) => setTimeout(done, BETWEEN_MOVES));
  }
  const pieces = piecesOfScript(await page.tracing.stop());
  await page.mouse.up();
  const begun = pieces[0].at;
  const spans = (pieces.at(-1).at - begun) / moves.length;
  const longest = moves.map((move) =>
    Math.max(0, ...pieces.filter(({ at: when }) => Math.floor((when - begun) / spans) === move).map(({ lasts }) => lasts)),
  );
  return { ...summary(longest.slice(WARM_UP)), people, blocks: tiles.length };
}

/** A measurement, or why there is none: the others are worth having. */
const known = (measured) => measured.catch((error) => ({ notMeasured: String(error) }));

/** Runs studio and board in Chromium on the demo data. @returns milliseconds a move, median and 95th percentile */
export async function benchBrowser() {
  const { default: puppeteer } = await import("puppeteer-core");
  build("build");
  const folder = mkdtempSync(join(tmpdir(), "able-tide-bench-"));
  const cluster = await startCluster(`${folder}-postgres`);
  const databaseUrl = cluster.ensureDatabase("able_tide_bench");
  const server = await startServer({ buildFolder: "build", port: 0, databaseUrl, demo: true });
  const browser = await puppeteer.launch({ executablePath: chromium(), args: ["--no-sandbox", "--disable-gpu", "--lang=en-GB"] });
  try {
    const base = `http://127.0.0.1:${server.port}`;
    const page = await signedIn(browser, base);
    const figuresPage = await known(measureFiguresPage(page, base, untilQuiet));
    return {
      figuresPage,
      figureInSpace: await known(measureSpace(base, signedIn)),
      studioMillisecondsAMove: await known(measurePull(page, base)),
      pageMillisecondsDuringLargestQuestion: await known(measureLargestQuestion(base)),
      boardLongestScriptMillisecondsAMove: await known(fillGroup(page, base).then(() => measureBoard(page, base))),
    };
  } finally {
    await browser.close();
    server.child.removeAllListeners("exit");
    server.child.kill("SIGKILL");
    cluster.stop();
    rmSync(folder, { recursive: true, force: true });
    rmSync(`${folder}-postgres`, { recursive: true, force: true });
  }
}
