import type { Knex } from "knex";

/**
 * How sessions are led, written down: worked out once for what a session is made of and never changed, and the list of those
 * that a class was taught by. Classes begun before have their present one.
 */
export const sessionSheets = {
  name: "025-session-sheets",
  up: async (database: Knex) => {
    await database.raw(`
      create table session_sheets (
        organisation_id uuid not null references organisations,
        hash text not null,
        plan_id uuid not null,
        content jsonb not null,
        made_at timestamptz not null,
        primary key (organisation_id, hash)
      );
      create index on session_sheets (made_at);
      create table class_sheets (
        organisation_id uuid not null,
        class_id uuid not null,
        number integer not null,
        cause text not null,
        from_item integer not null,
        script jsonb not null,
        made_by uuid not null references accounts,
        made_at timestamptz not null,
        primary key (organisation_id, class_id, number),
        foreign key (organisation_id, class_id) references classes (organisation_id, id)
      );
      insert into class_sheets (organisation_id, class_id, number, cause, from_item, script, made_by, made_at)
        select organisation_id, id, script_revision, 'begun', 0, script, started_by, started_at from classes;
      alter table class_events add column sheet integer;
    `);
  },
};
