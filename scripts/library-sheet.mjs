// npm run library:sheet: tiled pictures of the whole library, each movement's key poses from where they are told best and from above, into
// .local/sheets. Words after "--" choose forms: standing, supported, seated, water.
import { mkdirSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "./debian.mjs";
import { installPackages, LOCAL, ROOT } from "./setup.mjs";

const PER_SHEET = 24;

installPackages();
const { createServer } = await import("vite");
const { default: puppeteer } = await import("puppeteer-core");
const vite = await createServer({
  root: ROOT,
  configFile: false,
  logLevel: "error",
  server: { middlewareMode: true },
  appType: "custom",
});
const { contactSheet } = await vite.ssrLoadModule("/web/sheet/contact-sheet.tsx");

const colours = readFileSync(join(ROOT, "web/app/figure.css"), "utf8");
const library = join(ROOT, "library");
const movements = readdirSync(library)
  .filter((name) => name.endsWith(".json") && !name.endsWith(".schema.json"))
  .map((name) => JSON.parse(readFileSync(join(library, name), "utf8")));
const kinds = process.argv.length > 2 ? process.argv.slice(2) : ["standing", "supported", "seated", "water"];
const folder = join(LOCAL, "sheets");
mkdirSync(folder, { recursive: true });
const browser = await puppeteer.launch({ executablePath: chromium(), args: ["--no-sandbox", "--disable-gpu"] });
try {
  const page = await browser.newPage();
  await page.setViewport({ width: 1400, height: 1000 });
  for (const kind of kinds) {
    const having = movements.filter(({ forms }) => (forms[kind] ?? false) !== false);
    for (let start = 0; start < having.length; start += PER_SHEET) {
      await page.setContent(contactSheet(having.slice(start, start + PER_SHEET), kind, colours));
      const path = join(folder, `${kind}-${start / PER_SHEET + 1}.png`);
      await page.screenshot({ path, fullPage: true });
      process.stdout.write(`${path.slice(ROOT.length + 1)}\n`);
    }
  }
} finally {
  await browser.close();
  await vite.close();
}
