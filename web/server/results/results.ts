import { randomUUID } from "node:crypto";
import { bestTrial, ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import { SIDES, type Side } from "@able-tide/core/side";
import { ofPerson, recordValues } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";

interface Result {
  readonly id: string;
  readonly side: Side;
  readonly day: string;
  /** Seconds, best of the trials. */
  readonly value: number;
  readonly trials: readonly number[];
  readonly note: string;
}

export interface ResultInput {
  readonly day: string;
  /** Seconds of each trial, per side; a side that was not tested is empty. */
  readonly trials: Readonly<Record<Side, readonly number[]>>;
  readonly note: string;
}

/** Records a one-leg stand. @returns false if the organisation has no such person */
export async function recordOneLegStand(scope: Scope, personId: string, input: ResultInput): Promise<boolean> {
  const person = await scope.database("people").where({ organisation_id: scope.organisationId, id: personId }).first("id");
  if (!person) return false;
  const rows = SIDES.filter((side) => input.trials[side].length > 0).map((side) => ({
    organisation_id: scope.organisationId,
    id: randomUUID(),
    person_id: personId,
    test: ONE_LEG_STAND.id,
    side,
    day: input.day,
    trials: JSON.stringify(input.trials[side]),
    value: bestTrial(input.trials[side]),
    note: input.note,
    recorded_by: scope.accountId,
    recorded_at: scope.now(),
  }));
  await scope.database("results").insert(rows);
  await recordValues(scope, "added", ofPerson(personId), { oneLegStand: input });
  return true;
}

interface ResultRow {
  id: string;
  side: Side;
  day: string;
  value: string;
  trials: number[];
  note: string;
  recorded_by_name: string;
  withdrawn_by_name: string | null;
  withdrawn_because: string | null;
}

/** A result as its list shows it: who recorded it, and who withdrew it with which word. */
export interface RecordedResult extends Result {
  readonly recordedBy: string;
  readonly withdrawn: { readonly by: string; readonly because: string } | null;
}

/** A person's one-leg stands with those that were withdrawn, oldest first. */
export async function listAllOneLegStands({ database, organisationId }: Scope, personId: string): Promise<RecordedResult[]> {
  const rows = await database("results as r")
    .join({ recorder: "accounts" }, "recorder.id", "r.recorded_by")
    .leftJoin({ withdrawer: "accounts" }, "withdrawer.id", "r.withdrawn_by")
    .where({ "r.organisation_id": organisationId, "r.person_id": personId, "r.test": ONE_LEG_STAND.id })
    .orderBy([{ column: "r.day" }, { column: "r.recorded_at" }, { column: "r.side" }])
    .select<ResultRow[]>(
      "r.id",
      "r.side",
      "r.day",
      "r.value",
      "r.trials",
      "r.note",
      "recorder.name as recorded_by_name",
      "withdrawer.name as withdrawn_by_name",
      "r.withdrawn_because",
    );
  return rows.map(({ recorded_by_name, withdrawn_by_name, withdrawn_because, value, ...row }) => ({
    ...row,
    value: Number(value),
    recordedBy: recorded_by_name,
    withdrawn:
      withdrawn_by_name === null || withdrawn_because === null ? null : { by: withdrawn_by_name, because: withdrawn_because },
  }));
}

/**
 * Withdraws a result that was recorded by mistake. Caps that were set because of it stay: they are ended for themselves.
 *
 * @param because a word why
 * @returns false where there is no such result, or it was withdrawn before
 */
export async function withdrawResult(scope: Scope, personId: string, id: string, because: string): Promise<boolean> {
  const changed = await scope
    .database("results")
    .where({ organisation_id: scope.organisationId, person_id: personId, id })
    .whereNull("withdrawn_at")
    .update({ withdrawn_at: scope.now(), withdrawn_by: scope.accountId, withdrawn_because: because });
  if (changed !== 1) return false;
  await recordValues(scope, "ended", ofPerson(personId), { result: id, because });
  return true;
}
