import type { Knex } from "knex";

/**
 * Limitations, clearances and measured ranges behind the caps; what else is known of a person; places and policy; roles
 * in addition to the instructor's, invited by a link.
 */
const TABLES = `
alter table memberships drop constraint memberships_role_check;
alter table memberships add constraint memberships_role_check check (role in ('owner', 'instructor', 'helper', 'clinician'));

alter table people add column version integer not null default 1;
alter table people add column about jsonb not null default '{}';
alter table people add column clinician_account uuid references accounts;
alter table people add column released_at timestamptz;
alter table people add column released_by uuid references accounts;
alter table people add column released_because text;

create table limitations (
  organisation_id uuid not null,
  id uuid not null,
  person_id uuid not null,
  rule text not null,
  side text check (side in ('left', 'right', 'both')),
  kind text,
  event_day date,
  note text not null,
  created_by uuid not null references accounts,
  created_at timestamptz not null,
  ended_by uuid references accounts,
  ended_at timestamptz,
  ended_because text,
  primary key (organisation_id, id),
  foreign key (organisation_id, person_id) references people (organisation_id, id),
  check ((ended_at is null) = (ended_by is null))
);
create index on limitations (organisation_id, person_id);

create table clearances (
  organisation_id uuid not null,
  id uuid not null,
  person_id uuid not null,
  limitation_id uuid not null,
  day date not null,
  clinician text not null,
  says text not null,
  own_sign_in boolean not null,
  created_by uuid not null references accounts,
  created_at timestamptz not null,
  primary key (organisation_id, id),
  foreign key (organisation_id, person_id) references people (organisation_id, id),
  foreign key (organisation_id, limitation_id) references limitations (organisation_id, id)
);
create index on clearances (organisation_id, person_id);

create table clearance_files (
  organisation_id uuid not null,
  clearance_id uuid not null,
  name text not null,
  media_type text not null,
  content bytea not null,
  primary key (organisation_id, clearance_id),
  foreign key (organisation_id, clearance_id) references clearances (organisation_id, id)
);

create table declined_proposals (
  organisation_id uuid not null,
  id uuid not null,
  limitation_id uuid not null,
  cap_limit jsonb not null,
  because text not null,
  created_by uuid not null references accounts,
  created_at timestamptz not null,
  primary key (organisation_id, id),
  foreign key (organisation_id, limitation_id) references limitations (organisation_id, id)
);

alter table caps add column forms jsonb;
alter table caps add column date_kind text not null default 'review' check (date_kind in ('review', 'ends'));
alter table caps add column follows text;
alter table caps add column limitation_id uuid;
alter table caps add column clearance_id uuid;
alter table caps add column origin text not null default 'person' check (origin in ('person', 'usual', 'newcomer', 'everybody'));
alter table caps add foreign key (organisation_id, limitation_id) references limitations (organisation_id, id);
alter table caps add foreign key (organisation_id, clearance_id) references clearances (organisation_id, id);

create table measurements (
  organisation_id uuid not null,
  id uuid not null,
  person_id uuid not null,
  range text not null,
  side text not null check (side in ('left', 'right', 'none')),
  how text not null check (how in ('active', 'passive', 'painFree')),
  degrees numeric(5, 1),
  landmark text,
  day date not null,
  recorded_by uuid not null references accounts,
  recorded_at timestamptz not null,
  primary key (organisation_id, id),
  foreign key (organisation_id, person_id) references people (organisation_id, id),
  check ((degrees is null) <> (landmark is null))
);
create index on measurements (organisation_id, person_id, day);

alter table results drop constraint results_side_check;
alter table results alter column side drop not null;
alter table results add constraint results_side_check check (side in ('left', 'right'));

create table places (
  organisation_id uuid not null references organisations,
  id uuid not null,
  name text not null,
  room jsonb not null,
  emergency jsonb not null,
  version integer not null,
  changed_by uuid not null references accounts,
  changed_at timestamptz not null,
  primary key (organisation_id, id)
);

alter table groups add column place_id uuid;
alter table groups add column questions jsonb;
alter table groups add foreign key (organisation_id, place_id) references places (organisation_id, id);

create table policies (
  organisation_id uuid primary key references organisations,
  policy jsonb not null,
  version integer not null,
  changed_by uuid not null references accounts,
  changed_at timestamptz not null
);

create table invitations (
  organisation_id uuid not null references organisations,
  token_hash bytea not null,
  role text not null check (role in ('owner', 'instructor', 'helper', 'clinician')),
  email text not null check (email = lower(email)),
  name text not null,
  created_by uuid not null references accounts,
  created_at timestamptz not null,
  expires_at timestamptz not null,
  used_at timestamptz,
  primary key (organisation_id, token_hash),
  unique (token_hash)
);

create table outbox (
  organisation_id uuid not null references organisations,
  id uuid not null,
  recipient text not null,
  subject text not null,
  body text not null,
  created_at timestamptz not null,
  primary key (organisation_id, id)
);
`;

export const limitsAndRoles = {
  name: "005-limits-and-roles",
  up: (database: Knex) => database.raw(TABLES).then(() => undefined),
};
