import type { Knex } from "knex";

/**
 * Tries to sign in are counted where every process sees them, under hashes of who tried; their rows expire by
 * themselves. Devices that someone signed in with before are known, so that no one else's tries keep them out.
 */
export const signInLimits = {
  name: "012-sign-in-limits",
  up: async (database: Knex) => {
    await database.raw(`
      drop table failed_sign_ins;
      create table sign_in_tries (
        key varchar(255) primary key,
        points integer not null default 0,
        expire bigint
      );
      create table known_devices (
        account_id uuid not null references accounts,
        token_hash bytea not null,
        used_at timestamptz not null,
        primary key (account_id, token_hash)
      );
    `);
  },
};
