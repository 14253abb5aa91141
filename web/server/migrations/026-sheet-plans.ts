import type { Knex } from "knex";

/** What of a plan a session sheet was worked out for, and how long it takes as it is led: for lists of plans. */
export const sheetPlans = {
  name: "026-sheet-plans",
  up: async (database: Knex) => {
    await database.raw(`
      alter table session_sheets add column planned text, add column times jsonb;
      create index on session_sheets (organisation_id, plan_id, made_at);
    `);
  },
};
