import type { ClassEvent } from "@able-tide/core/class/events";
import { withoutPerson as withoutInScript } from "@able-tide/core/class/led-script";
import type { ClassScript } from "@able-tide/core/class/script";
import type { PlanContent } from "@able-tide/core/plan/plan";
import type { Knex } from "knex";
import { recordAction } from "../audit/audit.ts";
import { classSheetsOf } from "../classes/class-sheets.ts";
import { isFor, isInClass } from "../classes/classes.ts";
import { deleteSheetsWith } from "../plans/session-sheets.ts";
import type { Scope } from "../scope.ts";

/** Whose records are erased: a person of an organisation. */
interface Erased {
  readonly database: Knex;
  readonly organisationId: string;
}

/** Tables whose rows are one person's, those that refer to others first. */
const OWN_TABLES = ["caps", "clearances", "limitations", "measurements", "results", "group_members"] as const;

/** Rows that belong to a person's caps, limitations and clearances. */
async function eraseBelongings({ database, organisationId }: Erased, personId: string): Promise<void> {
  const own = { organisation_id: organisationId, person_id: personId };
  const idsIn = (table: string) => database(table).where(own).select("id");
  const of = (table: string) => database(table).where({ organisation_id: organisationId });
  await of("cap_notices").whereIn("cap_id", idsIn("caps")).delete();
  await of("declined_proposals").whereIn("limitation_id", idsIn("limitations")).delete();
  await of("clearance_files").whereIn("clearance_id", idsIn("clearances")).delete();
  for (const table of OWN_TABLES) await database(table).where(own).delete();
  await database("audit_values").where(own).delete();
}

const withoutPerson = <Of extends Pick<PlanContent, "holds" | "places" | "seats">>(content: Of, personId: string): Of => ({
  ...content,
  holds: content.holds.filter((hold) => hold.personId !== personId),
  places: content.places.filter((place) => place.personId !== personId),
  // A revision of long ago says nothing of seats.
  seats: (content.seats ?? []).filter((seat) => seat.personId !== personId),
});

/** Takes a person out of plans and their revisions: variants that were pinned for them, and where they stood. */
async function eraseFromPlans({ database, organisationId }: Erased, personId: string): Promise<void> {
  const own = { organisation_id: organisationId };
  const named = JSON.stringify([{ personId }]);
  const plans = await database("plans")
    .where(own)
    .whereRaw("(holds @> ?::jsonb or places @> ?::jsonb or seats @> ?::jsonb)", [named, named, named])
    .select<(Pick<PlanContent, "holds" | "places" | "seats"> & { id: string })[]>("id", "holds", "places", "seats");
  for (const { id, ...content } of plans) {
    const { holds, places, seats } = withoutPerson(content, personId);
    await database("plans")
      .where({ ...own, id })
      .update({ holds: JSON.stringify(holds), places: JSON.stringify(places), seats: JSON.stringify(seats) });
  }
  const revisions = await database("plan_versions")
    .where(own)
    .whereRaw("(content -> 'holds' @> ?::jsonb or content -> 'places' @> ?::jsonb or content -> 'seats' @> ?::jsonb)", [
      named,
      named,
      named,
    ])
    .select<{ plan_id: string; version: number; content: PlanContent }[]>("plan_id", "version", "content");
  for (const { plan_id, version, content } of revisions)
    await database("plan_versions")
      .where({ ...own, plan_id, version })
      .update({ content: JSON.stringify(withoutPerson(content, personId)) });
}

/** Whether an event says something of a person, or of a note about them. */
const saysOf = (event: ClassEvent, personId: string, notes: ReadonlySet<string>): boolean =>
  ("personId" in event && event.personId === personId) || ("noteId" in event && notes.has(event.noteId));

/** Takes a person out of the session sheets of a class. */
async function eraseFromSheets(erased: Erased, classId: string, personId: string): Promise<void> {
  const sheets = await classSheetsOf(erased)
    .where({ class_id: classId })
    .select<{ number: number; script: ClassScript }[]>("number", "script");
  for (const { number, script } of sheets)
    await classSheetsOf(erased)
      .where({ class_id: classId, number })
      .update({ script: JSON.stringify(withoutInScript(script, personId)) });
}

/** Takes a person out of classes: how they were fitted, and what was recorded of them. The class itself stays. */
async function eraseFromClasses(erased: Erased, personId: string): Promise<void> {
  const { database, organisationId } = erased;
  const own = { organisation_id: organisationId };
  const classes = await database("classes")
    .where(own)
    .where(isFor(personId))
    .select<{ id: string; script: ClassScript }[]>("id", "script");
  for (const { id, script } of classes) {
    const events = await database("class_events")
      .where({ ...own, class_id: id })
      .select<{ sequence: number; event: ClassEvent }[]>("sequence", "event");
    const notes = new Set(
      events.flatMap(({ event }) => (event.kind === "noted" && event.personId === personId ? [event.id] : [])),
    );
    const sequences = events.filter(({ event }) => saysOf(event, personId, notes)).map(({ sequence }) => sequence);
    await database("class_events")
      .where({ ...own, class_id: id })
      .whereIn("sequence", sequences)
      .delete();
    await eraseFromSheets(erased, id, personId);
    await database("classes")
      .where({ ...own, id })
      .update({ script: JSON.stringify(withoutInScript(script, personId)) });
  }
}

/** Erases all rows of a person, within a transaction of the caller's. */
async function eraseRows(erased: Erased, personId: string): Promise<void> {
  await eraseBelongings(erased, personId);
  await eraseFromPlans(erased, personId);
  await eraseFromClasses(erased, personId);
  await deleteSheetsWith(erased, personId);
  await erased.database("people").where({ organisation_id: erased.organisationId, id: personId }).delete();
}

/**
 * Erases a person for good. What is kept: that classes took place, with their movements and everyone else; who was erased, as
 * an id without a name, so that a back-up brings no one back; and who did it and when.
 *
 * @returns "inClass" while they are in a class under way
 */
export async function erasePerson(scope: Scope, personId: string): Promise<"erased" | "unknown" | "inClass"> {
  const own = { organisation_id: scope.organisationId };
  return scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    const person = await database("people")
      .where({ ...own, id: personId })
      .forUpdate()
      .first("id");
    if (!person) return "unknown";
    if (await isInClass(within, personId)) return "inClass";
    await eraseRows(within, personId);
    await database("erasures").insert({ ...own, person_id: personId, at: scope.now() });
    await recordAction(within, "erased", { subject: "person", id: personId });
    return "erased";
  });
}

/** Classes whose closing note has the name of a person: a note is free text, and stays as it was written. */
export async function notesNaming(scope: Scope, name: string): Promise<{ readonly classId: string; readonly day: string }[]> {
  const rows = await scope
    .database("class_events as e")
    .join("classes as c", function join() {
      this.on("c.organisation_id", "e.organisation_id").andOn("c.id", "e.class_id");
    })
    .where("e.organisation_id", scope.organisationId)
    .whereRaw("e.event ->> 'kind' in ('ended', 'closingCorrected') and position(lower(?) in lower(e.event ->> 'note')) > 0", [
      name,
    ])
    .orderBy("c.day", "desc")
    .select<{ classId: string; day: string }[]>("c.id as classId", "c.day");
  return rows;
}

/** Erases again whom a restored back-up brought back. @returns how many */
export async function replayErasures(database: Knex): Promise<number> {
  const back = await database("erasures as e")
    .join("people as p", function join() {
      this.on("p.organisation_id", "e.organisation_id").andOn("p.id", "e.person_id");
    })
    .select<{ organisation_id: string; person_id: string }[]>("e.organisation_id", "e.person_id");
  for (const { organisation_id, person_id } of back)
    await database.transaction((transaction) => eraseRows({ database: transaction, organisationId: organisation_id }, person_id));
  return back.length;
}
