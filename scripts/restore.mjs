// npm run restore -- --from FILE --key FILE: a back-up into an empty database.
import { existsSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { parseArgs } from "node:util";
import { askDatabase, ERASURES_FILE, environmentOf, joined, withDatabase } from "./database-programs.mjs";
import { age, postgresProgram } from "./debian.mjs";

const USAGE = "Type: npm run restore -- --from FILE --key FILE";
const TABLES = "select count(*) from pg_tables where schemaname = 'public'";
const { values } = parseArgs({ options: { from: { type: "string" }, key: { type: "string" }, erasures: { type: "string" } } });

const ID = /^[0-9a-f-]{36}$/;
const INSTANT = /^[0-9T:.+-]{10,40}Z?$/;

/** Says who was erased since the back-up: the application erases them again when it starts. */
function tellErasures(environment, file) {
  if (!existsSync(file)) return;
  const rows = JSON.parse(readFileSync(file, "utf8")).map(({ organisation_id, person_id, at }) => {
    if (!ID.test(organisation_id) || !ID.test(person_id) || !INSTANT.test(at)) throw new Error(`${file} cannot be read.`);
    return `('${organisation_id}', '${person_id}', '${at}')`;
  });
  if (rows.length === 0) return;
  askDatabase(
    environment,
    `insert into erasures (organisation_id, person_id, at) values ${rows.join(", ")} on conflict do nothing`,
  );
}

try {
  const { from: file, key } = values;
  if (file === undefined || key === undefined) throw new Error(USAGE);
  for (const path of [file, key]) if (!existsSync(path)) throw new Error(`There is no file ${path}`);
  await withDatabase(async (url) => {
    const environment = environmentOf(url);
    if (Number(askDatabase(environment, TABLES)) > 0)
      throw new Error("The database is not empty, and nothing was changed. Restore into an empty one.");
    const options = ["--no-owner", "--no-privileges", "--exit-on-error", "--single-transaction"];
    await joined(
      [age(), ["--decrypt", "--identity", key, file]],
      [postgresProgram("pg_restore"), [...options, "--dbname", environment.PGDATABASE], environment],
    );
    tellErasures(environment, values.erasures ?? join(dirname(file), ERASURES_FILE));
  });
  process.stdout.write("Restored. Start the application: it brings an older back-up up to date.\n");
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : error}\n`);
  process.exitCode = 1;
}
