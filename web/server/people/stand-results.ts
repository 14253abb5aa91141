import { randomUUID } from "node:crypto";
import { FOUR_STAGE_STAND, type StandStage } from "@able-tide/core/caps/balance-levels";
import { ofPerson, recordValues } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";

/** Keeps the furthest stage of a four-stage stand that was held. */
export async function insertStandResult(scope: Scope, personId: string, stage: StandStage, day: string): Promise<void> {
  await scope.database("results").insert({
    organisation_id: scope.organisationId,
    id: randomUUID(),
    person_id: personId,
    test: FOUR_STAGE_STAND.id,
    side: null,
    day,
    trials: JSON.stringify([]),
    value: FOUR_STAGE_STAND.stages.findIndex(({ name }) => name === stage),
    note: "",
    recorded_by: scope.accountId,
    recorded_at: scope.now(),
  });
  await recordValues(scope, "added", ofPerson(personId), { fourStageStand: { stage, day } });
}

/** The last stage of the four-stage stand that each of some people held; those who were never tested are left out. */
export async function furthestStages(scope: Scope, personIds: readonly string[]): Promise<Map<string, StandStage>> {
  const rows = await scope
    .database("results")
    .where({ organisation_id: scope.organisationId, test: FOUR_STAGE_STAND.id })
    .whereIn("person_id", [...personIds])
    .whereNull("withdrawn_at")
    .orderBy([{ column: "day" }, { column: "recorded_at" }])
    .select<{ person_id: string; value: string }[]>("person_id", "value");
  return new Map(
    rows.flatMap(({ person_id, value }) => {
      const stage = FOUR_STAGE_STAND.stages[Number(value)]?.name;
      return stage ? [[person_id, stage] as const] : [];
    }),
  );
}
