import { randomUUID } from "node:crypto";
import { type Cap, type CapLimit, instructorMayEnd, isActiveOn } from "@able-tide/core/caps/cap";
import type { CapRecord } from "@able-tide/core/caps/history";
import type { MeasuredRange } from "@able-tide/core/caps/measured";
import { formatReason, formatSource } from "@able-tide/words/format-cap";
import { ofPerson, recordValues } from "../audit/audit.ts";
import { type Scope, today } from "../scope.ts";
import { computedCapsOf } from "./computed-caps.ts";
import { type EndingRow, readEnding } from "./ending.ts";
import { interimCapsOfPeople } from "./limitations.ts";

/** What set a cap: someone's word on this person, or the usual limits: of newcomers, of those released, of everyone. */
type CapOrigin = "person" | "usual" | "newcomer" | "everybody";

export interface CapInput extends Omit<Cap, "id" | "forms" | "dateKind">, Partial<Pick<Cap, "forms" | "dateKind">> {
  /** The measured range whose last pain-free value it follows. */
  readonly follows?: MeasuredRange | null;
  readonly limitationId?: string | null;
  readonly clearanceId?: string | null;
  readonly origin?: CapOrigin;
}

/** A cap as it is kept: with who set it and, once it is over, who ended it and why. */
export interface StoredCap extends CapRecord {
  readonly personId: string;
  readonly limitationId: string | null;
  readonly clearanceId: string | null;
  readonly follows: MeasuredRange | null;
  readonly origin: CapOrigin;
}

interface CapRow extends EndingRow {
  id: string;
  person_id: string;
  cap_limit: CapLimit;
  forms: Cap["forms"];
  reason: string;
  source: string;
  strength: Cap["strength"];
  from_day: string;
  until_day: string | null;
  date_kind: Cap["dateKind"];
  follows: MeasuredRange | null;
  limitation_id: string | null;
  clearance_id: string | null;
  origin: CapOrigin;
  created_at: Date;
  set_by: string;
}

const toCap = (row: CapRow): StoredCap => ({
  id: row.id,
  personId: row.person_id,
  limit: row.cap_limit,
  forms: row.forms,
  reason: row.reason,
  source: row.source,
  strength: row.strength,
  from: row.from_day,
  until: row.until_day,
  dateKind: row.date_kind,
  follows: row.follows,
  limitationId: row.limitation_id,
  clearanceId: row.clearance_id,
  origin: row.origin,
  setAt: row.created_at.toISOString(),
  setBy: row.set_by,
  ended: readEnding(row),
});

const capsOf = (scope: Scope) =>
  scope
    .database("caps")
    .join({ setter: "accounts" }, "setter.id", "caps.created_by")
    .leftJoin({ ender: "accounts" }, "ender.id", "caps.ended_by")
    .where("caps.organisation_id", scope.organisationId)
    .orderBy([{ column: "caps.from_day" }, { column: "caps.created_at" }, { column: "caps.id" }])
    .select<CapRow[]>("caps.*", "setter.name as set_by", "ender.name as ended_by_name");

/** Every cap a person has had, the ended ones too. */
export async function capHistory(scope: Scope, personId: string): Promise<StoredCap[]> {
  return (await capsOf(scope).where("caps.person_id", personId)).map(toCap);
}

/** Caps of everyone that no one has ended. */
export async function openCaps(scope: Scope): Promise<StoredCap[]> {
  return (await capsOf(scope).whereNull("caps.ended_at")).map(toCap);
}

/** Those of some caps that no one has ended, by their ids. */
export async function openCapsIn(scope: Scope, ids: readonly string[]): Promise<StoredCap[]> {
  return (
    await capsOf(scope)
      .whereNull("caps.ended_at")
      .whereIn("caps.id", [...ids])
  ).map(toCap);
}

/** An active cap, and whether it is a standard or newcomer cap rather than a personal one. */
export interface ActiveCap extends Cap {
  readonly usual: boolean;
}

const inForce = ({ origin, id, limit, forms, reason, source, strength, from, until, dateKind }: StoredCap): ActiveCap => ({
  id,
  limit,
  forms,
  reason,
  source,
  strength,
  from,
  until,
  dateKind,
  usual: origin !== "person",
});

/** The caps that hold for each of some people on a day, what waits for a clinician's limits among them. */
export async function activeCaps(scope: Scope, personIds: readonly string[], day: string): Promise<Map<string, ActiveCap[]>> {
  const holding = new Map<string, ActiveCap[]>(personIds.map((id) => [id, []]));
  // One after the other: within a transaction there is one connection.
  const rows = await capsOf(scope)
    .whereNull("caps.ended_at")
    .whereIn("caps.person_id", [...personIds]);
  const waiting = await interimCapsOfPeople(scope, personIds, day);
  for (const cap of rows.map(toCap)) if (isActiveOn(cap, day)) holding.get(cap.personId)?.push(inForce(cap));
  for (const { personId, caps: interim } of waiting)
    holding.get(personId)?.push(...interim.map((cap) => ({ ...cap, usual: false })));
  for (const { personId, caps } of await computedCapsOf(scope, personIds, day))
    holding.get(personId)?.push(...caps.map((cap) => ({ ...cap, usual: false })));
  return holding;
}

/** Adds caps to a person within a transaction of the caller's. @returns their ids, in order */
export async function insertCaps(scope: Scope, personId: string, inputs: readonly CapInput[]): Promise<string[]> {
  if (inputs.length === 0) return [];
  const rows = inputs.map((input) => ({
    organisation_id: scope.organisationId,
    id: randomUUID(),
    person_id: personId,
    cap_limit: JSON.stringify(input.limit),
    forms: input.forms ? JSON.stringify(input.forms) : null,
    reason: formatReason(input.reason),
    source: formatSource(input.source),
    strength: input.strength,
    from_day: input.from,
    until_day: input.until,
    date_kind: input.dateKind ?? "review",
    follows: input.follows ?? null,
    limitation_id: input.limitationId ?? null,
    clearance_id: input.clearanceId ?? null,
    origin: input.origin ?? "person",
    created_by: scope.accountId,
    created_at: scope.now(),
  }));
  await scope.database("caps").insert(rows);
  const added = { caps: inputs.map(({ limit, until }) => ({ limit, until })) };
  await recordValues(scope, "added", ofPerson(personId), added);
  return rows.map(({ id }) => id);
}

/** Ends caps within a transaction of the caller's; the rows stay. */
export async function finishCaps(scope: Scope, ids: readonly string[], because: string): Promise<void> {
  const ended = await scope
    .database("caps")
    .where({ organisation_id: scope.organisationId })
    .whereIn("id", [...ids])
    .whereNull("ended_at")
    .update({ ended_by: scope.accountId, ended_at: scope.now(), ended_because: because })
    .returning<{ person_id: string; cap_limit: CapLimit }[]>(["person_id", "cap_limit"]);
  for (const personId of new Set(ended.map(({ person_id }) => person_id))) {
    const caps = ended.filter(({ person_id }) => person_id === personId).map(({ cap_limit }) => cap_limit);
    await recordValues(scope, "ended", ofPerson(personId), { caps, because });
  }
}

/**
 * @returns the new cap's id, or null if the organisation has no such person, or it is absolute and not a clinician's
 */
export async function addCap(scope: Scope, personId: string, input: CapInput): Promise<string | null> {
  if (input.strength === "absolute" && scope.role !== "clinician") return null;
  const person = await scope.database("people").where({ organisation_id: scope.organisationId, id: personId }).first("id");
  if (!person) return null;
  const [id] = await insertCaps(scope, personId, [input]);
  return id ?? null;
}

export type EndOutcome = "ended" | "unknown" | "absolute";

/** An open cap of a person that this account may end today, or why not. */
async function endable(scope: Scope, personId: string, id: string): Promise<StoredCap | "unknown" | "absolute"> {
  const [row] = await capsOf(scope).where({ "caps.person_id": personId, "caps.id": id }).whereNull("caps.ended_at");
  if (!row) return "unknown";
  const cap = toCap(row);
  return scope.role === "clinician" || instructorMayEnd(cap, today(scope)) ? cap : "absolute";
}

/**
 * Ends a cap, with a word why; the row stays. An absolute cap is a clinician's to end, or the instructor's once the end
 * that its setter named has passed.
 *
 * @returns whether it was ended, is unknown, or is not this account's to end
 */
export async function endCap(scope: Scope, personId: string, id: string, because: string): Promise<EndOutcome> {
  const cap = await endable(scope, personId, id);
  if (typeof cap === "string") return cap;
  await finishCaps(scope, [id], because);
  return "ended";
}

/**
 * Asks again about a cap that keeps holding: the same limit, another day. The date of an absolute cap is the
 * clinician's, as its number is: no one else gives it another.
 */
export async function holdOn(scope: Scope, personId: string, id: string, until: string, because: string): Promise<EndOutcome> {
  return scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    const [row] = await capsOf(within).where({ "caps.person_id": personId, "caps.id": id }).whereNull("caps.ended_at");
    if (!row) return "unknown";
    const cap = toCap(row);
    if (cap.strength === "absolute" && scope.role !== "clinician") return "absolute";
    await finishCaps(within, [id], because);
    await insertCaps(within, personId, [{ ...cap, from: today(scope), until }]);
    return "ended";
  });
}
