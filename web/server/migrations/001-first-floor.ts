import type { Knex } from "knex";

/** Every row belongs to an organisation, and foreign keys carry it, so that no row can point across. */
const TABLES = `
create table organisations (
  id uuid primary key,
  name text not null,
  time_zone text not null,
  created_at timestamptz not null
);

create table accounts (
  id uuid primary key,
  email text not null unique check (email = lower(email)),
  name text not null,
  password_hash text not null,
  created_at timestamptz not null
);

create table memberships (
  organisation_id uuid not null references organisations,
  account_id uuid not null references accounts,
  role text not null check (role in ('owner', 'instructor')),
  created_at timestamptz not null,
  primary key (organisation_id, account_id)
);

create table sign_ins (
  token_hash bytea primary key,
  organisation_id uuid not null,
  account_id uuid not null,
  created_at timestamptz not null,
  expires_at timestamptz not null,
  foreign key (organisation_id, account_id) references memberships (organisation_id, account_id)
);

create table failed_sign_ins (
  subject text not null,
  at timestamptz not null
);
create index on failed_sign_ins (subject, at);

create table people (
  organisation_id uuid not null references organisations,
  id uuid not null,
  name text not null,
  birth_year integer not null,
  stature_metres numeric(4, 3) not null,
  mass_kilograms numeric(5, 1) not null,
  uses text not null,
  notes text not null,
  created_by uuid not null references accounts,
  created_at timestamptz not null,
  changed_by uuid not null references accounts,
  changed_at timestamptz not null,
  primary key (organisation_id, id)
);

create table caps (
  organisation_id uuid not null,
  id uuid not null,
  person_id uuid not null,
  cap_limit jsonb not null,
  reason text not null,
  source text not null,
  strength text not null check (strength in ('absolute', 'firm', 'comfort')),
  from_day date not null,
  until_day date,
  created_by uuid not null references accounts,
  created_at timestamptz not null,
  ended_by uuid references accounts,
  ended_at timestamptz,
  ended_because text,
  primary key (organisation_id, id),
  foreign key (organisation_id, person_id) references people (organisation_id, id),
  check (until_day is null or until_day >= from_day),
  check ((ended_at is null) = (ended_by is null))
);
create index on caps (organisation_id, person_id);

create table groups (
  organisation_id uuid not null references organisations,
  id uuid not null,
  name text not null,
  place text not null,
  weekday integer not null check (weekday between 1 and 7),
  starts_at text not null,
  minutes integer not null,
  seated_only boolean not null,
  created_at timestamptz not null,
  primary key (organisation_id, id)
);

create table group_members (
  organisation_id uuid not null,
  group_id uuid not null,
  person_id uuid not null,
  primary key (organisation_id, group_id, person_id),
  foreign key (organisation_id, group_id) references groups (organisation_id, id),
  foreign key (organisation_id, person_id) references people (organisation_id, id)
);

create table movements (
  organisation_id uuid not null references organisations,
  id text not null,
  document jsonb not null,
  created_by uuid not null references accounts,
  created_at timestamptz not null,
  changed_by uuid not null references accounts,
  changed_at timestamptz not null,
  primary key (organisation_id, id)
);

create table plans (
  organisation_id uuid not null,
  id uuid not null,
  group_id uuid not null,
  day date not null,
  breath_seconds numeric(4, 1) not null,
  blocks jsonb not null,
  version integer not null,
  created_by uuid not null references accounts,
  created_at timestamptz not null,
  changed_by uuid not null references accounts,
  changed_at timestamptz not null,
  primary key (organisation_id, id),
  foreign key (organisation_id, group_id) references groups (organisation_id, id)
);

create table classes (
  organisation_id uuid not null,
  id uuid not null,
  plan_id uuid not null,
  group_id uuid not null,
  day date not null,
  script jsonb not null,
  last_sequence integer not null,
  ended_at timestamptz,
  started_by uuid not null references accounts,
  started_at timestamptz not null,
  primary key (organisation_id, id),
  unique (organisation_id, plan_id),
  foreign key (organisation_id, plan_id) references plans (organisation_id, id),
  foreign key (organisation_id, group_id) references groups (organisation_id, id)
);
create index on classes (organisation_id, group_id, day);

create table class_events (
  organisation_id uuid not null,
  class_id uuid not null,
  id uuid not null,
  sequence integer not null,
  event jsonb not null,
  recorded_by uuid not null references accounts,
  recorded_at timestamptz not null,
  primary key (organisation_id, class_id, id),
  unique (organisation_id, class_id, sequence),
  foreign key (organisation_id, class_id) references classes (organisation_id, id)
);

create table results (
  organisation_id uuid not null,
  id uuid not null,
  person_id uuid not null,
  test text not null,
  side text not null check (side in ('left', 'right')),
  day date not null,
  trials jsonb not null,
  value numeric(6, 2) not null,
  note text not null,
  recorded_by uuid not null references accounts,
  recorded_at timestamptz not null,
  primary key (organisation_id, id),
  foreign key (organisation_id, person_id) references people (organisation_id, id)
);
create index on results (organisation_id, person_id, test, day);
`;

export const firstFloor = {
  name: "001-first-floor",
  up: (database: Knex) => database.raw(TABLES).then(() => undefined),
};
