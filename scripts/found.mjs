// npm run found: founds an organisation from the terminal. What its options leave out is asked for; so is the password.
// With --from it begins with what was exported of another one.
//   npm run found -- --organisation "Quay Movement" --time-zone Europe/Lisbon --name Elowen --email elowen@quay.example
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { createInterface } from "node:readline/promises";
import { Writable } from "node:stream";
import { pathToFileURL } from "node:url";
import { parseArgs } from "node:util";
import { openDatabase, ownDatabase } from "./own-cluster.mjs";
import { build, installPackages, ROOT } from "./setup.mjs";

const QUESTIONS = [
  ["organisation", "Organisation"],
  ["time-zone", "Time zone, such as Europe/Lisbon"],
  ["name", "Owner's name"],
  ["email", "Owner's email"],
];

const option = { type: "string" };
const options = { from: option, ...Object.fromEntries(QUESTIONS.map(([name]) => [name, option])) };
const {
  values: { from: file, ...values },
} = parseArgs({ options });

/** What is typed is not shown while a password is asked for. */
let hidden = false;
const output = new Writable({
  write(chunk, encoding, done) {
    if (!hidden) process.stdout.write(chunk, encoding);
    done();
  },
});
const terminal = createInterface({ input: process.stdin, output, terminal: process.stdin.isTTY === true });
const lines = terminal[Symbol.asyncIterator]();

async function ask(question) {
  process.stdout.write(`${question}: `);
  const { value, done } = await lines.next();
  if (done) throw new Error("The answers ended too soon.");
  return value;
}

let opened = null;
try {
  installPackages();
  opened = await openDatabase(ownDatabase());
  process.env.DATABASE_URL = opened.databaseUrl;
  const folder = process.env.BUILD ?? "build";
  build(folder);
  const server = pathToFileURL(join(ROOT, "web", folder, "server/index.js")).href;
  const { foundFromTerminal } = await import(server);
  const answers = { ...values };
  for (const [field, question] of QUESTIONS) answers[field] ??= await ask(question);
  hidden = true;
  const password = await ask("Password, 12 characters or more; if the email has an account, its own");
  process.stdout.write("\n");
  const { "time-zone": timeZone, ...rest } = answers;
  const archive = file === undefined ? null : new Uint8Array(readFileSync(file));
  const problem = await foundFromTerminal({ ...rest, timeZone, password }, archive);
  if (problem !== null) throw new Error(problem);
  process.stdout.write(`${answers.organisation} is founded. ${answers.email} signs in as its owner.\n`);
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : error}\n`);
  process.exitCode = 1;
} finally {
  terminal.close();
  opened?.stop();
}
