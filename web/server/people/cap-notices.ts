import type { Scope } from "../scope.ts";
import { openCapsIn, type StoredCap } from "./caps.ts";

/** An open cap whose number means something else than when it was set, which no one has looked at since. */
export interface CapNotice {
  readonly cap: StoredCap;
  readonly kind: "clinicalTurn";
}

const noticesOf = (scope: Scope) =>
  scope.database("cap_notices").where({ "cap_notices.organisation_id": scope.organisationId }).whereNull("cap_notices.seen_at");

/** Caps of everyone that ask to be looked at because their number is read in another way now. */
export async function capNotices(scope: Scope): Promise<CapNotice[]> {
  const rows = await noticesOf(scope).select<{ cap_id: string; kind: CapNotice["kind"] }[]>("cap_id", "kind");
  if (rows.length === 0) return [];
  const open = await openCapsIn(
    scope,
    rows.map(({ cap_id }) => cap_id),
  );
  const caps = new Map(open.map((cap) => [cap.id, cap]));
  return rows.flatMap(({ cap_id, kind }) => {
    const cap = caps.get(cap_id);
    return cap ? [{ cap, kind }] : [];
  });
}

/** Asks for a cap on the turn of a shoulder to be looked at, as caps from before the clinical reading do. */
export async function askAboutTurn(scope: Scope, capId: string): Promise<void> {
  await scope
    .database("cap_notices")
    .insert({ organisation_id: scope.organisationId, cap_id: capId, kind: "clinicalTurn", made_at: scope.now() });
}

/**
 * Keeps that someone has looked at a cap's number and that it is right as it is now read. The cap itself stays as it
 * is.
 *
 * @returns false if no such cap of this person is due
 */
export async function confirmCap(scope: Scope, personId: string, capId: string, because: string): Promise<boolean> {
  const mine = scope
    .database("caps")
    .where({ organisation_id: scope.organisationId, person_id: personId, id: capId })
    .select("id");
  const changed = await noticesOf(scope)
    .whereIn("cap_id", mine)
    .update({ seen_by: scope.accountId, seen_at: scope.now(), because });
  return changed > 0;
}
