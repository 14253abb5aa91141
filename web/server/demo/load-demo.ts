import type { ClassEvent } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import { classSteps } from "@able-tide/core/class/steps";
import { planTime } from "@able-tide/core/plan/time";
import { ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import type { Side } from "@able-tide/core/side";
import { TZDate } from "@date-fns/tz";
import { addDays, addSeconds, format, isWednesday, nextWednesday, previousWednesday, startOfDay } from "date-fns";
import type { Knex } from "knex";
import { foundOrganisation } from "../accounts/accounts.ts";
import { addEvents, findClass } from "../classes/classes.ts";
import { teachPlan } from "../classes/teach.ts";
import { addGroup } from "../groups/groups.ts";
import { withSetUpLock } from "../migrate.ts";
import { addCap, endCap } from "../people/caps.ts";
import { addPerson } from "../people/people.ts";
import { addPlan } from "../plans/plans.ts";
import { recordOneLegStand } from "../results/results.ts";
import type { Scope } from "../scope.ts";
import { seeded } from "./seeded.ts";
import { blocksOfWeek, type DemoPerson, endingOfWeek, PEOPLE, TEST_WEEKS, WEEKS } from "./wednesday-footing.ts";

const TIME_ZONE = "Europe/London";
const ACCOUNT = { email: "ines@kittiwake.example", name: "Ines", password: "low-water-mark", role: "owner" } as const;
const BREATH_SECONDS = 8;
const CLASS_STARTS = { hours: 10, minutes: 30 } as const;

/** The calendar of the demo, counted back from its today. */
function calendar(today: Date) {
  const day = startOfDay(new TZDate(today, TIME_ZONE));
  const lastClass = previousWednesday(day);
  const coming = isWednesday(day) ? day : nextWednesday(day);
  const dayOfWeek = (week: number): string => format(addDays(lastClass, 7 * (week - WEEKS)), "yyyy-MM-dd");
  return {
    dayOfWeek,
    coming: format(coming, "yyyy-MM-dd"),
    /** Half an hour before the class of a week begins, as an instant. */
    morningOf: (week: number): Date =>
      new Date(new TZDate(`${dayOfWeek(week)}T${CLASS_STARTS.hours}:00:00`, TIME_ZONE).getTime()),
  };
}

const blocksFor = (week: number) =>
  blocksOfWeek(week).map(([movementId, rounds], i) => ({ id: `b${i + 1}`, movementId, rounds }));

/** What was noted in a class, from the ticking of names to its end. Times follow the plan's own clock. */
function eventsOf(
  script: ClassScript,
  week: number,
  people: readonly { readonly id: string; readonly demo: DemoPerson }[],
  begins: Date,
  nextId: () => string,
): ClassEvent[] {
  const at = (seconds: number) => addSeconds(begins, seconds).toISOString();
  const here = people.filter(({ demo }) => !demo.missed.includes(week));
  const events: ClassEvent[] = here.map(({ id }, i) => ({
    kind: "attended",
    id: nextId(),
    at: at(i - here.length),
    personId: id,
    here: true,
  }));
  const { total } = planTime(script.blocks, script.breathSeconds);
  classSteps(script.blocks, script.breathSeconds).forEach((step, number) => {
    events.push({ kind: "moved", id: nextId(), at: at(step.from), step: number });
    for (const { id, demo } of here)
      for (const { sign, movementId, week: inWeek } of demo.signs)
        if (inWeek === week && script.blocks[step.blockIndex]?.movement.id === movementId && step.side !== "left")
          events.push({ kind: "noted", id: nextId(), at: at(step.from + 35), personId: id, step: number, sign });
  });
  events.push({ kind: "ended", id: nextId(), at: at(total + 120), ...endingOfWeek(week) });
  return events;
}

/** Three trials of a one-leg stand on the way from the first test to the last, in tenths of a second. */
function trialsOf(demo: DemoPerson, side: Side, week: number, random: () => number): number[] {
  const { first, last } = demo.oneLeg[side];
  const expected = first + ((last - first) * (week - 1)) / (WEEKS - 2);
  return [0.78, 0.9, 1].map((share) => {
    const seconds = expected * share * (0.94 + 0.12 * random());
    return Math.min(ONE_LEG_STAND.ceiling, Math.round(10 * seconds) / 10);
  });
}

async function load(database: Knex, today: Date): Promise<void> {
  const random = seeded(20_261);
  const nextId = () => {
    const digits = () =>
      Math.floor(random() * 0x1_0000)
        .toString(16)
        .padStart(4, "0");
    return `${digits()}${digits()}-${digits()}-4${digits().slice(1)}-8${digits().slice(1)}-${digits()}${digits()}${digits()}`;
  };
  const days = calendar(today);
  let clock = addDays(days.morningOf(1), -1);
  const scope: Scope = await foundOrganisation(
    database,
    { name: "Kittiwake Rooms", timeZone: TIME_ZONE, account: ACCOUNT },
    () => clock,
  );
  const groupId = await addGroup(scope, {
    name: "Wednesday Footing",
    place: "the hall, rail along one wall",
    weekday: 3,
    startsAt: "10:30",
    minutes: 30,
    seatedOnly: false,
  });
  const people: { id: string; demo: DemoPerson; caps: (string | null)[] }[] = [];
  for (const demo of PEOPLE) people.push({ id: await addPerson(scope, { ...demo.person, groupIds: [groupId] }), demo, caps: [] });

  for (let week = 1; week <= WEEKS; week += 1) {
    clock = days.morningOf(week);
    for (const { id, demo, caps } of people)
      for (const [i, cap] of demo.caps.entries()) {
        if (cap.set === week)
          caps[i] = await addCap(scope, id, {
            limit: cap.limit,
            reason: cap.reason,
            source: cap.source,
            strength: cap.strength,
            from: days.dayOfWeek(week),
            until: cap.until === undefined ? null : days.dayOfWeek(cap.until),
          });
        const kept = caps[i];
        if (cap.ended?.week === week && kept) await endCap(scope, id, kept, cap.ended.because);
      }
    const day = days.dayOfWeek(week);
    const planId = await addPlan(scope, { groupId, day, breathSeconds: BREATH_SECONDS, blocks: blocksFor(week) });
    const outcome = await teachPlan(scope, planId);
    if (outcome.kind !== "begun") throw new Error(`the demo's class of week ${week} did not begin: ${outcome.kind}`);
    const taught = await findClass(scope, outcome.classId);
    if (!taught) throw new Error("a class that was begun is there");
    const begins = addSeconds(clock, 60 * CLASS_STARTS.minutes);
    await addEvents(scope, outcome.classId, eventsOf(taught.script, week, people, begins, nextId));
    if (!TEST_WEEKS.includes(week)) continue;
    for (const { id, demo } of people) {
      const trials = { left: trialsOf(demo, "left", week, random), right: trialsOf(demo, "right", week, random) };
      if (demo.missed.includes(week)) continue;
      await recordOneLegStand(scope, id, { day, trials, note: week === 1 ? "first time, practice" : "" });
    }
  }
  clock = addDays(days.morningOf(WEEKS), 1);
  await addPlan(scope, { groupId, day: days.coming, breathSeconds: BREATH_SECONDS, blocks: blocksFor(WEEKS) });
}

/**
 * Loads the demo organisation unless it is there already. All of it or nothing: a load that is killed leaves no trace.
 *
 * @param today the demo's fourteen weeks end before this day
 */
export const loadDemo = (database: Knex, today: Date): Promise<void> =>
  withSetUpLock(database, async () => {
    if (await database("accounts").where({ email: ACCOUNT.email }).first("id")) return;
    await database.transaction((transaction) => load(transaction, today));
  });
