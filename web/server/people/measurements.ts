import { randomUUID } from "node:crypto";
import { type CapLimit, isStricter } from "@able-tide/core/caps/cap";
import type { Measurement, MeasurementInput } from "@able-tide/core/caps/measurement";
import { ofPerson, recordValues } from "../audit/audit.ts";
import { type Scope, today } from "../scope.ts";
import { capHistory, finishCaps, insertCaps } from "./caps.ts";

/** A person's measurements, newest first. */
export async function listMeasurements(scope: Scope, personId: string): Promise<Measurement[]> {
  const rows = await scope
    .database("measurements")
    .join({ recorder: "accounts" }, "recorder.id", "measurements.recorded_by")
    .where({ organisation_id: scope.organisationId, person_id: personId })
    .orderBy([{ column: "day", order: "desc" }, { column: "recorded_at", order: "desc" }, { column: "measurements.id" }])
    .select("measurements.*", "recorder.name as recorded_by_name");
  return rows.map((row) => ({
    id: row.id,
    range: row.range,
    side: row.side,
    how: row.how,
    value: row.degrees === null ? row.landmark : Number(row.degrees),
    day: row.day,
    armPosition: row.arm_position,
    recordedBy: row.recorded_by_name,
  }));
}

/** The last pain-free value of each range in degrees, by "range side". */
export async function lastPainFree(scope: Scope, personId: string): Promise<Map<string, number>> {
  const newest = new Map<string, number>();
  for (const { range, side, how, value } of await listMeasurements(scope, personId))
    if (how === "painFree" && typeof value === "number" && !newest.has(`${range} ${side}`)) newest.set(`${range} ${side}`, value);
  return newest;
}

/** Writes measurements down within a transaction of the caller's. */
export async function insertMeasurements(scope: Scope, personId: string, inputs: readonly MeasurementInput[]): Promise<void> {
  if (inputs.length === 0) return;
  await scope.database("measurements").insert(
    inputs.map(({ range, side, how, value, day, armPosition }) => ({
      organisation_id: scope.organisationId,
      id: randomUUID(),
      person_id: personId,
      range,
      side,
      how,
      degrees: typeof value === "number" ? value : null,
      landmark: typeof value === "number" ? null : value,
      arm_position: armPosition ?? null,
      day,
      recorded_by: scope.accountId,
      recorded_at: scope.now(),
    })),
  );
  await recordValues(scope, "added", ofPerson(personId), { measurements: inputs });
}

/** A date that has passed is due from today on. */
const notPast = (until: string | null, day: string): string | null => (until !== null && until < day ? day : until);

/**
 * Writes down what was measured and lets the caps that follow a range take its pain-free value. An absolute cap is only
 * ever tightened by it.
 *
 * @returns false if the organisation has no such person
 */
export async function recordMeasurements(scope: Scope, personId: string, inputs: readonly MeasurementInput[]): Promise<boolean> {
  return scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    const person = await transaction("people").where({ organisation_id: scope.organisationId, id: personId }).first("id");
    if (!person) return false;
    await insertMeasurements(within, personId, inputs);
    const day = today(scope);
    const open = (await capHistory(within, personId)).filter(({ ended, follows }) => ended === null && follows !== null);
    for (const cap of open) {
      const measured = inputs.find(
        ({ range, side, how, value }) =>
          how === "painFree" &&
          typeof value === "number" &&
          range === cap.follows &&
          (!("side" in cap.limit) || side === "none" || side === cap.limit.side),
      );
      if (!measured || !("limit" in cap.limit) || cap.limit.limit === measured.value) continue;
      const limit = { ...cap.limit, limit: measured.value } as CapLimit;
      if (cap.strength === "absolute" && scope.role !== "clinician") {
        // The clinician's cap stays as it is; what was measured tightens it as a cap of its own.
        if (isStricter(limit, cap.limit))
          await insertCaps(within, personId, [
            {
              ...cap,
              limit,
              source: `measured: ${measured.value}°`,
              strength: "firm",
              from: day,
              until: notPast(cap.until, day),
              follows: null,
              clearanceId: null,
            },
          ]);
        continue;
      }
      if (cap.strength === "absolute" && !isStricter(limit, cap.limit)) continue;
      await finishCaps(within, [cap.id], `measured anew: ${measured.value}°`);
      await insertCaps(within, personId, [{ ...cap, limit, from: day, until: notPast(cap.until, day) }]);
    }
    return true;
  });
}
