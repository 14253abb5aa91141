import { addDays } from "@able-tide/core/calendar";
import { HAND_DAYS } from "@able-tide/core/caps/rising";
import type { Scope } from "../scope.ts";

/**
 * The last day on which each of some people needed a hand to stand up in class, as it was noted there and not taken back.
 *
 * @param day up to which classes count, back to the first day that still matters
 */
export async function handsSeen(scope: Scope, personIds: readonly string[], day: string): Promise<Map<string, string>> {
  const { database, organisationId } = scope;
  const rows = await database("class_events as noted")
    .join("classes", function joinClass() {
      this.on("classes.id", "noted.class_id").andOn("classes.organisation_id", "noted.organisation_id");
    })
    .where({ "classes.organisation_id": organisationId })
    .whereBetween("classes.day", [addDays(day, -HAND_DAYS), day])
    .whereNull("classes.withdrawn_at")
    .whereRaw("noted.event->>'kind' = 'noted' and noted.event->>'sign' = 'hand'")
    .whereRaw("noted.event->>'personId' = any(?)", [[...personIds]])
    .whereNotExists(
      database("class_events as back")
        .whereRaw("back.organisation_id = noted.organisation_id and back.class_id = noted.class_id")
        .whereRaw("back.event->>'kind' = 'withdrawn' and back.event->>'noteId' = noted.event->>'id'"),
    )
    .groupByRaw("noted.event->>'personId'")
    .select<{ person_id: string; day: string }[]>(
      database.raw("noted.event->>'personId' as person_id"),
      database.raw("max(classes.day) as day"),
    );
  return new Map(rows.map(({ person_id, day: seen }) => [person_id, seen]));
}
