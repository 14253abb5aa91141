import type { Knex } from "knex";

/**
 * A second factor of an account by codes of an app, which counts from when it was confirmed with one, and codes for when the
 * app is lost. A code is good once: its step is kept.
 */
export const secondFactors = {
  name: "017-second-factors",
  up: async (database: Knex) => {
    await database.raw(`
      create table second_factors (
        account_id uuid primary key references accounts,
        secret text not null,
        last_step bigint not null default 0,
        created_at timestamptz not null,
        confirmed_at timestamptz
      );
      create table recovery_codes (
        account_id uuid not null references second_factors on delete cascade,
        code_hash bytea not null,
        primary key (account_id, code_hash)
      );
    `);
  },
};
