import type { Knex } from "knex";

/** Links that choose a new password, each once: asked for by whoever forgot theirs, or issued by an owner. */
export const passwordResets = {
  name: "014-password-resets",
  up: async (database: Knex) => {
    await database.raw(`
      create table password_resets (
        token_hash bytea primary key,
        account_id uuid not null references accounts,
        issued_by uuid references accounts,
        created_at timestamptz not null,
        expires_at timestamptz not null
      );
      create index on password_resets (account_id);
    `);
  },
};
