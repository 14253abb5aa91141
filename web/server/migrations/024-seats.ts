import type { Knex } from "knex";

/** What people of a plan sit on, where the instructor chose it. */
export const seats = {
  name: "024-seats",
  up: async (database: Knex) => {
    await database.raw(`alter table plans add column seats jsonb not null default '[]'`);
  },
};
