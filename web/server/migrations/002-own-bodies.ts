import type { Knex } from "knex";

/** What differs from the usual body: see MeasuredBody in the core. Lengths are metres. */
const TABLES = `
alter table people add column measured jsonb not null default '{
  "legLength": [null, null], "armLength": [null, null],
  "arms": [{"kind": "whole"}, {"kind": "whole"}], "legs": [{"kind": "whole"}, {"kind": "whole"}],
  "floats": 0, "wheelchair": false}';
alter table people alter column measured drop default;
`;

export const ownBodies = {
  name: "002-own-bodies",
  up: (database: Knex) => database.raw(TABLES).then(() => undefined),
};
