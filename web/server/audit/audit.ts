import { randomUUID } from "node:crypto";
import { isDeepStrictEqual } from "node:util";
import { subMinutes } from "date-fns";
import type { Scope } from "../scope.ts";

/** What was done. */
export type AuditAction =
  | "added"
  | "changed"
  | "archived"
  | "broughtBack"
  | "ended"
  | "withdrawn"
  | "erased"
  | "deleted"
  | "read"
  | "exported";

/** What it was done to. */
export type AuditSubject =
  | "person"
  | "clinician"
  | "group"
  | "venue"
  | "movement"
  | "policy"
  | "retention"
  | "plan"
  | "class"
  | "classScript"
  | "membership"
  | "invitation"
  | "organisation";

/** Who acts, where and when: all of a scope that an entry needs. */
type Actor = Pick<Scope, "database" | "organisationId" | "accountId" | "now">;

/** What an entry is about, and the person whose values it holds, if any. */
export interface Audited {
  readonly subject: AuditSubject;
  readonly id: string;
  readonly personId?: string;
}

/** A person, whose values go when they are erased. */
export const ofPerson = (personId: string): Audited => ({ subject: "person", id: personId, personId });

type Values = Readonly<Record<string, unknown>>;

/** Adds an entry; what stood there before and after is kept apart from it. */
async function insertEntry(
  { database, organisationId, accountId, now }: Actor,
  action: AuditAction,
  { subject, id, personId }: Audited,
  fields: readonly string[],
  values: { readonly before?: Values; readonly after?: Values },
): Promise<void> {
  const entryId = randomUUID();
  await database("audit_entries").insert({
    organisation_id: organisationId,
    id: entryId,
    at: now(),
    account_id: accountId,
    action,
    subject,
    subject_id: id,
    fields: [...fields],
  });
  if (values.before === undefined && values.after === undefined) return;
  await database("audit_values").insert({
    entry_id: entryId,
    organisation_id: organisationId,
    person_id: personId ?? null,
    before: values.before ? JSON.stringify(values.before) : null,
    after: values.after ? JSON.stringify(values.after) : null,
  });
}

/** Records that something was done that has no values to keep. */
export const recordAction = (scope: Actor, action: AuditAction, what: Audited): Promise<void> =>
  insertEntry(scope, action, what, [], {});

/** Records what something was added or ended with. */
export const recordValues = (scope: Actor, action: "added" | "ended", what: Audited, values: Values): Promise<void> =>
  insertEntry(scope, action, what, Object.keys(values), action === "added" ? { after: values } : { before: values });

const asJson = (value: unknown): unknown => (value === undefined ? null : JSON.parse(JSON.stringify(value)));

/** Records a change by the fields of both that differ; nothing where none does. */
export async function recordChange(scope: Actor, what: Audited, before: Values, after: Values): Promise<void> {
  const fields = Object.keys(after).filter(
    (field) => field in before && !isDeepStrictEqual(asJson(before[field]), asJson(after[field])),
  );
  if (fields.length === 0) return;
  const only = (values: Values) => Object.fromEntries(fields.map((field) => [field, asJson(values[field])]));
  await insertEntry(scope, "changed", what, fields, { before: only(before), after: only(after) });
}

/** Minutes in which the same account reads the same page without another entry: a page reads itself anew after each form. */
const SAME_READING = 10;

/** Records that someone opened a person's page or report. */
export async function recordReading(scope: Actor, personId: string): Promise<void> {
  const { database, organisationId, accountId, now } = scope;
  const same = { organisation_id: organisationId, account_id: accountId, action: "read", subject_id: personId };
  const before = await database("audit_entries").where(same).where("at", ">", subMinutes(now(), SAME_READING)).first("id");
  if (!before) await recordAction(scope, "read", { subject: "person", id: personId });
}

/** An entry as the owner reads it. */
export interface AuditEntry {
  readonly id: string;
  readonly at: string;
  /** Who did it; null for what the server itself did. */
  readonly by: string | null;
  readonly action: AuditAction;
  readonly subject: AuditSubject;
  readonly subjectId: string;
  /** What it is called now; null where it is gone. */
  readonly name: string | null;
  readonly fields: readonly string[];
  readonly before: Values | null;
  readonly after: Values | null;
}

/** What each subject is called now. */
const NAMES = `coalesce(
  (select name from people s where s.organisation_id = e.organisation_id and s.id::text = e.subject_id),
  (select name from groups s where s.organisation_id = e.organisation_id and s.id::text = e.subject_id),
  (select name from places s where s.organisation_id = e.organisation_id and s.id::text = e.subject_id),
  (select name from accounts s where s.id::text = e.subject_id),
  (select g.name || ', ' || s.day from plans s join groups g on g.organisation_id = s.organisation_id and g.id = s.group_id
    where s.organisation_id = e.organisation_id and s.id::text = e.subject_id),
  (select s.script ->> 'groupName' || ', ' || s.day from classes s
    where s.organisation_id = e.organisation_id and s.id::text = e.subject_id)
)`;

interface EntryRow {
  id: string;
  at: Date;
  by: string | null;
  action: AuditAction;
  subject: AuditSubject;
  subject_id: string;
  name: string | null;
  fields: string[];
  before: Values | null;
  after: Values | null;
}

/** Entries of the organisation, newest first. @param before the instant from which to go back; null for the newest */
export async function listAudit(
  { database, organisationId }: Scope,
  { before, most }: { readonly before: string | null; readonly most: number },
): Promise<AuditEntry[]> {
  const query = database("audit_entries as e")
    .leftJoin("accounts as a", "a.id", "e.account_id")
    .leftJoin("audit_values as v", "v.entry_id", "e.id")
    .where("e.organisation_id", organisationId)
    .orderBy([
      { column: "e.at", order: "desc" },
      { column: "e.id", order: "desc" },
    ])
    .limit(most)
    .select<EntryRow[]>(
      "e.id",
      "e.at",
      "a.name as by",
      "e.action",
      "e.subject",
      "e.subject_id",
      "e.fields",
      "v.before",
      "v.after",
      database.raw(`${NAMES} as name`),
    );
  const rows = await (before === null ? query : query.where("e.at", "<", before));
  return rows.map(({ at, subject_id, ...row }) => ({ ...row, at: at.toISOString(), subjectId: subject_id }));
}
