import type { Knex } from "knex";

/** A result that was recorded by mistake is withdrawn with a word why; it stays on record and counts no more. */
export const withdrawnResults = {
  name: "019-withdrawn-results",
  up: async (database: Knex) => {
    await database.raw(`
      alter table results
        add column withdrawn_at timestamptz,
        add column withdrawn_by uuid references accounts,
        add column withdrawn_because text,
        add check ((withdrawn_at is null) = (withdrawn_by is null) and (withdrawn_at is null) = (withdrawn_because is null));
    `);
  },
};
