import type { Knex } from "knex";

/** A session can be told from others and ended by itself: it has an id, a device in words, and when it was last used. */
export const sessions = {
  name: "013-sessions",
  up: async (database: Knex) => {
    await database.raw(`
      alter table sign_ins
        add column id uuid not null default gen_random_uuid() unique,
        add column device text not null default '',
        add column used_at timestamptz;
      update sign_ins set used_at = created_at;
      alter table sign_ins alter column used_at set not null;
      create index on sign_ins (account_id);
    `);
  },
};
