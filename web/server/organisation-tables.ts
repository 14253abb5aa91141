import type { Knex } from "knex";

const BY_ID = [["id", "uuid"]] as const;

/**
 * Tables with rows of organisations, those that others refer to first, with the columns that name a row among those of an
 * organisation. What is exported is read back under another organisation; the rest belongs to this installation: sign-ins,
 * links and letters.
 */
export const EXPORTED = {
  policies: [],
  retention: [],
  places: BY_ID,
  groups: BY_ID,
  people: BY_ID,
  group_members: [
    ["group_id", "uuid"],
    ["person_id", "uuid"],
  ],
  limitations: BY_ID,
  clearances: BY_ID,
  clearance_files: [["clearance_id", "uuid"]],
  declined_proposals: BY_ID,
  caps: BY_ID,
  cap_notices: [
    ["cap_id", "uuid"],
    ["kind", "text"],
  ],
  measurements: BY_ID,
  results: BY_ID,
  movements: [["id", "text"]],
  movement_names: [["movement_id", "text"]],
  archived_movements: [["movement_id", "text"]],
  styles: BY_ID,
  combinations: BY_ID,
  plans: BY_ID,
  plan_versions: [
    ["plan_id", "uuid"],
    ["version", "integer"],
  ],
  series: BY_ID,
  classes: BY_ID,
  class_sheets: [
    ["class_id", "uuid"],
    ["number", "integer"],
  ],
  class_events: [
    ["class_id", "uuid"],
    ["id", "uuid"],
  ],
} as const satisfies Readonly<Record<string, readonly (readonly [column: string, type: string])[]>>;
export type ExportedTable = keyof typeof EXPORTED;
export const EXPORTED_TABLES = Object.keys(EXPORTED) as ExportedTable[];

/** Tables that belong to this installation, in the order in which they are emptied. */
export const KEPT_TABLES = [
  "session_sheets",
  "audit_values",
  "audit_entries",
  "sign_ins",
  "invitations",
  "outbox",
  "calendar_addresses",
  "erasures",
  "memberships",
] as const;

/** Columns that name an account, wherever they are. */
export const ACCOUNT_COLUMNS = [
  "created_by",
  "changed_by",
  "made_by",
  "ended_by",
  "started_by",
  "saved_by",
  "recorded_by",
  "released_by",
  "seen_by",
  "withdrawn_by",
  "clinician_account",
] as const;

/** Deletes every row of an organisation and the organisation itself, within a transaction of the caller's. */
export async function deleteRows(database: Knex, organisationId: string): Promise<void> {
  const own = { organisation_id: organisationId };
  await database.raw("select set_config('able_tide.deletes_organisation', ?, true)", [organisationId]);
  for (const table of EXPORTED_TABLES.toReversed()) await database(table).where(own).delete();
  for (const table of KEPT_TABLES) await database(table).where(own).delete();
  await database("organisations").where({ id: organisationId }).delete();
}
