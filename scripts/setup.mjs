// What both commands do first: the packages of the lock file, and a build that fits the sources.
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";

export const ROOT = join(import.meta.dirname, "..");
/** Everything the application keeps on this machine; git does not see it. */
export const LOCAL = join(ROOT, ".local");

const SOURCES = [
  "core/src",
  "core/package.json",
  "words/en",
  "words/package.json",
  "library",
  "web/app",
  "web/forms",
  "web/jobs",
  "web/server",
  "web/public",
  "web/package.json",
  "web/vite.config.ts",
  "web/react-router.config.ts",
  "package-lock.json",
];

function* filesUnder(path) {
  if (statSync(path).isFile()) yield path;
  else for (const name of readdirSync(path).sort()) yield* filesUnder(join(path, name));
}

function hashOf(paths) {
  const hash = createHash("sha256");
  for (const path of paths)
    for (const file of filesUnder(join(ROOT, path))) {
      if (file.endsWith(".test.ts")) continue;
      hash.update(file.slice(ROOT.length)).update("\0").update(readFileSync(file));
    }
  return hash.digest("hex");
}

/** Runs a program and lets its output through. @throws if it fails */
export function run(program, args, options = {}) {
  const result = spawnSync(program, args, { cwd: ROOT, stdio: "inherit", ...options });
  if (result.status !== 0) throw new Error(`${program} ${args.join(" ")} failed`);
}

/** Does work again only when the hash of what it depends on has changed. */
function onceFor(name, hash, present, work) {
  const stamp = join(LOCAL, `${name}.hash`);
  if (present && existsSync(stamp) && readFileSync(stamp, "utf8") === hash) return;
  work();
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, hash);
}

/** Installs exactly what the lock file says, unless that is what is there. */
export function installPackages() {
  const hash = hashOf(["package-lock.json"]);
  onceFor("packages", hash, existsSync(join(ROOT, "node_modules/.package-lock.json")), () => {
    process.stdout.write("Installing packages ...\n");
    run("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"]);
  });
}

/** Builds the application into a folder of web/, unless the build there is of the same sources. */
export function build(folder) {
  onceFor(folder, hashOf(SOURCES), existsSync(join(ROOT, "web", folder, "server/index.js")), () => {
    process.stdout.write("Building ...\n");
    run("npx", ["react-router", "build", "--logLevel", "warn"], {
      cwd: join(ROOT, "web"),
      env: { ...process.env, NODE_ENV: "production", BUILD_DIRECTORY: folder },
    });
    const server = join(ROOT, "web", folder, "server");
    run("node", [join(server, "write-library-ahead.js"), join(server, "library-ahead.json")]);
  });
}
