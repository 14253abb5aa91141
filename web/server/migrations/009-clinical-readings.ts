import { USUAL_STYLE } from "@able-tide/core/plan/style";
import type { Knex } from "knex";

/**
 * The turn of a shoulder is read as clinicians measure it: a cap on it keeps its number and means something else now, so each
 * open one asks to be looked at. A measured turn says in which position of the arm it was taken.
 */
const TABLES = `
create table cap_notices (
  organisation_id uuid not null,
  cap_id uuid not null,
  kind text not null check (kind in ('clinicalTurn')),
  made_at timestamptz not null,
  seen_by uuid references accounts,
  seen_at timestamptz,
  because text,
  primary key (organisation_id, cap_id, kind),
  foreign key (organisation_id, cap_id) references caps (organisation_id, id),
  check ((seen_at is null) = (seen_by is null))
);

alter table measurements add column arm_position text check (arm_position in ('hanging', 'atTheSide', 'ahead'));
`;

const TURNS = ["shoulderInwardTurn", "shoulderOutwardTurn"];

/** Asks about every open cap on the turn of a shoulder. */
export const noticeTurnCaps = (database: Knex): Promise<unknown> =>
  database.raw(
    `insert into cap_notices (organisation_id, cap_id, kind, made_at)
     select organisation_id, id, 'clinicalTurn', now() from caps
     where ended_at is null and cap_limit ->> 'channel' = 'motion' and cap_limit ->> 'motion' = any(?)
     on conflict do nothing`,
    [TURNS],
  );

/** The four-stage stand has a stage more, after "none": the others move up by one. */
export const shiftStages = (database: Knex): Promise<unknown> =>
  database.raw("update results set value = value + 1 where test = 'fourStageStand' and value >= 1");

/** Styles of before leave it to the person to move slower against the water. */
export async function addDragChoice(database: Knex): Promise<void> {
  const { drag } = USUAL_STYLE;
  const choice = JSON.stringify({ drag });
  await database.raw("update plans set style = ?::jsonb || style", [choice]);
  await database.raw("update styles set style = ?::jsonb || style", [choice]);
  await database.raw(
    "update plan_versions set content = jsonb_set(content, '{style}', ?::jsonb || (content -> 'style')) where content -> 'style' is not null",
    [choice],
  );
}

export const clinicalReadings = {
  name: "009-clinical-readings",
  up: async (database: Knex) => {
    await database.raw(TABLES);
    await noticeTurnCaps(database);
    await shiftStages(database);
    await addDragChoice(database);
  },
};
