import { addDays as addToDay } from "@able-tide/core/calendar";
import { isDueSoon, isReviewDue } from "@able-tide/core/caps/cap";
import { limitationRule } from "@able-tide/core/caps/limitations/all";
import { waitsForClinician } from "@able-tide/core/caps/propose";
import { NOTHING_KNOWN } from "@able-tide/core/people/about";
import { capHistory, holdOn } from "../people/caps.ts";
import { enterClearance } from "../people/clearances.ts";
import { recordMeasurements } from "../people/measurements.ts";
import { setFirstCaps } from "../people/newcomers.ts";
import { addPerson, setClinician } from "../people/people.ts";
import { proposalsFor, recordLimitation } from "../people/record-limitation.ts";
import { type Scope, today as todayOf } from "../scope.ts";
import type { DemoGroup, DemoLimitation, DemoPerson } from "./demo-person.ts";
import type { StoredDemoPerson, Voices } from "./demo-voices.ts";
import { CLINICIAN } from "./kittiwake-rooms.ts";

/** Takes a limitation in as it proposes; what waits for the clinician stays waiting. @returns its id */
export async function addDemoLimitation(
  { instructor }: Voices,
  personId: string,
  limitation: DemoLimitation,
  firstDay: string,
): Promise<string> {
  const rule = limitationRule(limitation.rule);
  if (!rule) throw new Error(`the demo names a limitation that is not in the table: ${limitation.rule}`);
  const { side, kind, weeksBefore, note } = limitation;
  const eventDay = weeksBefore === undefined ? null : addToDay(firstDay, -7 * weeksBefore);
  const input = { rule: rule.name, side: side ?? null, kind: kind ?? null, eventDay, note: note ?? "" };
  const proposals = await proposalsFor(instructor, personId, rule, input);
  const waits = waitsForClinician(rule, input, todayOf(instructor));
  const decisions = waits ? [] : proposals.map(({ limit }) => ({ kind: "accept" as const, limit }));
  return recordLimitation(instructor, personId, rule, input, proposals, decisions);
}

/** Enters the clinician's word on a limitation, with the usual limits for it. */
export async function clearDemoLimitation(
  { clinician }: Voices,
  personId: string,
  limitationId: string,
  limitation: DemoLimitation,
  says: string,
) {
  const rule = limitationRule(limitation.rule);
  if (!rule) return;
  const input = { side: limitation.side ?? null, kind: limitation.kind ?? null, eventDay: null };
  const proposals = await proposalsFor(clinician, personId, rule, input);
  await enterClearance(
    clinician,
    personId,
    { limitationId, day: todayOf(clinician), clinician: CLINICIAN.name, says, file: null },
    proposals,
    proposals.map(({ limit }) => ({ kind: "accept", limit })),
  );
}

/** The week in which the instructor goes through reviews. */
export const REVIEW_WEEK = 13;

/**
 * Everything that follows from a limitation and is due for review by now or within two weeks stays active for a quarter
 * of a year.
 */
export async function answerReviews({ instructor, clinician }: Voices, personId: string): Promise<void> {
  const day = todayOf(instructor);
  for (const cap of await capHistory(instructor, personId))
    if (
      cap.ended === null &&
      cap.limitationId !== null &&
      cap.strength !== "comfort" &&
      (isReviewDue(cap, day) || isDueSoon(cap, day))
    )
      await holdOn(cap.strength === "absolute" ? clinician : instructor, personId, cap.id, addToDay(day, 84), "No change.");
}

/** Adds people with newcomer caps, as on the first day of their group. */
export async function addDemoPeople(
  all: readonly DemoPerson[],
  scope: Scope,
  clinicianAccount: string,
  groupIds: ReadonlyMap<DemoGroup, string>,
): Promise<StoredDemoPerson[]> {
  const people: StoredDemoPerson[] = [];
  for (const demo of all) {
    const groups = demo.groups.flatMap((group) => groupIds.get(group) ?? []);
    const id = await addPerson(scope, { ...demo.person, groupIds: groups }, { ...NOTHING_KNOWN, ...demo.about });
    await setFirstCaps(scope, id);
    if (demo.measured)
      await recordMeasurements(
        scope,
        id,
        demo.measured.map((each) => ({ ...each, day: todayOf(scope) })),
      );
    if (demo.lookedAfter) await setClinician(scope, id, clinicianAccount);
    people.push({ id, demo, caps: [], limitations: [] });
  }
  return people;
}
