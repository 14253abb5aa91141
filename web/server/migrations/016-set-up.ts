import type { Knex } from "knex";

/**
 * Links that found the first organisation, each once. Whether the guide through the first steps was closed is a matter of the
 * organisation; those that are there already need none.
 */
export const setUp = {
  name: "016-set-up",
  up: async (database: Knex) => {
    await database.raw(`
      create table set_up_links (
        token_hash bytea primary key,
        created_at timestamptz not null,
        expires_at timestamptz not null
      );
      alter table organisations add column guide_closed_at timestamptz;
      update organisations set guide_closed_at = now();
    `);
  },
};
