// npm run shots: one picture of each main view, made from the demo data on a day of its own, into docs/screenshots.
import { once } from "node:events";
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "./debian.mjs";
import { startCluster } from "./postgres.mjs";
import { startServer } from "./server.mjs";
import { build, installPackages, ROOT } from "./setup.mjs";

installPackages();
const { default: puppeteer } = await import("puppeteer-core");

const FOLDER = join(ROOT, "docs/screenshots");
const SETTLE = 700;
const pause = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

build("build");
const temporary = mkdtempSync(join(tmpdir(), "able-tide-shots-"));
const cluster = await startCluster(`${temporary}-postgres`);
const server = await startServer({
  buildFolder: "build",
  port: 0,
  databaseUrl: cluster.ensureDatabase("able_tide_shots"),
  demo: true,
  env: { CLOCK_STARTS_AT: "2026-10-13T09:00:00Z" },
});
const base = `http://127.0.0.1:${server.port}`;
const browser = await puppeteer.launch({
  executablePath: chromium(),
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--lang=en-GB"],
});

try {
  mkdirSync(FOLDER, { recursive: true });
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  const open = (path) => page.goto(base + path, { waitUntil: "networkidle0" });
  const click = async (words) => {
    await page.waitForFunction(
      (wanted) => {
        const found = [...document.querySelectorAll("a, button, summary")].find((element) =>
          (element.ariaLabel ?? element.innerText).trim().startsWith(wanted),
        );
        found?.click();
        return found !== undefined;
      },
      { timeout: 30_000 },
      words,
    );
    await pause(SETTLE);
  };
  const shot = async (name) => {
    await pause(SETTLE);
    await page.screenshot({ path: join(FOLDER, `${name}.png`) });
  };

  await open("/sign-in");
  await page.type('[name="email"]', "ines@kittiwake.example");
  await page.type('[name="password"]', "low-water-mark");
  await Promise.all([page.waitForNavigation(), page.keyboard.press("Enter")]);
  await shot("today");
  await open("/people");
  await shot("people");
  await click("Marit");
  await shot("person");
  await click("Add limitation");
  await page.select('[name="rule"]', "neckPain");
  await click("Show suggested caps");
  await shot("limitation");
  await open("/groups");
  await shot("groups");
  await open("/movements");
  await shot("movements");
  await open("/movements/shift-and-press/studio");
  await shot("studio");
  await open("/plans");
  await shot("plans");
  await open("/progress");
  await click("Osei");
  await page.waitForSelector('[aria-label^="One-leg stand"] svg');
  await shot("progress");
  await open("/plans");
  await click("Wednesday 14 October");
  await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
  await click("Waves with both hands");
  await shot("plan-board");
  await click("Script");
  await page.waitForSelector(".script-row");
  await shot("script");
  await click("Back to the plan");
  await page.waitForSelector('table[aria-busy="false"]', { timeout: 60_000 });
  await click("Printouts");
  await click("For the helper");
  await shot("helper-sheet");
  await click("Back to the plan");
  await click("Floor plan");
  await shot("floor-plan");
  await click("Back to the plan");
  await click("Teach");
  await click("Osei: Lighter");
  await click("Amahle: As usual");
  await shot("class-arrivals");
  await click("Ruud: more");
  await click("Pain: left shoulder");
  await shot("check-in");
  await page.keyboard.press("Escape");
  await click("Mark everyone as here");
  await click("Start class");
  for (let step = 0; step < 5; step += 1) await click("Next");
  await pause(21_000);
  await shot("class");
  await page.keyboard.press("8");
  await shot("class-person");
  await page.keyboard.press("Escape");
  await pause(SETTLE);
  for (let step = 0; step < 60; step += 1) {
    if (await page.evaluate(() => document.body.innerText.includes("How was the class?"))) break;
    await page.keyboard.press("Space");
    await pause(100);
  }
  await shot("class-ending");
  await open("/");
  await click("Sign out");
  await page.type('[name="email"]', "kees@kittiwake.example");
  await page.type('[name="password"]', "low-water-mark");
  await Promise.all([page.waitForNavigation(), page.keyboard.press("Enter")]);
  await open("/helping");
  await shot("helping");
} finally {
  await browser.close();
  server.child.removeAllListeners("exit");
  server.child.kill("SIGTERM");
  await once(server.child, "exit");
  cluster.stop();
  rmSync(temporary, { recursive: true, force: true });
  rmSync(`${temporary}-postgres`, { recursive: true, force: true });
}
