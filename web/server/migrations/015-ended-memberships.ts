import type { Knex } from "knex";

/**
 * A membership that has ended stays on record; whoever belongs to an organisation now is in `active_memberships`. An
 * invitation is named by an id, so that it can be taken back or given another link.
 */
export const endedMemberships = {
  name: "015-ended-memberships",
  up: async (database: Knex) => {
    await database.raw(`
      alter table memberships
        add column ended_at timestamptz,
        add column ended_by uuid references accounts;
      create view active_memberships as
        select organisation_id, account_id, role, created_at from memberships where ended_at is null;
      alter table invitations add column id uuid not null default gen_random_uuid() unique;
    `);
  },
};
