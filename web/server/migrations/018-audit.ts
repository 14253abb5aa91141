import type { Knex } from "knex";

/**
 * Who changed and who read what. Entries are only ever added; what stood there before and after lies apart, by person, and
 * goes with an erasure. An organisation that is deleted takes its entries along.
 *
 * People, groups, venues and movements can be put away and brought back. Who was erased stays on a list of ids, so that a
 * back-up of before brings no one back.
 */
const TABLES = `
create table audit_entries (
  organisation_id uuid not null references organisations,
  id uuid primary key,
  at timestamptz not null,
  account_id uuid references accounts,
  action text not null,
  subject text not null,
  subject_id text not null,
  fields text[] not null
);
create index on audit_entries (organisation_id, at desc, id);

create table audit_values (
  entry_id uuid primary key references audit_entries,
  organisation_id uuid not null references organisations,
  person_id uuid,
  before jsonb,
  after jsonb
);
create index on audit_values (organisation_id, person_id);

create function keep_audit_entries() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' and current_setting('able_tide.deletes_organisation', true) = old.organisation_id::text then
    return old;
  end if;
  raise exception 'audit entries are only added';
end $$;
create trigger only_added before update or delete on audit_entries for each row execute function keep_audit_entries();

create table erasures (
  organisation_id uuid not null,
  person_id uuid not null,
  at timestamptz not null,
  primary key (organisation_id, person_id)
);

alter table people add column archived_at timestamptz;
alter table groups add column archived_at timestamptz;
alter table places add column archived_at timestamptz;
alter table movements add column archived_at timestamptz;
`;

export const audit = {
  name: "018-audit",
  up: (database: Knex) => database.raw(TABLES).then(() => undefined),
};
