import type { Knex } from "knex";

/** Combinations that an organisation has saved under a name. */
export const combinations = {
  name: "023-combinations",
  up: async (database: Knex) => {
    await database.raw(`
      create table combinations (
        organisation_id uuid not null references organisations,
        id uuid not null,
        combination jsonb not null,
        changed_by uuid not null references accounts,
        changed_at timestamptz not null,
        primary key (organisation_id, id)
      );
      create unique index combinations_name on combinations (organisation_id, (combination->>'name'));
    `);
  },
};
