import type { Knex } from "knex";

/** Trunk and legs shared one size, called "body"; classes taught before keep their forms with that size for both. */
export const splitSizes = (database: Knex) =>
  database.raw(String.raw`
    update classes set script = regexp_replace(script::text, '"body": ([0-8])', '"trunk": \1, "legs": \1', 'g')::jsonb
    where script::text ~ '"body": [0-8]'
  `);

export const trunkAndLegs = {
  name: "008-trunk-and-legs",
  up: async (database: Knex) => {
    await splitSizes(database);
  },
};
