import type { ClassEvent } from "@able-tide/core/class/events";
import type { Scope } from "../scope.ts";

type CheckedInEvent = Extract<ClassEvent, { kind: "checkedIn" }>;

/** Check-ins looked back at. */
const LOOK_BACK = 600;

/** The usual pain that each person of a group reported last, by place on the body. */
export async function usualPains(scope: Scope, groupId: string): Promise<Map<string, Record<string, number>>> {
  const rows = await scope
    .database("class_events")
    .join("classes", function joinClass() {
      this.on("classes.id", "class_events.class_id").andOn("classes.organisation_id", "class_events.organisation_id");
    })
    .where({ "class_events.organisation_id": scope.organisationId, "classes.group_id": groupId })
    .whereNull("classes.withdrawn_at")
    .whereRaw("class_events.event->>'kind' = 'checkedIn'")
    .orderBy([
      { column: "classes.day", order: "desc" },
      { column: "class_events.sequence", order: "desc" },
    ])
    .limit(LOOK_BACK)
    .select<{ event: CheckedInEvent }[]>("class_events.event");
  const usual = new Map<string, Record<string, number>>();
  for (const { event } of rows.reverse()) {
    const known = usual.get(event.personId) ?? {};
    for (const { part, usual: told } of event.answers.pains ?? []) known[part] = told ?? 0;
    usual.set(event.personId, known);
  }
  return usual;
}
