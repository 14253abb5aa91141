import type { Cap } from "@able-tide/core/caps/cap";
import { dayCaps, readCheckIn } from "@able-tide/core/caps/check-in";
import { itemAt } from "@able-tide/core/checked-access";
import { classSteps } from "@able-tide/core/class/class-steps";
import { type ClassState, classState } from "@able-tide/core/class/events";
import { type LedAgain, ledItems, ledSoFar, withLeading } from "@able-tide/core/class/led-script";
import { allMoves } from "@able-tide/core/class/moves";
import { currentAnswers } from "@able-tide/core/class/notes-of-day";
import { fitsDue, notesToFit } from "@able-tide/core/class/refit";
import { type ClassScript, scriptItems, withStations } from "@able-tide/core/class/script";
import type { LedItem } from "@able-tide/core/fit/led-item";
import { formatState, SCRIPT_WORDING } from "@able-tide/words/schedule";
import { PRIORITY } from "../../jobs/fit-runner.ts";
import { findGroup, type Group } from "../groups/groups.ts";
import { activeCaps } from "../people/caps.ts";
import { listPeopleOfGroup, type Person } from "../people/people.ts";
import { screenedPeople } from "../people/screened.ts";
import { fitGroupOf } from "../plans/fitted-plan.ts";
import { findPlan, type Plan } from "../plans/plans.ts";
import { sessionStations } from "../plans/stations.ts";
import { findPolicy } from "../policy/policy.ts";
import type { Scope } from "../scope.ts";
import { beginClass, changeScript, classOfPlan, findClass, listEvents, type TaughtClass } from "./classes.ts";

export type TeachOutcome =
  | { readonly kind: "begun"; readonly classId: string }
  | { readonly kind: "unknown" | "noMovements" | "noPeople" };

type Scripted =
  | {
      readonly kind: "script";
      readonly script: ClassScript;
      /** What a class is led by when some of its people were fitted again. */
      readonly again: LedAgain;
    }
  | { readonly kind: "noMovements" | "noPeople" };

/** What of a class bears on the caps of its people. */
type Told = Pick<ClassState, "checkIns" | "notes">;
const NOTHING_TOLD: Told = { checkIns: new Map(), notes: [] };

/** The caps of the day for each person: the active ones, and what their check-in and notes in class add. */
async function capsOfDay(scope: Scope, personIds: readonly string[], day: string, state: Told): Promise<Map<string, Cap[]>> {
  const caps = await activeCaps(scope, personIds, day);
  const policy = await findPolicy(scope);
  const screened = await screenedPeople(scope, personIds);
  const ofDay = new Map<string, Cap[]>(caps);
  for (const personId of personIds) {
    const holding = caps.get(personId);
    const now = currentAnswers(state, personId);
    if (!holding || now === null) continue;
    const reading = readCheckIn(now.answers, policy, screened.get(personId));
    const today = dayCaps(reading, holding, day, now.overriddenBecause !== null);
    const source = { standard: now === state.checkIns.get(personId) ? "checkIn" : "notedInClass" } as const;
    ofDay.set(personId, [...holding, ...today.map((cap) => ({ ...cap, source }))]);
  }
  return ofDay;
}

/**
 * What a class of a plan begins with: its movements, who is in the group, and everyone's fit by the caps of the day.
 *
 * @param led how each item is led already, where the class is under way
 */
async function scriptOf(
  scope: Scope,
  plan: Plan,
  group: Group,
  state: Told = NOTHING_TOLD,
  led?: readonly LedItem[],
): Promise<Scripted> {
  const people = await listPeopleOfGroup(scope, group.id);
  if (people.length === 0) return { kind: "noPeople" };
  const caps = await capsOfDay(
    scope,
    people.map((person) => person.id),
    plan.day,
    state,
  );
  const fitted = await fitGroupOf(scope, plan, group, people, caps, { priority: PRIORITY.question, ...(led && { led }) });
  const { reading, rows, seated, sheet, fitPlan, fits, setting } = fitted;
  if (reading.blocks.length === 0) return { kind: "noMovements" };
  const { home } = reading;
  const cellsOf = ({ id }: Person) => rows.get(id)?.cells ?? [];
  const placed = people.map((person, i) => ({
    person,
    fit: itemAt(fits, i),
    caps: caps.get(person.id) ?? [],
    cells: cellsOf(person),
  }));
  const { there, stations } = await sessionStations(scope, { plan, group, setting, reading, sheet, people: placed });
  return {
    kind: "script",
    again: { plan: fitPlan, fits, home, format: formatState },
    script: {
      groupName: group.name,
      blocks: withStations(ledItems(scriptItems(reading, SCRIPT_WORDING), sheet.items, home, formatState), stations),
      total: reading.total,
      home: formatState(home),
      showing: plan.style.showing,
      ...(setting.floor && { room: { floor: setting.floor, places: there.map(({ id, x, z }) => ({ personId: id, x, z })) } }),
      people: people.map((person, i) => {
        const { id, name } = person;
        const fittedAfter = notesToFit(state, id);
        const seat = seated[i]?.seat;
        return {
          id,
          name,
          ...(seat && { seat: { seat: seat.seat, position: seat.position } }),
          cells: cellsOf(person),
          ...(fittedAfter.length > 0 ? { fittedAfter } : {}),
        };
      }),
    },
  };
}

async function planWithGroup(scope: Scope, planId: string): Promise<{ plan: Plan; group: Group } | null> {
  const plan = await findPlan(scope, planId);
  const group = plan && (await findGroup(scope, plan.groupId));
  return plan && group ? { plan, group } : null;
}

/**
 * Begins the class of a plan, or finds the one already begun. Everyone's fit is computed here and kept with the class.
 */
export async function teachPlan(scope: Scope, planId: string): Promise<TeachOutcome> {
  const found = await planWithGroup(scope, planId);
  if (!found) return { kind: "unknown" };
  const begun = await classOfPlan(scope, planId);
  if (begun) return { kind: "begun", classId: begun.id };
  const scripted = await scriptOf(scope, found.plan, found.group);
  if (scripted.kind !== "script") return scripted;
  const { plan } = found;
  const classId = await beginClass(scope, { planId, groupId: plan.groupId, day: plan.day, script: scripted.script });
  return { kind: "begun", classId };
}

/**
 * Fits a class anew while people arrive, so that a limit set a minute ago counts. Once the first movement has begun the
 * class keeps what it has.
 *
 * @returns whether it was fitted, has begun moving, or is unknown
 */
export async function fitClassAgain(scope: Scope, classId: string): Promise<"fitted" | "moving" | "unknown"> {
  const taught = await findClass(scope, classId);
  const found = taught && (await planWithGroup(scope, taught.planId));
  if (!taught || !found) return "unknown";
  const state = classState(await listEvents(scope, classId));
  if (state.step !== null) return "moving";
  const scripted = await scriptOf(scope, found.plan, found.group, state);
  if (scripted.kind !== "script") return "unknown";
  await changeScript(scope, classId, { cause: "arrivals", fromItem: 0, change: () => scripted.script });
  return "fitted";
}

/** The place of the item that a class is at: the first before it moves, past the last once all are done. */
function itemUnderWay(scope: Scope, { blocks }: ClassScript, { moves }: ClassState): number {
  const steps = classSteps(blocks);
  const step = allMoves(steps, moves, scope.now().toISOString()).at(-1)?.step;
  return step === undefined ? 0 : (steps[step]?.blockIndex ?? blocks.length);
}

/**
 * Fits the blocks that are still to come of everyone whose fit is due after notes in class. What they have done, and
 * what everyone else does, stays as it is.
 *
 * @returns whether anyone was fitted
 */
async function fitDue(scope: Scope, classId: string): Promise<boolean> {
  const taught = await findClass(scope, classId);
  if (!taught) return false;
  const state = classState(await listEvents(scope, classId));
  const due = fitsDue(taught.script.people, state);
  const found = due.size > 0 ? await planWithGroup(scope, taught.planId) : null;
  if (!found) return false;
  const scripted = await scriptOf(scope, found.plan, found.group, state, ledSoFar(taught.script));
  if (scripted.kind !== "script") return false;
  const anew = new Map(scripted.script.people.map(({ id, cells }) => [id, cells]));
  const next = itemUnderWay(scope, taught.script, state);
  const change = (script: ClassScript): ClassScript => {
    const people = script.people.map((person) => {
      if (!due.has(person.id)) return person;
      // Who has left the group since keeps their cells; their notes are done with all the same.
      const cells = anew.get(person.id) ?? [];
      return {
        ...person,
        cells: person.cells.map((cell, block) => (block < next ? cell : (cells[block] ?? cell))),
        fittedAfter: notesToFit(state, person.id),
      };
    });
    return withLeading({ ...script, people }, next, scripted.again);
  };
  await changeScript(scope, classId, { cause: "notes", fromItem: next, change });
  return true;
}

/** Fits that notes have asked for and that are not finished, by class. */
const underWay = new Map<string, Promise<void>>();

/** Fits until nothing is due: what is noted in the meantime is fitted too. */
async function fitAllDue(scope: Scope, classId: string): Promise<void> {
  while (await fitDue(scope, classId));
}

/**
 * Begins to fit everyone whose fit is due after notes in class. The notes are kept already: no one waits for the fit
 * but the one who asks for the script (`classAfterNotes`). One class is fitted once at a time.
 */
export function fitAfterNotes(scope: Scope, classId: string): Promise<void> {
  const before = underWay.get(classId) ?? Promise.resolve();
  const fit = before
    .then(() => fitAllDue(scope, classId))
    // The variants stay as before, and the fit stays due.
    .catch((problem: unknown) => console.error("the fit after a note failed", problem))
    .finally(() => {
      if (underWay.get(classId) === fit) underWay.delete(classId);
    });
  underWay.set(classId, fit);
  return fit;
}

/**
 * A class with everything fitted that notes have asked for, also where a fit was cut short before.
 *
 * @returns null where the class is unknown
 */
export async function classAfterNotes(scope: Scope, classId: string): Promise<TaughtClass | null> {
  await fitAfterNotes(scope, classId);
  return findClass(scope, classId);
}

/**
 * Puts someone of the group into a class that may have begun moving: their fit is added, everyone else keeps theirs.
 *
 * @returns whether they were put in, or the class is unknown
 */
export async function joinClass(scope: Scope, classId: string, personId: string): Promise<"joined" | "unknown"> {
  const taught = await findClass(scope, classId);
  const found = taught && (await planWithGroup(scope, taught.planId));
  if (!taught || !found) return "unknown";
  const state = classState(await listEvents(scope, classId));
  const scripted = await scriptOf(scope, found.plan, found.group, state, ledSoFar(taught.script));
  if (scripted.kind !== "script") return "unknown";
  const added = scripted.script.people.filter(({ id }) => id === personId);
  const next = itemUnderWay(scope, taught.script, state);
  const change = (script: ClassScript): ClassScript => {
    const people = [...script.people.filter(({ id }) => id !== personId), ...added];
    return withLeading({ ...script, people }, next, scripted.again);
  };
  await changeScript(scope, classId, { cause: "walkIn", fromItem: next, change });
  return added.length > 0 ? "joined" : "unknown";
}
