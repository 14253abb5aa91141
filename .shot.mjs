import puppeteer from "puppeteer-core";
import { chromium } from "./scripts/debian.mjs";

const base = "http://127.0.0.1:4600";
const browser = await puppeteer.launch({ executablePath: chromium(), args: ["--no-sandbox", "--disable-gpu", "--lang=en-GB"] });
const page = await browser.newPage();
await page.setViewport({ width: 1280, height: 800 });
const pause = (ms) => new Promise((r) => setTimeout(r, ms));
const click = async (words) => {
  await page.waitForFunction(
    (w) => {
      const f = [...document.querySelectorAll("a, button, summary")].find((e) =>
        (e.ariaLabel ?? e.innerText).trim().startsWith(w),
      );
      f?.click();
      return f !== undefined;
    },
    { timeout: 30000 },
    words,
  );
  await pause(600);
};
const shot = async (n, full = false) => {
  await pause(500);
  await page.screenshot({ path: `/tmp/d/${n}.png`, fullPage: full });
};
await page.goto(base + "/sign-in", { waitUntil: "networkidle0" });
await page.type('[name="email"]', process.env.WHO ?? "ines@kittiwake.example");
await page.type('[name="password"]', "low-water-mark");
await Promise.all([page.waitForNavigation(), page.keyboard.press("Enter")]);
const open = (p) => page.goto(base + p, { waitUntil: "networkidle0" });
const script = process.argv[2];
await (await import(script)).default({ page, open, click, shot, pause });
await browser.close();
