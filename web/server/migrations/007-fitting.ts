import type { Knex } from "knex";

/** Helpers and water of a group, forms held and people placed by the instructor's word. */
const COLUMNS = `
alter table groups add column helpers smallint not null default 0 check (helpers between 0 and 20);
alter table groups add column in_water boolean not null default false;
alter table plans add column holds jsonb not null default '[]';
alter table plans add column places jsonb not null default '[]';
`;

export const fitting = {
  name: "007-fitting",
  up: async (database: Knex) => {
    await database.raw(COLUMNS);
  },
};
