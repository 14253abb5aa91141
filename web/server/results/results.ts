import { randomUUID } from "node:crypto";
import { bestTrial, ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import { SIDES, type Side } from "@able-tide/core/side";
import type { Scope } from "../scope.ts";

export interface Result {
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
  return true;
}

interface ResultRow {
  id: string;
  side: Side;
  day: string;
  value: string;
  trials: number[];
  note: string;
}

/** A person's one-leg stands, oldest first. */
export async function listOneLegStands(scope: Scope, personId: string): Promise<Result[]> {
  const rows = await scope
    .database("results")
    .where({ organisation_id: scope.organisationId, person_id: personId, test: ONE_LEG_STAND.id })
    .orderBy([{ column: "day" }, { column: "recorded_at" }, { column: "side" }])
    .select<ResultRow[]>("id", "side", "day", "value", "trials", "note");
  return rows.map((row) => ({ ...row, value: Number(row.value) }));
}
