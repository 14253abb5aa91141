import type { Knex } from "knex";
import { tokenHash } from "./token.ts";

/** Days after its last use that a device stays known. */
export const KNOWN_DEVICE_DAYS = 400;

/** Whether an account has signed in on a device before. @param device the token in the device's own cookie */
export async function isKnownDevice(database: Knex, accountId: string, device: string): Promise<boolean> {
  const row = await database("known_devices")
    .where({ account_id: accountId, token_hash: tokenHash(device) })
    .first("account_id");
  return row !== undefined;
}

/** Remembers that an account has signed in on a device. */
export const rememberDevice = (database: Knex, accountId: string, device: string, now: Date): Promise<unknown> =>
  database("known_devices")
    .insert({ account_id: accountId, token_hash: tokenHash(device), used_at: now })
    .onConflict(["account_id", "token_hash"])
    .merge(["used_at"]);
