import type { ScreenedPerson } from "@able-tide/core/caps/screening";
import { About } from "@able-tide/core/people/about";
import * as v from "valibot";
import type { Scope } from "../scope.ts";

const FIBRILLATION = "atrialFibrillation";

/** What the day's readings of some people are compared with, in addition to the thresholds. */
export async function screenedPeople(scope: Scope, personIds: readonly string[]): Promise<Map<string, ScreenedPerson>> {
  const own = { organisation_id: scope.organisationId };
  const people = await scope
    .database("people")
    .where(own)
    .whereIn("id", [...personIds])
    .select<{ id: string; about: unknown }[]>("id", "about");
  const rows = await scope
    .database("limitations")
    .where({ ...own, rule: FIBRILLATION })
    .whereIn("person_id", [...personIds])
    .whereNull("ended_at")
    .select<{ person_id: string }[]>("person_id");
  const fibrillating = new Set(rows.map(({ person_id }) => person_id));
  return new Map(
    people.map(({ id, about }) => [
      id,
      { atrialFibrillation: fibrillating.has(id), saturationLeast: v.parse(About, about).saturationLeast },
    ]),
  );
}
