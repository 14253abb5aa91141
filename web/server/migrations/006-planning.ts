import { scriptItems } from "@able-tide/core/class/script";
import type { Movement } from "@able-tide/core/movement/format";
import { type TeachingStyle, USUAL_STYLE } from "@able-tide/core/plan/style";
import { planContextOf, venueSupportsOf } from "@able-tide/core/schedule/plan-setting";
import { schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import { formatState, SCRIPT_WORDING } from "@able-tide/words/schedule";
import type { Knex } from "knex";

/** How every plan was taught before there were styles: as many rounds on each side as were called. */
const BEFORE: TeachingStyle = { ...USUAL_STYLE, name: "As before", counting: "together", depth: "middle" };

/**
 * Styles of teaching, what a plan is for, every version of a plan, series of sessions with their breaks, and addresses by
 * which a calendar may be read. An address is kept as a hash: who can read the table cannot subscribe.
 */
const TABLES = `
alter table plans add column style jsonb, add column purpose text;

create table styles (
  organisation_id uuid not null references organisations,
  id uuid not null,
  style jsonb not null,
  changed_by uuid not null references accounts,
  changed_at timestamptz not null,
  primary key (organisation_id, id)
);

create table plan_versions (
  organisation_id uuid not null,
  plan_id uuid not null,
  version integer not null,
  content jsonb not null,
  saved_by uuid not null references accounts,
  saved_at timestamptz not null,
  primary key (organisation_id, plan_id, version),
  foreign key (organisation_id, plan_id) references plans (organisation_id, id)
);

create table series (
  organisation_id uuid not null,
  id uuid not null,
  group_id uuid not null,
  first_day date not null,
  last_day date not null check (last_day >= first_day),
  breaks jsonb not null,
  created_by uuid not null references accounts,
  created_at timestamptz not null,
  primary key (organisation_id, id),
  foreign key (organisation_id, group_id) references groups (organisation_id, id)
);

create table calendar_addresses (
  organisation_id uuid not null references organisations,
  account_id uuid not null references accounts,
  token_hash text not null unique,
  made_at timestamptz not null,
  revoked_at timestamptz
);
create index on calendar_addresses (organisation_id, account_id);
`;

interface OldScript {
  readonly groupName: string;
  readonly breathSeconds: number;
  readonly seatedOnly: boolean;
  readonly blocks: readonly { readonly id: string; readonly movement: Movement; readonly rounds: number }[];
  readonly people: unknown;
}

/** Classes of before keep what was taught, now with their times written out. */
export async function writeOutScripts(database: Knex): Promise<void> {
  const rows = await database("classes")
    .whereRaw("script -> 'breathSeconds' is not null")
    .select<{ id: string; script: OldScript }[]>("id", "script");
  for (const { id, script } of rows) {
    const blocks = script.blocks.map(({ id: blockId, movement, rounds }) => ({
      block: { id: blockId, movementId: movement.id, rounds },
      movement,
    }));
    const setting = { seatedOnly: script.seatedOnly, supports: venueSupportsOf(null), week: 0, slowestCycle: 0, taught: {} };
    const reading = schedulePlan(blocks, planContextOf(setting, { style: BEFORE, breathSeconds: script.breathSeconds }));
    const { groupName, people } = script;
    const written = {
      groupName,
      people,
      blocks: scriptItems(reading, SCRIPT_WORDING),
      total: reading.total,
      home: formatState(reading.home),
      showing: BEFORE.showing,
    };
    await database("classes")
      .where({ id })
      .update({ script: JSON.stringify(written) });
  }
}

export const planning = {
  name: "006-planning",
  up: async (database: Knex) => {
    await database.raw(TABLES);
    await database("plans").update({ style: JSON.stringify(BEFORE) });
    await database.raw("alter table plans alter column style set not null");
    await writeOutScripts(database);
  },
};
