import knex, { type Knex } from "knex";
import pg from "pg";

// Calendar days stay the text they are: a Date would move them across time zones.
pg.types.setTypeParser(pg.types.builtins.DATE, (day) => day);

/** Connections one process may hold; processes times this stays under the server's limit. */
const POOL = { min: 0, max: 8 };

export const connect = (url: string): Knex => knex({ client: "pg", connection: url, pool: POOL });

let shared: Knex | null = null;

/** The process's own pool, on the database that DATABASE_URL names. */
export function database(): Knex {
  const url = process.env["DATABASE_URL"];
  if (!url) throw new Error("DATABASE_URL is not set: start the application with `npm run demo` or set it yourself");
  shared ??= connect(url);
  return shared;
}
