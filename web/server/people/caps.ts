import { randomUUID } from "node:crypto";
import { type Cap, type CapLimit, holdsOn } from "@able-tide/core/caps/cap";
import type { Scope } from "../scope.ts";

export type CapInput = Omit<Cap, "id">;

/** A cap as it is kept: with who set it and, once it is over, who ended it and why. */
export interface KeptCap extends Cap {
  readonly personId: string;
  readonly setBy: string;
  readonly ended: { readonly by: string; readonly at: string; readonly because: string } | null;
}

interface CapRow {
  id: string;
  person_id: string;
  cap_limit: CapLimit;
  reason: string;
  source: string;
  strength: Cap["strength"];
  from_day: string;
  until_day: string | null;
  set_by: string;
  ended_at: Date | null;
  ended_by_name: string | null;
  ended_because: string | null;
}

const toCap = (row: CapRow): KeptCap => ({
  id: row.id,
  personId: row.person_id,
  limit: row.cap_limit,
  reason: row.reason,
  source: row.source,
  strength: row.strength,
  from: row.from_day,
  until: row.until_day,
  setBy: row.set_by,
  ended:
    row.ended_at === null
      ? null
      : { by: row.ended_by_name ?? "", at: row.ended_at.toISOString(), because: row.ended_because ?? "" },
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
export async function capHistory(scope: Scope, personId: string): Promise<KeptCap[]> {
  return (await capsOf(scope).where("caps.person_id", personId)).map(toCap);
}

/** Caps of everybody that nobody has ended. */
export async function openCaps(scope: Scope): Promise<KeptCap[]> {
  return (await capsOf(scope).whereNull("caps.ended_at")).map(toCap);
}

/** The caps that hold for each of some people on a day. */
export async function capsHolding(scope: Scope, personIds: readonly string[], day: string): Promise<Map<string, Cap[]>> {
  const holding = new Map<string, Cap[]>(personIds.map((id) => [id, []]));
  for (const { personId, setBy, ended, ...cap } of await openCaps(scope)) if (holdsOn(cap, day)) holding.get(personId)?.push(cap);
  return holding;
}

/** @returns the new cap's id, or null if the organisation has no such person */
export async function addCap(scope: Scope, personId: string, input: CapInput): Promise<string | null> {
  const person = await scope.database("people").where({ organisation_id: scope.organisationId, id: personId }).first("id");
  if (!person) return null;
  const id = randomUUID();
  await scope.database("caps").insert({
    organisation_id: scope.organisationId,
    id,
    person_id: personId,
    cap_limit: JSON.stringify(input.limit),
    reason: input.reason,
    source: input.source,
    strength: input.strength,
    from_day: input.from,
    until_day: input.until,
    created_by: scope.accountId,
    created_at: scope.now(),
  });
  return id;
}

/**
 * Ends a cap, with a word why; the row stays. An absolute cap is a clinician's to end.
 *
 * @returns whether it was ended, is unknown, or is not this person's to end
 */
export async function endCap(
  scope: Scope,
  personId: string,
  id: string,
  because: string,
): Promise<"ended" | "unknown" | "absolute"> {
  const own = { organisation_id: scope.organisationId, person_id: personId, id };
  const cap = await scope.database("caps").where(own).whereNull("ended_at").first("strength");
  if (!cap) return "unknown";
  if (cap.strength === "absolute") return "absolute";
  await scope.database("caps").where(own).update({ ended_by: scope.accountId, ended_at: scope.now(), ended_because: because });
  return "ended";
}
