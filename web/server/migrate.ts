import type { Knex } from "knex";
import { firstFloor } from "./migrations/001-first-floor.ts";
import { ownBodies } from "./migrations/002-own-bodies.ts";
import { ownNames } from "./migrations/003-own-names.ts";
import { formSummaries } from "./migrations/004-form-summaries.ts";
import { limitsAndRoles } from "./migrations/005-limits-and-roles.ts";
import { planning } from "./migrations/006-planning.ts";
import { fitting } from "./migrations/007-fitting.ts";
import { trunkAndLegs } from "./migrations/008-trunk-and-legs.ts";
import { clinicalReadings } from "./migrations/009-clinical-readings.ts";
import { scriptRevision } from "./migrations/010-script-revision.ts";
import { eventTimes } from "./migrations/011-event-times.ts";
import { signInLimits } from "./migrations/012-sign-in-limits.ts";
import { sessions } from "./migrations/013-sessions.ts";
import { passwordResets } from "./migrations/014-password-resets.ts";
import { endedMemberships } from "./migrations/015-ended-memberships.ts";
import { setUp } from "./migrations/016-set-up.ts";
import { secondFactors } from "./migrations/017-second-factors.ts";
import { audit } from "./migrations/018-audit.ts";
import { withdrawnResults } from "./migrations/019-withdrawn-results.ts";
import { withdrawnClasses } from "./migrations/020-withdrawn-classes.ts";
import { archivedMovements } from "./migrations/021-archived-movements.ts";
import { retention } from "./migrations/022-retention.ts";
import { combinations } from "./migrations/023-combinations.ts";
import { seats } from "./migrations/024-seats.ts";
import { sessionSheets } from "./migrations/025-session-sheets.ts";
import { sheetPlans } from "./migrations/026-sheet-plans.ts";

const MIGRATIONS = [
  firstFloor,
  ownBodies,
  ownNames,
  formSummaries,
  limitsAndRoles,
  planning,
  fitting,
  trunkAndLegs,
  clinicalReadings,
  scriptRevision,
  eventTimes,
  signInLimits,
  sessions,
  passwordResets,
  endedMemberships,
  setUp,
  secondFactors,
  audit,
  withdrawnResults,
  withdrawnClasses,
  archivedMovements,
  retention,
  combinations,
  seats,
  sessionSheets,
  sheetPlans,
];

/**
 * Locks of PostgreSQL that keep processes that start at once from doing the same work twice. Loading the demo takes minutes: a
 * server that only has to migrate does not wait for that. A lock ends with its connection.
 */
const LOCKS = { migrate: 7_251_904, demo: 7_251_905 } as const;

type Migration = (typeof MIGRATIONS)[number];

const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: async () => MIGRATIONS,
  getMigrationName: (migration) => migration.name,
  getMigration: async (migration) => ({
    up: migration.up,
    down: async () => {
      throw new Error(`${migration.name} only goes forward`);
    },
  }),
};

/** Runs work under a PostgreSQL session lock, so that two processes starting at once take turns. */
export async function withLock<Value>(database: Knex, lock: keyof typeof LOCKS, work: () => Promise<Value>): Promise<Value> {
  const connection = await database.client.acquireConnection();
  try {
    await connection.query("select pg_advisory_lock($1)", [LOCKS[lock]]);
    return await work();
  } finally {
    await connection.query("select pg_advisory_unlock($1)", [LOCKS[lock]]);
    await database.client.releaseConnection(connection);
  }
}

/** Brings the database to the present shape. A lock row that a killed process left behind is freed first. */
export const migrate = (database: Knex): Promise<void> =>
  withLock(database, "migrate", async () => {
    const options = { migrationSource };
    await database.migrate.forceFreeMigrationsLock(options);
    await database.migrate.latest(options);
  });
