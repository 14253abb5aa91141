// npm run backup -- --to FOLDER --recipient age1...: the whole database into one encrypted file. It prints the file's path.
import { mkdirSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { askDatabase, ERASURES_FILE, environmentOf, joined, withDatabase } from "./database-programs.mjs";
import { age, postgresProgram } from "./debian.mjs";

const USAGE = "Type: npm run backup -- --to FOLDER --recipient age1...\nage-keygen makes a key and prints its recipient.";
const ERASURES = "select coalesce(json_agg(e order by at, person_id), '[]') from erasures e";
const { values } = parseArgs({ options: { to: { type: "string" }, recipient: { type: "string", multiple: true } } });

try {
  const { to: folder, recipient: recipients } = values;
  if (folder === undefined || recipients === undefined) throw new Error(USAGE);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const minute = new Date().toISOString().slice(0, 16).replace(":", "");
  const file = join(folder, `able-tide-${minute}Z.dump.age`);
  const unfinished = `${file}.unfinished`;
  try {
    await withDatabase(async (url) => {
      const environment = environmentOf(url);
      await joined(
        [postgresProgram("pg_dump"), ["--format=custom", "--no-owner", "--no-privileges"], environment],
        [age(), ["--encrypt", ...recipients.flatMap((each) => ["--recipient", each]), "--output", unfinished]],
      );
      writeFileSync(join(folder, ERASURES_FILE), `${askDatabase(environment, ERASURES)}\n`);
    });
    renameSync(unfinished, file);
  } finally {
    rmSync(unfinished, { force: true });
  }
  process.stdout.write(`${file}\n`);
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : error}\n`);
  process.exitCode = 1;
}
