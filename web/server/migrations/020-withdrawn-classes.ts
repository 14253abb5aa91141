import type { Knex } from "knex";

/** An ended class that should not count is withdrawn with a word why and stays on record; its plan can be taught again. */
export const withdrawnClasses = {
  name: "020-withdrawn-classes",
  up: async (database: Knex) => {
    await database.raw(`
      alter table classes
        add column withdrawn_at timestamptz,
        add column withdrawn_by uuid references accounts,
        add column withdrawn_because text,
        add check ((withdrawn_at is null) = (withdrawn_by is null) and (withdrawn_at is null) = (withdrawn_because is null)),
        drop constraint classes_organisation_id_plan_id_key;
      create unique index classes_of_plan on classes (organisation_id, plan_id) where withdrawn_at is null;
    `);
  },
};
