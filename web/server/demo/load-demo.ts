import { addDays as addToDay } from "@able-tide/core/calendar";
import { AS_USUAL } from "@able-tide/core/caps/answers";
import { asksOn, isDueSoon } from "@able-tide/core/caps/cap";
import { limitationRule } from "@able-tide/core/caps/limitations/all";
import { waitsOn } from "@able-tide/core/caps/propose";
import { type ClassEvent, classState } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import { classSteps } from "@able-tide/core/class/steps";
import { NOTHING_KNOWN } from "@able-tide/core/people/about";
import { ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import { TZDate } from "@date-fns/tz";
import { addDays, addSeconds, format, getISODay, startOfDay } from "date-fns";
import type { Knex } from "knex";
import { addMember, foundOrganisation } from "../accounts/accounts.ts";
import { addEvents, findClass } from "../classes/classes.ts";
import { tellAfterClass } from "../classes/follow-ups.ts";
import { fitClassAgain, teachPlan } from "../classes/teach.ts";
import { addGroup, findGroup } from "../groups/groups.ts";
import { withLock } from "../migrate.ts";
import { listMovements } from "../movements/movements.ts";
import { askAboutTurn } from "../people/cap-notices.ts";
import { addCap, capHistory, endCap, holdOn } from "../people/caps.ts";
import { enterClearance } from "../people/clearances.ts";
import { endLimitation } from "../people/limitations.ts";
import { recordMeasurements } from "../people/measurements.ts";
import { cleanSessions, releaseNewcomer, setFirstLimits } from "../people/newcomers.ts";
import { addPerson, setClinician } from "../people/people.ts";
import { proposalsFor, recordLimitation } from "../people/record-limitation.ts";
import { addPlan } from "../plans/plans.ts";
import { addSeries } from "../plans/series.ts";
import { settingsOf } from "../plans/setting.ts";
import { keepStyle } from "../plans/styles.ts";
import { recordOneLegStand } from "../results/results.ts";
import { momentIn, type Scope, today as todayOf } from "../scope.ts";
import { addPlace } from "../venues/venues.ts";
import { type DemoGroup, type DemoLimitation, type DemoPerson, type DemoProgramme, WEEKS } from "./demo-person.ts";
import { FRIDAY_WARM_WATER, WATER } from "./friday-warm-water.ts";
import { CLINICIAN, HELPER, HOUSE, INSTRUCTOR, PLACE, STYLE } from "./kittiwake-rooms.ts";
import { CHAIRS, MONDAY_CHAIRS } from "./monday-chairs.ts";
import { planWeek } from "./plan-week.ts";
import { seeded } from "./seeded.ts";
import { FOOTING, TEST_WEEKS, WEDNESDAY_FOOTING } from "./wednesday-footing.ts";

const PROGRAMMES: readonly DemoProgramme[] = [MONDAY_CHAIRS, WEDNESDAY_FOOTING, FRIDAY_WARM_WATER];
const PEOPLE: readonly DemoPerson[] = [...FOOTING, ...CHAIRS, ...WATER];
const KNOWN_BEFORE = "Known from the two winters before this record began.";

/** Days and instants of a programme, counted back from the demo's today. */
function calendar(today: Date, programme: DemoProgramme) {
  const day = startOfDay(new TZDate(today, HOUSE.timeZone));
  const ahead = (programme.weekday - getISODay(day) + 7) % 7;
  const coming = addDays(day, ahead);
  const dayOfWeek = (week: number): string => format(addDays(coming, 7 * (week - WEEKS - 1)), "yyyy-MM-dd");
  const begins = (week: number): Date =>
    new Date(momentIn(HOUSE.timeZone, dayOfWeek(week), programme.hour, programme.minute).getTime());
  return {
    dayOfWeek,
    begins,
    coming: format(coming, "yyyy-MM-dd"),
    morningOf: (week: number) => addSeconds(begins(week), -1800),
  };
}

/** Writes the plan of a week for a day, on time for what the group knows by then. @returns its id */
async function planDay(scope: Scope, programme: DemoProgramme, week: number, groupId: string, day: string): Promise<string> {
  const group = await findGroup(scope, groupId);
  if (!group) throw new Error("a group that was added is there");
  const settingOf = await settingsOf(scope, [groupId]);
  const movements = (await listMovements(scope)).map(({ movement }) => movement);
  const blocks = planWeek(programme, week, settingOf({ day }, group, new Map()), movements);
  const { breathSeconds, purpose } = programme;
  return addPlan(scope, { groupId, day, breathSeconds, blocks, style: STYLE, purpose });
}

/** A person of the demo as they are kept. */
interface Kept {
  readonly id: string;
  readonly demo: DemoPerson;
  /** Ids of their own caps, as far as set. */
  readonly caps: (string | null)[];
  readonly limitations: (string | null)[];
}

const isHere = ({ demo }: Kept, week: number): boolean => !(demo.missed ?? []).includes(week);

/** What was noted in a class, from the ticking of names to its end. Times follow the plan's own clock. */
function arrivalsOf(week: number, people: readonly Kept[], begins: Date, nextId: () => string): ClassEvent[] {
  const here = people.filter((person) => isHere(person, week));
  return here.flatMap(({ id, demo }, i) => {
    const at = addSeconds(begins, 5 * (i - here.length)).toISOString();
    const lighter = (demo.lighter ?? []).includes(week);
    const attended: ClassEvent = { kind: "attended", id: nextId(), at, personId: id, here: true };
    const checked: ClassEvent = {
      kind: "checkedIn",
      id: nextId(),
      at,
      personId: id,
      answers: { ...AS_USUAL, overall: lighter ? "lighter" : "asUsual" },
      overriddenBecause: null,
    };
    return [attended, checked];
  });
}

function classEvents(
  script: ClassScript,
  programme: DemoProgramme,
  week: number,
  people: readonly Kept[],
  begins: Date,
  nextId: () => string,
): ClassEvent[] {
  const events: ClassEvent[] = [];
  const at = (seconds: number) => addSeconds(begins, seconds).toISOString();
  /** A movement may come twice in a session: what was shown was shown the first time. */
  const firstStep = new Map<string, number>();
  const here = people.filter((person) => isHere(person, week));
  classSteps(script.blocks).forEach((step, number) => {
    events.push({ kind: "moved", id: nextId(), at: at(step.from), step: number });
    const movementOfStep = script.blocks[step.blockIndex]?.movement.id ?? "";
    if (firstStep.has(movementOfStep)) return;
    firstStep.set(movementOfStep, number);
    for (const { id, demo } of here)
      for (const { sign, movementId, week: inWeek } of demo.signs ?? [])
        if (inWeek === week && movementOfStep === movementId)
          events.push({ kind: "noted", id: nextId(), at: at(step.from + 35), personId: id, step: number, sign });
  });
  events.push({ kind: "ended", id: nextId(), at: at(script.total + 120), ...programme.ending(week) });
  return events;
}

/** Three trials of a one-leg stand on the way from the first test to the last, in tenths of a second. */
function trialsOf({ first, last }: { first: number; last: number }, week: number, random: () => number): number[] {
  const expected = first + ((last - first) * (week - 1)) / (WEEKS - 2);
  return [0.78, 0.9, 1].map((share) => {
    const seconds = expected * share * (0.94 + 0.12 * random());
    return Math.min(ONE_LEG_STAND.ceiling, Math.round(10 * seconds) / 10);
  });
}

/** Who speaks in the demo, all at the same moving clock. */
interface Voices {
  readonly instructor: Scope;
  readonly clinician: Scope;
}

/** Takes a limitation in as it proposes; what waits for the clinician stays waiting. @returns its id */
async function takeDemoLimitation(
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
  const waits = waitsOn(rule, input, todayOf(instructor));
  const decisions = waits ? [] : proposals.map(({ limit }) => ({ kind: "accept" as const, limit }));
  return recordLimitation(instructor, personId, rule, input, proposals, decisions);
}

/** Enters the clinician's word on a limitation, with the usual limits for it. */
async function clearDemoLimitation(
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

/** Weeks that the series go on after the demo's own. */
const WEEKS_AHEAD = 10;

/** The week in which the instructor goes through what asks again. */
const REVIEW_WEEK = 13;

/** Everything that follows from a limitation and asks by now, or will within two weeks, holds on for a quarter of a year. */
async function answerReviews({ instructor, clinician }: Voices, personId: string): Promise<void> {
  const day = todayOf(instructor);
  for (const cap of await capHistory(instructor, personId))
    if (
      cap.ended === null &&
      cap.limitationId !== null &&
      cap.strength !== "comfort" &&
      (asksOn(cap, day) || isDueSoon(cap, day))
    )
      await holdOn(cap.strength === "absolute" ? clinician : instructor, personId, cap.id, addToDay(day, 84), "No change.");
}

/** What changes in a week for one person: limitations, clearances, caps, a release. */
async function liveThroughWeek(
  voices: Voices,
  { id, demo, caps, limitations }: Kept,
  week: number,
  dayOfWeek: (week: number) => string,
) {
  const { instructor } = voices;
  for (const [i, limitation] of (demo.limitations ?? []).entries()) {
    if (limitation.set === week) limitations[i] = await takeDemoLimitation(voices, id, limitation, dayOfWeek(1));
    const kept = limitations[i];
    if (!kept) continue;
    if (limitation.cleared?.week === week) await clearDemoLimitation(voices, id, kept, limitation, limitation.cleared.says);
    if (limitation.over?.week === week) await endLimitation(instructor, id, kept, limitation.over.because);
  }
  for (const [i, cap] of (demo.caps ?? []).entries()) {
    if (cap.set === week)
      caps[i] = await addCap(cap.strength === "absolute" ? voices.clinician : instructor, id, {
        limit: cap.limit,
        reason: cap.reason,
        source: cap.source,
        strength: cap.strength,
        dateKind: cap.dateKind ?? "review",
        from: dayOfWeek(week),
        until: cap.until === undefined ? null : dayOfWeek(cap.until),
      });
    const kept = caps[i];
    if (cap.set === week && cap.oldReading && kept) await askAboutTurn(instructor, kept);
    if (cap.ended?.week === week && kept) await endCap(instructor, id, kept, cap.ended.because);
  }
  if (week === REVIEW_WEEK) await answerReviews(voices, id);
  if (demo.released !== week) return;
  const { ask } = await cleanSessions(instructor, id);
  if (ask) await tellAfterClass(instructor, ask.classId, { kind: "nextDay", personId: id, pain: "none" });
  await releaseNewcomer(instructor, id, {
    stage: demo.stand,
    day: dayOfWeek(week),
    because: week === 0 || !demo.groups.includes("wednesday") ? KNOWN_BEFORE : "",
  });
}

function ids(random: () => number): () => string {
  const digits = () =>
    Math.floor(random() * 0x1_0000)
      .toString(16)
      .padStart(4, "0");
  return () => `${digits()}${digits()}-${digits()}-4${digits().slice(1)}-8${digits().slice(1)}-${digits()}${digits()}${digits()}`;
}

async function takePeopleIn(scope: Scope, clinicianAccount: string, groupIds: ReadonlyMap<DemoGroup, string>): Promise<Kept[]> {
  const people: Kept[] = [];
  for (const demo of PEOPLE) {
    const groups = demo.groups.flatMap((group) => groupIds.get(group) ?? []);
    const id = await addPerson(scope, { ...demo.person, groupIds: groups }, { ...NOTHING_KNOWN, ...demo.about });
    await setFirstLimits(scope, id);
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

async function load(database: Knex, today: Date): Promise<void> {
  const random = seeded(20_261);
  const nextId = ids(random);
  const wednesdays = calendar(today, WEDNESDAY_FOOTING);
  let clock = addDays(wednesdays.morningOf(1), -7);
  const instructor = await foundOrganisation(database, { ...HOUSE, account: INSTRUCTOR }, () => clock);
  await addMember(instructor, HELPER);
  const clinician = await addMember(instructor, CLINICIAN);
  const voices: Voices = { instructor, clinician };
  const placeId = await addPlace(instructor, PLACE);
  await keepStyle(instructor, null, STYLE);
  const groupIds = new Map<DemoGroup, string>();
  for (const { group, name, place, weekday, hour, minute, minutes, seatedOnly, inWater, helpers } of PROGRAMMES) {
    const startsAt = `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
    const input = { name, place, placeId, weekday, startsAt, minutes, seatedOnly, inWater, helpers };
    groupIds.set(group, await addGroup(instructor, input));
  }
  const people = await takePeopleIn(instructor, clinician.accountId, groupIds);
  for (const person of people) await liveThroughWeek(voices, person, 0, wednesdays.dayOfWeek);

  for (let week = 1; week <= WEEKS; week += 1) {
    // The week's news is written down before its first class.
    clock =
      calendar(today, MONDAY_CHAIRS).morningOf(week) < wednesdays.morningOf(week)
        ? calendar(today, MONDAY_CHAIRS).morningOf(week)
        : wednesdays.morningOf(week);
    for (const person of people)
      await liveThroughWeek(voices, person, week, (of) => format(clockDay(clock, 7 * (of - week)), "yyyy-MM-dd"));
    const taught = PROGRAMMES.filter(({ blocks }) => blocks !== null).toSorted(
      (a, b) => calendar(today, a).begins(week).getTime() - calendar(today, b).begins(week).getTime(),
    );
    for (const programme of taught) {
      const days = calendar(today, programme);
      clock = days.morningOf(week);
      const groupId = groupIds.get(programme.group) as string;
      const members = people.filter(({ demo }) => demo.groups.includes(programme.group));
      await teachWeek(instructor, programme, week, groupId, members, days, nextId, (at) => {
        clock = at;
      });
    }
    if (!TEST_WEEKS.includes(week)) continue;
    for (const person of people) {
      const { oneLeg } = person.demo;
      if (!oneLeg) continue;
      const trials = { left: trialsOf(oneLeg.left, week, random), right: trialsOf(oneLeg.right, week, random) };
      if (!isHere(person, week)) continue;
      await recordOneLegStand(instructor, person.id, {
        day: wednesdays.dayOfWeek(week),
        trials,
        note: week === 1 ? "first time, practice" : "",
      });
    }
  }
  clock = today;
  for (const programme of PROGRAMMES) {
    const { dayOfWeek } = calendar(today, programme);
    const groupId = groupIds.get(programme.group) as string;
    await addSeries(instructor, groupId, {
      firstDay: dayOfWeek(1),
      lastDay: dayOfWeek(WEEKS + WEEKS_AHEAD),
      breaks: [{ from: dayOfWeek(WEEKS + 5), to: dayOfWeek(WEEKS + 6) }],
    });
  }
  for (const programme of PROGRAMMES.filter(({ blocks }) => blocks !== null)) {
    const groupId = groupIds.get(programme.group) as string;
    await planDay(instructor, programme, WEEKS, groupId, calendar(today, programme).coming);
  }
}

const clockDay = (clock: Date, days: number): Date => addDays(new TZDate(clock, HOUSE.timeZone), days);

/** Teaches one week's class of a programme: people arrive, are fitted for the day, move, and it ends. */
async function teachWeek(
  scope: Scope,
  programme: DemoProgramme,
  week: number,
  groupId: string,
  members: readonly Kept[],
  days: ReturnType<typeof calendar>,
  nextId: () => string,
  setClock: (at: Date) => void,
): Promise<void> {
  const day = days.dayOfWeek(week);
  const planId = await planDay(scope, programme, week, groupId, day);
  const outcome = await teachPlan(scope, planId);
  if (outcome.kind !== "begun") throw new Error(`the demo's class of week ${week} did not begin: ${outcome.kind}`);
  const begins = days.begins(week);
  const arrivals = arrivalsOf(week, members, begins, nextId);
  await addEvents(scope, outcome.classId, arrivals);
  const unusual = [...classState(arrivals).checkIns.values()].some(({ answers }) => answers.overall !== "asUsual");
  if (unusual) await fitClassAgain(scope, outcome.classId);
  const taught = await findClass(scope, outcome.classId);
  if (!taught) throw new Error("a class that was begun is there");
  setClock(addSeconds(begins, 3600));
  const happened = classEvents(taught.script, programme, week, members, begins, nextId);
  await addEvents(scope, outcome.classId, happened);
  await askAfterClass(scope, outcome.classId, week, members, happened);
}

/** The instructor asks people about what they showed, as far as the demo has an answer. */
async function askAfterClass(
  scope: Scope,
  classId: string,
  week: number,
  members: readonly Kept[],
  happened: readonly ClassEvent[],
): Promise<void> {
  for (const event of happened) {
    if (event.kind !== "noted") continue;
    const signs = members.find(({ id }) => id === event.personId)?.demo.signs ?? [];
    const because = signs.find((each) => each.week === week && each.sign === event.sign)?.found;
    if (because) await tellAfterClass(scope, classId, { kind: "followedUp", noteId: event.id, because });
  }
}

/**
 * Loads the demo organisation unless it is there already. All of it or nothing: a load that is killed leaves no trace.
 *
 * @param today the demo's fourteen weeks end before this day
 */
export const loadDemo = (database: Knex, today: Date): Promise<void> =>
  withLock(database, "demo", async () => {
    if (await database("accounts").where({ email: INSTRUCTOR.email }).first("id")) return;
    await database.transaction((transaction) => load(transaction, today));
  });
