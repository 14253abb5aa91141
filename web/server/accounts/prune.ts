import { subDays, subHours } from "date-fns";
import type { Knex } from "knex";
import { SESSION } from "./sessions.ts";

/** A device that no one has signed in with for so long is known no longer. */
const DEVICE_DAYS = 400;

/** Deletes what has run out: sessions, and devices not used any more. Tries to sign in expire by themselves. */
export async function pruneSignIns(database: Knex, now: Date): Promise<void> {
  await database("sign_ins").where("expires_at", "<=", now).orWhere("used_at", "<=", subHours(now, SESSION.idleHours)).delete();
  await database("known_devices").where("used_at", "<", subDays(now, DEVICE_DAYS)).delete();
}
