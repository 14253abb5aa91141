import type { Knex } from "knex";

/** A class's script says how often it was changed, so that every device in class can tell whether it shows the latest. */
export const scriptRevision = {
  name: "010-script-revision",
  up: async (database: Knex) => {
    await database.raw("alter table classes add column script_revision integer not null default 0");
  },
};
