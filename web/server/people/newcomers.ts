import { randomUUID } from "node:crypto";
import { addDays } from "@able-tide/core/calendar";
import type { StandStage } from "@able-tide/core/caps/balance-levels";
import type { CapLimit } from "@able-tide/core/caps/cap";
import type { CapReason, CapSource } from "@able-tide/core/caps/cap-reason";
import {
  CLEAN_SESSIONS,
  capsAfterNewcomer,
  newcomerCaps,
  STANDARD_CAP_LIMITS,
  STANDARD_CAPS_SOURCE,
} from "@able-tide/core/caps/newcomers";
import { notClean } from "@able-tide/core/class/clean-session";
import { classState } from "@able-tide/core/class/events";
import { ofPerson, recordValues } from "../audit/audit.ts";
import { classesWithEvents } from "../classes/class-records.ts";
import { type Scope, today } from "../scope.ts";
import { capHistory, finishCaps, insertCaps } from "./caps.ts";
import { addPersonAs, listPeopleOfGroup, type PersonInput } from "./people.ts";
import { insertStandResult } from "./stand-results.ts";

const EVERYONE: CapReason = { because: "standard", caps: "everyone" };
const NEWCOMER: CapReason = { because: "standard", caps: "newcomer" };
const RELEASED: CapReason = { because: "standard", caps: "released" };
const SOURCE: CapSource = { standard: STANDARD_CAPS_SOURCE };

/** Weeks after which the usual limits are looked at again. */
const REVIEW_WEEKS = 26;

/** The limits that no one's limitation asked for: everyone's, and those of the first sessions. */
export async function setFirstCaps(scope: Scope, personId: string): Promise<void> {
  const day = today(scope);
  const usual = { source: SOURCE, strength: "firm", from: day, until: null } as const;
  await insertCaps(scope, personId, [
    ...STANDARD_CAP_LIMITS.map((limit) => ({ ...usual, limit, reason: EVERYONE, origin: "everybody" as const })),
    ...newcomerCaps(null).map((limit) => ({ ...usual, limit, reason: NEWCOMER, origin: "newcomer" as const })),
  ]);
}

/**
 * Adds a new participant with newcomer caps, in one transaction; one who is there already is left as they are.
 *
 * @param id made where they were written down, so that a form sent twice adds one participant
 * @returns their id
 */
export const addNewcomer = (scope: Scope, input: PersonInput, id: string = randomUUID()): Promise<string> =>
  scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    if (await addPersonAs(within, id, input)) await setFirstCaps(within, id);
    return id;
  });

/** Adds many new participants, all or none. */
export const addNewcomers = (scope: Scope, inputs: readonly PersonInput[]): Promise<void> =>
  scope.database.transaction(async (transaction) => {
    for (const input of inputs) await addNewcomer({ ...scope, database: transaction }, input);
  });

/** Sessions looked back at for clean ones. */
const LOOK_BACK = 12;

/** Clean sessions of someone, and the class whose day after has to be asked about before it counts as the third. */
export interface CleanSessions {
  readonly count: number;
  readonly ask: { readonly classId: string; readonly day: string } | null;
}

/**
 * How many of the last attended sessions in a row were clean. Sessions that someone did not come to say nothing. The
 * one that would be the third counts once its next day was asked about.
 */
export async function cleanSessions(scope: Scope, personId: string): Promise<CleanSessions> {
  let count = 0;
  let ask: CleanSessions["ask"] = null;
  for (const { taught, events } of await classesWithEvents(scope, personId, LOOK_BACK)) {
    const state = classState(events);
    const why = notClean(taught.script, state, personId);
    if (why === "notThere") continue;
    if (why !== null) {
      count = 0;
      ask = null;
    } else if (count + 1 < CLEAN_SESSIONS || state.nextDay.has(personId)) {
      count += 1;
      ask = null;
    } else ask = { classId: taught.id, day: taught.day };
  }
  return { count, ask };
}

/** Newcomers whose third clean session waits for what is known of its next day, with its class. */
export async function nextDaysAsked(
  scope: Scope,
): Promise<{ readonly personId: string; readonly classId: string; readonly day: string }[]> {
  const newcomers = await scope
    .database("people")
    .where({ organisation_id: scope.organisationId })
    .whereNull("released_at")
    .select<{ id: string }[]>("id");
  const asked: { personId: string; classId: string; day: string }[] = [];
  for (const { id } of newcomers) {
    const { ask } = await cleanSessions(scope, id);
    if (ask) asked.push({ personId: id, ...ask });
  }
  return asked;
}

const LEVEL_CHANNELS: readonly CapLimit["channel"][] = ["steadiness", "heldStanding", "bothHandsStanding"];

/**
 * Keeps a four-stage stand of someone in their first sessions: from then on the level that was held is theirs, before
 * release too.
 *
 * @returns false if there is no such newcomer
 */
export async function testNewcomer(scope: Scope, personId: string, stage: StandStage, day: string): Promise<boolean> {
  const own = { organisation_id: scope.organisationId, id: personId };
  return scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    const person = await transaction("people").where(own).forUpdate().first("id", "released_at");
    if (!person || person.released_at !== null) return false;
    const before = (await capHistory(within, personId)).filter(
      ({ ended, origin, limit }) => ended === null && origin === "newcomer" && LEVEL_CHANNELS.includes(limit.channel),
    );
    await finishCaps(
      within,
      before.map(({ id }) => id),
      "four-stage stand",
    );
    await insertCaps(
      within,
      personId,
      newcomerCaps(stage)
        .filter(({ channel }) => LEVEL_CHANNELS.includes(channel))
        .map((limit) => ({
          limit,
          reason: NEWCOMER,
          source: SOURCE,
          strength: "firm",
          from: today(scope),
          until: null,
          origin: "newcomer",
        })),
    );
    await insertStandResult(within, personId, stage, day);
    return true;
  });
}

/** What an instructor says to release a newcomer. */
export interface Release {
  readonly stage: StandStage;
  readonly day: string;
  /** Why, where fewer clean sessions are on record here. */
  readonly because: string;
}

/** What an instructor says of a participant of a group that they know from before. */
export interface KnownPerson {
  readonly personId: string;
  readonly stage: StandStage;
  readonly day: string;
  /** Sessions that they have led them, without a fall or an illness since. */
  readonly sessions: number;
}

export type ReleaseOutcome = "released" | "unknown" | "too few sessions" | "already";

/**
 * Releases a newcomer after three clean sessions and a four-stage stand: the first sessions' caps end and the usual
 * ones take their place, the steadiness by the stage that was held. Sessions led before this record began count by a
 * word.
 */
export async function endNewcomerCaps(scope: Scope, personId: string, { stage, day, because }: Release): Promise<ReleaseOutcome> {
  const own = { organisation_id: scope.organisationId, id: personId };
  const { count: clean } = await cleanSessions(scope, personId);
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
      capsAfterNewcomer(stage).map((limit) => ({
        limit,
        reason: RELEASED,
        source: SOURCE,
        strength: "firm",
        from: today(scope),
        until: addDays(today(scope), 7 * REVIEW_WEEKS),
        origin: "usual",
      })),
    );
    await insertStandResult(within, personId, stage, day);
    await transaction("people")
      .where(own)
      .update({ released_at: scope.now(), released_by: scope.accountId, released_because: word });
    await recordValues(within, "ended", ofPerson(personId), { newcomerCaps: word });
    return "released";
  });
}

/**
 * Releases newcomers of a group whom the instructor knows from before, all or none; the others stay as they are.
 *
 * @returns how many were released: who is no newcomer any more, or in another group, is left as they are
 */
export const releaseKnown = (scope: Scope, groupId: string, people: readonly KnownPerson[]): Promise<number> =>
  scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    const members = new Set((await listPeopleOfGroup(within, groupId)).map(({ id }) => id));
    let released = 0;
    for (const { personId, stage, day, sessions } of people.filter((each) => members.has(each.personId))) {
      const because = `known from ${sessions} sessions before, no fall or illness since`;
      if ((await endNewcomerCaps(within, personId, { stage, day, because })) === "released") released += 1;
    }
    return released;
  });
