import type { Knex } from "knex";

/** Movements that an organisation does not teach are archived: its own and those that came with the product. */
export const archivedMovements = {
  name: "021-archived-movements",
  up: async (database: Knex) => {
    await database.raw(`
      create table archived_movements (
        organisation_id uuid not null references organisations,
        movement_id text not null,
        archived_at timestamptz not null,
        primary key (organisation_id, movement_id)
      );
      alter table movements drop column archived_at;
    `);
  },
};
