import type { Knex } from "knex";

/** How long an organisation keeps participants after they were archived, and class records. Null: until someone erases them. */
export const retention = {
  name: "022-retention",
  up: async (database: Knex) => {
    await database.raw(`
      create table retention (
        organisation_id uuid primary key references organisations,
        person_years integer check (person_years between 1 and 30),
        class_years integer check (class_years between 1 and 30),
        changed_by uuid not null references accounts,
        changed_at timestamptz not null
      );
    `);
  },
};
