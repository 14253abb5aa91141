import { present } from "@able-tide/core/checked-access";
import { type ClassEvent, classState } from "@able-tide/core/class/events";
import type { PersonSeat } from "@able-tide/core/plan/plan";
import { TZDate } from "@date-fns/tz";
import { addDays, addSeconds, format, getISODay, startOfDay } from "date-fns";
import type { Knex } from "knex";
import { addMember, foundOrganisation } from "../accounts/accounts.ts";
import { findClass } from "../classes/classes.ts";
import { recordAfterClass } from "../classes/follow-ups.ts";
import { addEvents } from "../classes/record-events.ts";
import { fitClassAgain, teachPlan } from "../classes/teach.ts";
import { addGroup, findGroup } from "../groups/groups.ts";
import { withLock } from "../migrate.ts";
import { listMovements } from "../movements/movements.ts";
import { askAboutTurn } from "../people/cap-notices.ts";
import { addCap, endCap } from "../people/caps.ts";
import { endLimitation } from "../people/limitations.ts";
import { cleanSessions, endNewcomerCaps } from "../people/newcomers.ts";
import { saveCombination } from "../plans/combinations.ts";
import { addPlan } from "../plans/plans.ts";
import { addSeries } from "../plans/series.ts";
import { settingsOf } from "../plans/setting.ts";
import { saveStyle } from "../plans/styles.ts";
import { recordOneLegStand } from "../results/results.ts";
import { momentIn, type Scope } from "../scope.ts";
import { addVenue } from "../venues/venues.ts";
import { arrivalsOf, classEvents, ids, isHere, trialsOf } from "./demo-classes.ts";
import { type DemoGroup, type DemoPerson, type DemoProgramme, WEEKS } from "./demo-person.ts";
import { addDemoLimitation, addDemoPeople, answerReviews, clearDemoLimitation, REVIEW_WEEK } from "./demo-records.ts";
import type { StoredDemoPerson, Voices } from "./demo-voices.ts";
import { FRIDAY_PEOPLE } from "./friday-people.ts";
import { FRIDAY_WARM_WATER } from "./friday-warm-water.ts";
import { CLINICIAN, HELPER, INSTRUCTOR, ORGANISATION, PLACE, STYLE } from "./kittiwake-rooms.ts";
import { MONDAY_CHAIRS } from "./monday-chairs.ts";
import { MONDAY_PEOPLE } from "./monday-people.ts";
import { planWeek } from "./plan-week.ts";
import { seeded } from "./seeded.ts";
import { LAMP_HOUSE, THURSDAY_LAMP_HOUSE } from "./thursday-lamp-house.ts";
import { HARBOUR_PAIR, TEST_WEEKS, WEDNESDAY_FOOTING } from "./wednesday-footing.ts";
import { WEDNESDAY_PEOPLE } from "./wednesday-people.ts";

const PROGRAMMES: readonly DemoProgramme[] = [MONDAY_CHAIRS, WEDNESDAY_FOOTING, THURSDAY_LAMP_HOUSE, FRIDAY_WARM_WATER];
const PEOPLE: readonly DemoPerson[] = [...WEDNESDAY_PEOPLE, ...MONDAY_PEOPLE, ...FRIDAY_PEOPLE];
const KNOWN_BEFORE = "Known from the two winters before this record began.";

/** Days and instants of a programme, counted back from the demo's today. */
function calendar(today: Date, programme: DemoProgramme) {
  const day = startOfDay(new TZDate(today, ORGANISATION.timeZone));
  const ahead = (programme.weekday - getISODay(day) + 7) % 7;
  const coming = addDays(day, ahead);
  const dayOfWeek = (week: number): string => format(addDays(coming, 7 * (week - WEEKS - 1)), "yyyy-MM-dd");
  const begins = (week: number): Date =>
    new Date(momentIn(ORGANISATION.timeZone, dayOfWeek(week), programme.hour, programme.minute).getTime());
  return {
    dayOfWeek,
    begins,
    coming: format(coming, "yyyy-MM-dd"),
    morningOf: (week: number) => addSeconds(begins(week), -1800),
  };
}

/** Writes the plan of a week for a day, on time for what the group knows by then. @returns its id */
async function planDay(
  scope: Scope,
  programme: DemoProgramme,
  week: number,
  groupId: string,
  day: string,
  seats: readonly PersonSeat[] = [],
): Promise<string> {
  const group = await findGroup(scope, groupId);
  if (!group) throw new Error("a group that was added is there");
  const settingOf = await settingsOf(scope, [groupId]);
  const movements = (await listMovements(scope)).map(({ movement }) => movement);
  const blocks = planWeek(programme, week, settingOf({ day }, group, new Map()), movements);
  const { breathSeconds, purpose } = programme;
  return addPlan(scope, { groupId, day, breathSeconds, blocks, style: STYLE, purpose, seats });
}

/** Weeks that the series go on after the demo's own. */
const WEEKS_AHEAD = 10;

/** What changes in a week for one person: limitations, clearances, caps, a release. */
async function liveThroughWeek(
  voices: Voices,
  { id, demo, caps, limitations }: StoredDemoPerson,
  week: number,
  dayOfWeek: (week: number) => string,
) {
  const { instructor } = voices;
  for (const [i, limitation] of (demo.limitations ?? []).entries()) {
    if (limitation.set === week) limitations[i] = await addDemoLimitation(voices, id, limitation, dayOfWeek(1));
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
  if (ask) await recordAfterClass(instructor, ask.classId, { kind: "nextDay", personId: id, pain: "none" });
  await endNewcomerCaps(instructor, id, {
    stage: demo.stand,
    day: dayOfWeek(week),
    because: week === 0 || !demo.groups.includes("wednesday") ? KNOWN_BEFORE : "",
  });
}

/** Long because it is the order in which the demo is written, step after step. */
async function load(database: Knex, today: Date): Promise<void> {
  const random = seeded(20_261);
  const nextId = ids(random);
  const wednesdays = calendar(today, WEDNESDAY_FOOTING);
  let clock = addDays(wednesdays.morningOf(1), -7);
  const instructor = await foundOrganisation(database, { ...ORGANISATION, account: INSTRUCTOR }, () => clock);
  await addMember(instructor, HELPER);
  const clinician = await addMember(instructor, CLINICIAN);
  const voices: Voices = { instructor, clinician };
  const kittiwake = await addVenue(instructor, PLACE);
  const lampHouse = await addVenue(instructor, LAMP_HOUSE);
  await saveStyle(instructor, null, STYLE);
  await saveCombination(instructor, HARBOUR_PAIR);
  const groupIds = new Map<DemoGroup, string>();
  for (const { group, name, place, weekday, hour, minute, minutes, seatedOnly, inWater, helpers } of PROGRAMMES) {
    const startsAt = `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;
    const placeId = group === THURSDAY_LAMP_HOUSE.group ? lampHouse : kittiwake;
    const input = { name, place, placeId, weekday, startsAt, minutes, seatedOnly, inWater, helpers };
    groupIds.set(group, await addGroup(instructor, input));
  }
  const people = await addDemoPeople(PEOPLE, instructor, clinician.accountId, groupIds);
  for (const person of people) await liveThroughWeek(voices, person, 0, wednesdays.dayOfWeek);

  for (let week = 1; week <= WEEKS; week += 1) {
    // The week's news is recorded before its first class.
    clock =
      calendar(today, MONDAY_CHAIRS).morningOf(week) < wednesdays.morningOf(week)
        ? calendar(today, MONDAY_CHAIRS).morningOf(week)
        : wednesdays.morningOf(week);
    for (const person of people)
      await liveThroughWeek(voices, person, week, (of) => format(clockDay(clock, 7 * (of - week)), "yyyy-MM-dd"));
    const taught = PROGRAMMES.filter(({ blocks, isNew }) => blocks !== null && !isNew).toSorted(
      (a, b) => calendar(today, a).begins(week).getTime() - calendar(today, b).begins(week).getTime(),
    );
    for (const programme of taught) {
      const days = calendar(today, programme);
      clock = days.morningOf(week);
      const groupId = present(groupIds.get(programme.group), "group");
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
    const groupId = present(groupIds.get(programme.group), "group");
    await addSeries(instructor, groupId, {
      firstDay: dayOfWeek(programme.isNew ? WEEKS + 1 : 1),
      lastDay: dayOfWeek(WEEKS + WEEKS_AHEAD),
      breaks: [{ from: dayOfWeek(WEEKS + 5), to: dayOfWeek(WEEKS + 6) }],
    });
  }
  for (const programme of PROGRAMMES.filter(({ blocks }) => blocks !== null)) {
    const groupId = present(groupIds.get(programme.group), "group");
    const seats = people.flatMap(({ id, demo }) => {
      const seat = programme.seats?.[demo.person.name];
      return seat ? [{ personId: id, ...seat }] : [];
    });
    await planDay(instructor, programme, WEEKS, groupId, calendar(today, programme).coming, seats);
  }
}

const clockDay = (clock: Date, days: number): Date => addDays(new TZDate(clock, ORGANISATION.timeZone), days);

/** Teaches one week's class of a programme: people arrive, are fitted for the day, move, and it ends. */
async function teachWeek(
  scope: Scope,
  programme: DemoProgramme,
  week: number,
  groupId: string,
  members: readonly StoredDemoPerson[],
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

/** The instructor asks people about observations, as far as the demo has an answer. */
async function askAfterClass(
  scope: Scope,
  classId: string,
  week: number,
  members: readonly StoredDemoPerson[],
  happened: readonly ClassEvent[],
): Promise<void> {
  for (const event of happened) {
    if (event.kind !== "noted") continue;
    const signs = members.find(({ id }) => id === event.personId)?.demo.signs ?? [];
    const because = signs.find((each) => each.week === week && each.sign === event.sign)?.found;
    if (because) await recordAfterClass(scope, classId, { kind: "followedUp", noteId: event.id, because });
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
