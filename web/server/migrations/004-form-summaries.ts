import type { Knex } from "knex";

/**
 * What the forms of a movement ask, kept by a hash of the movement's poses and of the model's version. It follows from
 * them alone and holds nothing of anyone's, so it belongs to no organisation.
 */
const TABLES = `
create table form_summaries (
  content_hash text primary key,
  summaries bytea not null,
  made_at timestamptz not null
);
`;

export const formSummaries = {
  name: "004-form-summaries",
  up: (database: Knex) => database.raw(TABLES).then(() => undefined),
};
