import type { ClassEvent } from "@able-tide/core/class/events";
import { recordAction } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";
import { classesOf } from "./classes.ts";

/** What was put right in an ended class. */
export type CorrectingEvent = Extract<
  ClassEvent,
  { readonly kind: "closingCorrected" | "attendanceCorrected" | "withdrawn" | "noted" }
>;

/** A correction, who made it and when (ISO instant). */
export interface Correction {
  readonly event: CorrectingEvent;
  readonly by: string;
  readonly at: string;
}

/** What was put right in a class after its end, oldest first. */
export async function listCorrections({ database, organisationId }: Scope, classId: string): Promise<Correction[]> {
  const rows = await database("class_events as e")
    .join("classes as c", function join() {
      this.on("c.organisation_id", "e.organisation_id").andOn("c.id", "e.class_id");
    })
    .join("accounts as a", "a.id", "e.recorded_by")
    .where({ "e.organisation_id": organisationId, "e.class_id": classId })
    .whereRaw("e.event ->> 'kind' in ('closingCorrected', 'attendanceCorrected', 'withdrawn', 'noted')")
    // A note made before the end may arrive after it: that corrects nothing.
    .whereRaw("(e.event ->> 'at')::timestamptz >= c.ended_at")
    .whereRaw(
      `e.sequence > (select min(sequence) from class_events
         where organisation_id = e.organisation_id and class_id = e.class_id and event ->> 'kind' = 'ended')`,
    )
    .orderBy("e.sequence")
    .select<{ event: CorrectingEvent; by: string; recorded_at: Date }[]>("e.event", "a.name as by", "e.recorded_at");
  return rows.map(({ event, by, recorded_at }) => ({ event, by, at: recorded_at.toISOString() }));
}

/** Who withdrew a class, when (ISO instant) and why. */
export interface Withdrawal {
  readonly by: string;
  readonly at: string;
  readonly because: string;
}

/** The withdrawal of a class; null where it counts. */
export async function withdrawalOf({ database, organisationId }: Scope, classId: string): Promise<Withdrawal | null> {
  const row = await database("classes as c")
    .join("accounts as a", "a.id", "c.withdrawn_by")
    .where({ "c.organisation_id": organisationId, "c.id": classId })
    .first<{ by: string; at: Date; because: string } | undefined>(
      "a.name as by",
      "c.withdrawn_at as at",
      "c.withdrawn_because as because",
    );
  return row ? { ...row, at: row.at.toISOString() } : null;
}

/**
 * Withdraws an ended class: it stays on record and counts no more, and its plan can be taught again.
 *
 * @param because a word why
 * @returns false where there is no such class, it goes on, or it was withdrawn before
 */
export const withdrawClass = (scope: Scope, classId: string, because: string): Promise<boolean> =>
  scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    const changed = await classesOf(within)
      .where({ id: classId })
      .whereNotNull("ended_at")
      .whereNull("withdrawn_at")
      .update({ withdrawn_at: scope.now(), withdrawn_by: scope.accountId, withdrawn_because: because });
    if (changed !== 1) return false;
    await recordAction(within, "withdrawn", { subject: "class", id: classId });
    return true;
  });

/**
 * Lets a withdrawn class count again.
 *
 * @returns "taughtAgain" where its plan has another class by now
 */
export const countClassAgain = (scope: Scope, classId: string): Promise<"counts" | "unknown" | "taughtAgain"> =>
  scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    const taught = await classesOf(within)
      .where({ id: classId })
      .whereNotNull("withdrawn_at")
      .forUpdate()
      .first<{ plan_id: string } | undefined>("plan_id");
    if (!taught) return "unknown";
    if (await classesOf(within).where({ plan_id: taught.plan_id }).whereNull("withdrawn_at").first("id")) return "taughtAgain";
    await classesOf(within).where({ id: classId }).update({ withdrawn_at: null, withdrawn_by: null, withdrawn_because: null });
    await recordAction(within, "broughtBack", { subject: "class", id: classId });
    return "counts";
  });

/** A class of a plan, also one that was withdrawn. */
export interface ClassOfPlan {
  readonly id: string;
  readonly day: string;
  readonly ended: boolean;
  readonly withdrawn: boolean;
}

/** Every class that was taught with a plan, in the order they began. */
export async function classesOfPlan(scope: Scope, planId: string): Promise<ClassOfPlan[]> {
  const rows = await classesOf(scope)
    .where({ plan_id: planId })
    .orderBy("started_at")
    .select<{ id: string; day: string; ended_at: Date | null; withdrawn_at: Date | null }[]>(
      "id",
      "day",
      "ended_at",
      "withdrawn_at",
    );
  return rows.map(({ id, day, ended_at, withdrawn_at }) => ({
    id,
    day,
    ended: ended_at !== null,
    withdrawn: withdrawn_at !== null,
  }));
}
