import { subDays, subHours } from "date-fns";
import type { Knex } from "knex";
import { KNOWN_DEVICE_DAYS } from "./known-devices.ts";
import { SESSION } from "./sessions.ts";

/** Deletes expired sessions and set-up links, and devices that no one has signed in with for long. The library that counts tries deletes theirs. */
export async function pruneSignIns(database: Knex, now: Date): Promise<void> {
  await database("sign_ins").where("expires_at", "<=", now).orWhere("used_at", "<=", subHours(now, SESSION.idleHours)).delete();
  await database("known_devices").where("used_at", "<", subDays(now, KNOWN_DEVICE_DAYS)).delete();
  await database("set_up_links").where("expires_at", "<=", now).delete();
}
