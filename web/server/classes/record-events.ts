import { type CountedItem, countSteps } from "@able-tide/core/class/class-steps";
import { afterEvent, type ClassAtArrival, type EventRefusal, eventRefusal } from "@able-tide/core/class/event-rights";
import { ClassEvent, type Observation } from "@able-tide/core/class/events";
import { max, min } from "date-fns";
import type { Knex } from "knex";
import * as v from "valibot";
import type { Scope } from "../scope.ts";

/** What became of the events that a device sent. */
export interface Recorded {
  /** Ids that the class has now, those that it had before included. */
  readonly kept: readonly string[];
  readonly refused: readonly { readonly id: string; readonly why: EventRefusal }[];
  /** The events that are new to the class. */
  readonly added: readonly ClassEvent[];
}

/** An event to be stored, and when it happened by its device's idea of the server's clock. */
interface TimedEvent {
  readonly event: ClassEvent;
  readonly correctedAt: string;
}

interface LockedClass {
  last_sequence: number;
  script_revision: number;
  started_at: Date;
  ended_at: Date | null;
}

const ownClass = (scope: Scope, classId: string) => ({ organisation_id: scope.organisationId, id: classId });
const ownEvents = (scope: Scope, classId: string) => ({ organisation_id: scope.organisationId, class_id: classId });

/** Holds the row of a class until the transaction ends, so that events are numbered one after the other. */
const lockClass = (transaction: Knex, scope: Scope, classId: string): Promise<LockedClass | undefined> =>
  transaction("classes")
    .where(ownClass(scope, classId))
    .forUpdate()
    .first<LockedClass | undefined>("last_sequence", "script_revision", "started_at", "ended_at");

/** The session sheet that an event belongs to: the one that its device showed, else the newest. */
const sheetOf = ({ sheet }: ClassEvent, newest: number): number => Math.min(sheet ?? newest, newest);

/** Stores events with the next numbers of their class. Its row is locked; an event that is there already is left as it is. */
async function storeEvents(
  transaction: Knex,
  scope: Scope,
  classId: string,
  { last_sequence: lastSequence, script_revision: newest }: LockedClass,
  events: readonly TimedEvent[],
  receivedAt: Date,
): Promise<ClassEvent[]> {
  const stored: ClassEvent[] = [];
  for (const { event, correctedAt } of events) {
    const added = await transaction("class_events")
      .insert({
        ...ownEvents(scope, classId),
        id: event.id,
        sequence: lastSequence + stored.length + 1,
        event: JSON.stringify(event),
        sheet: sheetOf(event, newest),
        device_at: event.deviceAt ?? null,
        corrected_at: correctedAt,
        recorded_by: scope.accountId,
        recorded_at: receivedAt,
      })
      .onConflict(["organisation_id", "class_id", "id"])
      .ignore()
      .returning("id");
    if (added.length > 0) stored.push(event);
  }
  const ended = stored.find((event) => event.kind === "ended");
  await transaction("classes")
    .where(ownClass(scope, classId))
    .update({ last_sequence: lastSequence + stored.length, ...(ended ? { ended_at: ended.at } : {}) });
  return stored;
}

/**
 * Adds events that the server itself makes, or the demo. Each gets the next number of this class under the class row's
 * lock, so that numbers become visible in order; an event that is already there is left as it is.
 *
 * @returns false if the organisation has no such class
 */
export async function addEvents(scope: Scope, classId: string, events: readonly ClassEvent[]): Promise<boolean> {
  return scope.database.transaction(async (transaction) => {
    const row = await lockClass(transaction, scope, classId);
    if (!row) return false;
    const timed = events.map((event) => ({ event, correctedAt: event.at }));
    await storeEvents(transaction, scope, classId, row, timed, scope.now());
    return true;
  });
}

/** Of each block of a script, what its steps are counted from: its movement's reversal and the repetitions of its turns. */
const COUNTED_ITEMS = `(
  select coalesce(jsonb_agg(jsonb_build_object(
    'movement', jsonb_strip_nulls(jsonb_build_object('reversal', block #> '{movement,reversal}')),
    'turns', jsonb_path_query_array(block, '$.turns[*]')
  )), '[]')
  from jsonb_array_elements(script -> 'blocks') as block
) as items`;

/** What the rights to record something in a class depend on. */
async function classAtArrival(transaction: Knex, scope: Scope, classId: string, endedAt: Date | null): Promise<ClassAtArrival> {
  const [taught, notes] = await Promise.all([
    transaction("classes")
      .where(ownClass(scope, classId))
      .first<{ people: string[]; items: CountedItem[] }>(
        transaction.raw("jsonb_path_query_array(script, '$.people[*].id') as people"),
        transaction.raw(COUNTED_ITEMS),
      ),
    transaction("class_events")
      .where(ownEvents(scope, classId))
      .whereRaw("event ->> 'kind' = 'noted'")
      .select<{ id: string; sign: Observation }[]>("id", transaction.raw("event ->> 'sign' as sign")),
  ]);
  return {
    people: new Set(taught.people),
    steps: countSteps(taught.items),
    endedAt: endedAt?.toISOString() ?? null,
    notes: new Map(notes.map(({ id, sign }) => [id, sign])),
  };
}

const HasId = v.object({ id: v.pipe(v.string(), v.maxLength(100)) });

/** Takes the events of a request apart: those that can be read, and the ids of those that cannot. */
function readEvents(sent: readonly unknown[]): {
  readonly events: readonly ClassEvent[];
  readonly unreadable: readonly string[];
} {
  const read = sent.map((each) => ({ each, parsed: v.safeParse(ClassEvent, each) }));
  return {
    events: read.flatMap(({ parsed }) => (parsed.success ? [parsed.output] : [])),
    unreadable: read.flatMap(({ each, parsed }) => {
      const named = v.safeParse(HasId, each);
      return parsed.success || !named.success ? [] : [named.output.id];
    }),
  };
}

/**
 * Records what a device sent, each event for itself: one that is refused blocks no other. A time before the class began
 * or after now becomes that limit; the time as it was sent and the device's own stay in columns of their own.
 *
 * @param sent the events as they came, not yet read
 * @returns null if the organisation has no such class
 */
export async function recordEvents(scope: Scope, classId: string, sent: readonly unknown[]): Promise<Recorded | null> {
  const { events, unreadable } = readEvents(sent);
  const receivedAt = scope.now();
  const leads = scope.role === "owner" || scope.role === "instructor";
  return scope.database.transaction(async (transaction) => {
    const row = await lockClass(transaction, scope, classId);
    if (!row) return null;
    const known = await transaction("class_events")
      .where(ownEvents(scope, classId))
      .whereIn(
        "id",
        events.map(({ id }) => id),
      )
      .pluck("id");
    const kept = new Set<string>(known);
    const refused: { id: string; why: EventRefusal }[] = unreadable.map((id) => ({ id, why: "unreadable" }));
    const accepted: TimedEvent[] = [];
    let taught = await classAtArrival(transaction, scope, classId, row.ended_at);
    for (const event of events) {
      if (kept.has(event.id)) continue;
      const at = max([row.started_at, min([event.at, receivedAt])]).toISOString();
      const timed: ClassEvent = { ...event, at };
      const why = eventRefusal(timed, taught, leads);
      if (why !== null) {
        refused.push({ id: event.id, why });
        continue;
      }
      accepted.push({ event: timed, correctedAt: event.at });
      kept.add(event.id);
      taught = afterEvent(taught, timed);
    }
    const added = await storeEvents(transaction, scope, classId, row, accepted, receivedAt);
    return { kept: [...kept], refused, added };
  });
}
