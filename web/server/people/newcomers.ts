import { randomUUID } from "node:crypto";
import { addDays } from "@able-tide/core/calendar";
import {
  CLEAN_SESSIONS,
  EVERYBODY_LIMITS,
  EVERYBODY_REASON,
  limitsAfterRelease,
  NEWCOMER_LIMITS,
  NEWCOMER_REASON,
  NEWCOMER_SOURCE,
  SETTLED_REASON,
} from "@able-tide/core/caps/newcomers";
import { FOUR_STAGE_STAND, type StandStage } from "@able-tide/core/caps/rungs";
import { classState } from "@able-tide/core/class/events";
import type { About } from "@able-tide/core/people/about";
import { classesWithEvents } from "../classes/classes.ts";
import { type Scope, today } from "../scope.ts";
import { capHistory, finishCaps, insertCaps } from "./caps.ts";
import { addPerson, type PersonInput } from "./people.ts";

/** Weeks after which the usual limits are looked at again. */
const REVIEW_WEEKS = 26;

/** The limits that nobody's limitation asked for: everybody's, and those of the first sessions. */
export async function setFirstLimits(scope: Scope, personId: string): Promise<void> {
  const day = today(scope);
  const usual = { source: NEWCOMER_SOURCE, strength: "firm", from: day, until: null } as const;
  await insertCaps(scope, personId, [
    ...EVERYBODY_LIMITS.map((limit) => ({ ...usual, limit, reason: EVERYBODY_REASON, origin: "everybody" as const })),
    ...NEWCOMER_LIMITS.map((limit) => ({ ...usual, limit, reason: NEWCOMER_REASON, origin: "newcomer" as const })),
  ]);
}

/** Takes in somebody new: written down, with newcomers' limits, in one transaction. @returns their id */
export const takeInNewcomer = (scope: Scope, input: PersonInput, about?: About): Promise<string> =>
  scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    const id = await addPerson(within, input, about);
    await setFirstLimits(within, id);
    return id;
  });

/** Sessions looked back at for clean ones. */
const LOOK_BACK = 12;

/** How many of the last attended sessions in a row went without a sign. */
export async function cleanSessions(scope: Scope, personId: string): Promise<number> {
  let clean = 0;
  for (const { events } of await classesWithEvents(scope, personId, LOOK_BACK)) {
    const state = classState(events);
    if (!state.here.has(personId)) continue;
    clean = state.notes.some((note) => note.personId === personId) ? 0 : clean + 1;
  }
  return clean;
}

/** What an instructor says to release a newcomer. */
export interface Release {
  readonly stage: StandStage;
  readonly day: string;
  /** Why, where fewer clean sessions are on record here. */
  readonly because: string;
}

export type ReleaseOutcome = "released" | "unknown" | "too few sessions" | "already";

/**
 * Releases a newcomer after three clean sessions and a four-stage stand: the first sessions' caps end and the usual ones
 * take their place, the steadiness by the stage that was held. Sessions led before this record began count by a word.
 */
export async function releaseNewcomer(scope: Scope, personId: string, { stage, day, because }: Release): Promise<ReleaseOutcome> {
  const own = { organisation_id: scope.organisationId, id: personId };
  const clean = await cleanSessions(scope, personId);
  return scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    const person = await transaction("people").where(own).forUpdate().first("id", "released_at");
    if (!person) return "unknown";
    if (person.released_at !== null) return "already";
    if (clean < CLEAN_SESSIONS && because === "") return "too few sessions";
    const word = because === "" ? `${clean} clean sessions and a four-stage stand` : because;
    const first = (await capHistory(within, personId)).filter(({ ended, origin }) => ended === null && origin === "newcomer");
    await finishCaps(
      within,
      first.map(({ id }) => id),
      word,
    );
    await insertCaps(
      within,
      personId,
      limitsAfterRelease(stage).map((limit) => ({
        limit,
        reason: SETTLED_REASON,
        source: NEWCOMER_SOURCE,
        strength: "firm",
        from: today(scope),
        until: addDays(today(scope), 7 * REVIEW_WEEKS),
        origin: "usual",
      })),
    );
    await transaction("results").insert({
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
    await transaction("people")
      .where(own)
      .update({ released_at: scope.now(), released_by: scope.accountId, released_because: word });
    return "released";
  });
}
