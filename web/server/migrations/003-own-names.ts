import type { Knex } from "knex";

/** What an organisation calls a movement, its own or one that comes with the product. */
const TABLES = `
create table movement_names (
  organisation_id uuid not null references organisations,
  movement_id text not null,
  name text not null,
  changed_by uuid not null references accounts,
  changed_at timestamptz not null,
  primary key (organisation_id, movement_id)
);
`;

export const ownNames = {
  name: "003-own-names",
  up: (database: Knex) => database.raw(TABLES).then(() => undefined),
};
