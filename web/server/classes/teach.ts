import type { Cap } from "@able-tide/core/caps/cap";
import { dayCaps, readCheckIn } from "@able-tide/core/caps/check-in";
import { type CheckedIn, classState } from "@able-tide/core/class/events";
import { type ClassScript, scriptBlocks } from "@able-tide/core/class/script";
import { stateInWords } from "@able-tide/core/plan/state";
import { findGroup, type Group } from "../groups/groups.ts";
import { capsHolding } from "../people/caps.ts";
import { listMembers } from "../people/people.ts";
import { fitGroupOf } from "../plans/fitted-plan.ts";
import { findPlan, type Plan } from "../plans/plans.ts";
import { findPolicy } from "../policy/policy.ts";
import type { Scope } from "../scope.ts";
import { beginClass, classOfPlan, findClass, listEvents, replaceScript } from "./classes.ts";

export type TeachOutcome =
  | { readonly kind: "begun"; readonly classId: string }
  | { readonly kind: "unknown" | "noMovements" | "noPeople" };

type Scripted = { readonly kind: "script"; readonly script: ClassScript } | { readonly kind: "noMovements" | "noPeople" };

/** The caps of the day for each person: those in force, and what their check-in adds. */
async function capsOfDay(
  scope: Scope,
  personIds: readonly string[],
  day: string,
  checkIns: ReadonlyMap<string, CheckedIn>,
): Promise<Map<string, Cap[]>> {
  const caps = await capsHolding(scope, personIds, day);
  const policy = await findPolicy(scope);
  const ofDay = new Map<string, Cap[]>(caps);
  for (const [personId, { answers, overriddenBecause }] of checkIns) {
    const holding = caps.get(personId);
    if (holding)
      ofDay.set(personId, [...holding, ...dayCaps(readCheckIn(answers, policy), holding, day, overriddenBecause !== null)]);
  }
  return ofDay;
}

/** What a class of a plan begins with: its movements, who is in the group, and everybody's fit by the caps of the day. */
async function scriptOf(
  scope: Scope,
  plan: Plan,
  group: Group,
  checkIns: ReadonlyMap<string, CheckedIn> = new Map(),
): Promise<Scripted> {
  const people = await listMembers(scope, group.id);
  if (people.length === 0) return { kind: "noPeople" };
  const caps = await capsOfDay(
    scope,
    people.map((person) => person.id),
    plan.day,
    checkIns,
  );
  const { reading, rows } = await fitGroupOf(scope, plan, group, people, caps);
  if (reading.blocks.length === 0) return { kind: "noMovements" };
  return {
    kind: "script",
    script: {
      groupName: group.name,
      blocks: scriptBlocks(reading),
      total: reading.total,
      home: stateInWords(reading.home),
      showing: plan.style.showing,
      people: people.map(({ id, name }) => ({ id, name, cells: rows.get(id)?.cells ?? [] })),
    },
  };
}

async function planWithGroup(scope: Scope, planId: string): Promise<{ plan: Plan; group: Group } | null> {
  const plan = await findPlan(scope, planId);
  const group = plan && (await findGroup(scope, plan.groupId));
  return plan && group ? { plan, group } : null;
}

/** Begins the class of a plan, or finds the one already begun. Everybody's fit is computed here and kept with the class. */
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
  const scripted = await scriptOf(scope, found.plan, found.group, state.checkIns);
  if (scripted.kind !== "script") return "unknown";
  await replaceScript(scope, classId, scripted.script);
  return "fitted";
}

/**
 * Puts somebody of the group into a class that may have begun moving: their fit is added, everybody else keeps theirs.
 *
 * @returns whether they were put in, or the class is unknown
 */
export async function joinClass(scope: Scope, classId: string, personId: string): Promise<"joined" | "unknown"> {
  const taught = await findClass(scope, classId);
  const found = taught && (await planWithGroup(scope, taught.planId));
  if (!taught || !found) return "unknown";
  const state = classState(await listEvents(scope, classId));
  const scripted = await scriptOf(scope, found.plan, found.group, state.checkIns);
  if (scripted.kind !== "script") return "unknown";
  const added = scripted.script.people.filter(({ id }) => id === personId);
  const known = taught.script.people.filter(({ id }) => id !== personId);
  await replaceScript(scope, classId, { ...taught.script, people: [...known, ...added] });
  return added.length > 0 ? "joined" : "unknown";
}
