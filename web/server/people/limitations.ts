import { randomUUID } from "node:crypto";
import type { Cap, CapLimit } from "@able-tide/core/caps/cap";
import { limitationRule } from "@able-tide/core/caps/limitations/all";
import { interimCaps, type Limitation } from "@able-tide/core/caps/propose";
import { ofPerson, recordValues } from "../audit/audit.ts";
import { type Scope, today } from "../scope.ts";
import { type Ending, type EndingRow, readEnding } from "./ending.ts";

/** A limitation as it is kept. */
export interface StoredLimitation extends Limitation {
  readonly personId: string;
  readonly note: string;
  readonly setAt: string;
  readonly setBy: string;
  readonly ended: Ending;
  /** Whether a clearance was entered for it. */
  readonly cleared: boolean;
  readonly declined: readonly { readonly limit: CapLimit; readonly because: string; readonly by: string }[];
}

export type LimitationInput = Omit<Limitation, "id"> & { readonly note: string };

interface LimitationRow extends EndingRow {
  id: string;
  person_id: string;
  rule: string;
  side: StoredLimitation["side"];
  kind: string | null;
  event_day: string | null;
  note: string;
  created_at: Date;
  set_by: string;
  cleared: boolean;
  declined: { limit: CapLimit; because: string; by: string }[];
}

const toLimitation = (row: LimitationRow): StoredLimitation => ({
  id: row.id,
  personId: row.person_id,
  rule: row.rule,
  side: row.side,
  kind: row.kind,
  eventDay: row.event_day,
  note: row.note,
  setAt: row.created_at.toISOString(),
  setBy: row.set_by,
  ended: readEnding(row),
  cleared: row.cleared,
  declined: row.declined,
});

const limitationsOf = (scope: Scope) =>
  scope
    .database("limitations")
    .join({ setter: "accounts" }, "setter.id", "limitations.created_by")
    .leftJoin({ ender: "accounts" }, "ender.id", "limitations.ended_by")
    .where("limitations.organisation_id", scope.organisationId)
    .orderBy([{ column: "limitations.created_at" }, { column: "limitations.id" }])
    .select<LimitationRow[]>(
      "limitations.*",
      "setter.name as set_by",
      "ender.name as ended_by_name",
      scope.database.raw(
        `exists (select 1 from clearances c
          where c.organisation_id = limitations.organisation_id and c.limitation_id = limitations.id) as cleared`,
      ),
      scope.database.raw(
        `(select coalesce(json_agg(json_build_object('limit', d.cap_limit, 'because', d.because, 'by', a.name)
            order by d.created_at, d.id), '[]'::json)
          from declined_proposals d join accounts a on a.id = d.created_by
          where d.organisation_id = limitations.organisation_id and d.limitation_id = limitations.id) as declined`,
      ),
    );

/** Every limitation a person has had, the ended ones too. */
export async function limitationHistory(scope: Scope, personId: string): Promise<StoredLimitation[]> {
  return (await limitationsOf(scope).where("limitations.person_id", personId)).map(toLimitation);
}

/** Limitations of everyone that no one has ended. */
export async function openLimitations(scope: Scope): Promise<StoredLimitation[]> {
  return (await limitationsOf(scope).whereNull("limitations.ended_at")).map(toLimitation);
}

/** What holds while a limitation waits for a clearance; none once it is cleared or over. */
export function interimCapsOf(limitation: StoredLimitation, day: string): Cap[] {
  const rule = limitationRule(limitation.rule);
  return rule && !limitation.cleared && limitation.ended === null ? interimCaps(rule, limitation, day) : [];
}

/** What holds on a day for those of some people who wait for a clinician's limits. */
export async function interimCapsOfPeople(
  scope: Scope,
  personIds: readonly string[],
  day: string,
): Promise<{ readonly personId: string; readonly caps: readonly Cap[] }[]> {
  const rows = await limitationsOf(scope)
    .whereNull("limitations.ended_at")
    .whereIn("limitations.person_id", [...personIds]);
  return rows.map(toLimitation).map((limitation) => ({
    personId: limitation.personId,
    caps: interimCapsOf(limitation, day),
  }));
}

/** Writes a limitation down within a transaction of the caller's. @returns its id */
export async function insertLimitation(scope: Scope, personId: string, input: LimitationInput): Promise<string> {
  const id = randomUUID();
  await scope.database("limitations").insert({
    organisation_id: scope.organisationId,
    id,
    person_id: personId,
    rule: input.rule,
    side: input.side,
    kind: input.kind,
    event_day: input.eventDay,
    note: input.note,
    created_by: scope.accountId,
    created_at: scope.now(),
  });
  const { rule, side, kind } = input;
  await recordValues(scope, "added", ofPerson(personId), { limitation: { rule, side, kind } });
  return id;
}

/** Keeps a proposal that was declined, with the word why. */
export async function insertDeclined(scope: Scope, limitationId: string, limit: CapLimit, because: string): Promise<void> {
  await scope.database("declined_proposals").insert({
    organisation_id: scope.organisationId,
    id: randomUUID(),
    limitation_id: limitationId,
    cap_limit: JSON.stringify(limit),
    because,
    created_by: scope.accountId,
    created_at: scope.now(),
  });
}

export type EndLimitationOutcome = "ended" | "unknown" | "waits";

/**
 * Ends a limitation, with a word how it is now. Its caps are ended for themselves. While it waits for a clinician's limits what
 * holds in the meantime is absolute, so that only a clinician ends it.
 */
export async function endLimitation(scope: Scope, personId: string, id: string, because: string): Promise<EndLimitationOutcome> {
  const [row] = await limitationsOf(scope)
    .where({ "limitations.person_id": personId, "limitations.id": id })
    .whereNull("limitations.ended_at");
  if (!row) return "unknown";
  if (scope.role !== "clinician" && interimCapsOf(toLimitation(row), today(scope)).length > 0) return "waits";
  const ended = await scope
    .database("limitations")
    .where({ organisation_id: scope.organisationId, person_id: personId, id })
    .whereNull("ended_at")
    .update({ ended_by: scope.accountId, ended_at: scope.now(), ended_because: because });
  if (ended !== 1) return "unknown";
  const { rule, side, kind } = row;
  await recordValues(scope, "ended", ofPerson(personId), { limitation: { rule, side, kind }, because });
  return "ended";
}
