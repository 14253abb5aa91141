import { classState } from "@able-tide/core/class/events";
import type { ClassScript } from "@able-tide/core/class/script";
import { findGroup, type Group } from "../groups/groups.ts";
import { listMovements } from "../movements/movements.ts";
import { capsHolding } from "../people/caps.ts";
import { listMembers } from "../people/people.ts";
import { fittedRows } from "../plans/fitted-rows.ts";
import { findPlan, type Plan, withMovements } from "../plans/plans.ts";
import type { Scope } from "../scope.ts";
import { beginClass, classOfPlan, findClass, listEvents, replaceScript } from "./classes.ts";

export type TeachOutcome =
  | { readonly kind: "begun"; readonly classId: string }
  | { readonly kind: "unknown" | "noMovements" | "noPeople" };

type Scripted = { readonly kind: "script"; readonly script: ClassScript } | { readonly kind: "noMovements" | "noPeople" };

/** What a class of a plan begins with: its movements, who is in the group, and everybody's fit by the caps of the day. */
async function scriptOf(scope: Scope, plan: Plan, group: Group): Promise<Scripted> {
  const blocks = withMovements(plan, await listMovements(scope));
  if (blocks.length === 0) return { kind: "noMovements" };
  const people = await listMembers(scope, group.id);
  if (people.length === 0) return { kind: "noPeople" };
  const caps = await capsHolding(
    scope,
    people.map((person) => person.id),
    plan.day,
  );
  const { breathSeconds } = plan;
  const { seatedOnly } = group;
  const rows = await fittedRows(
    { blocks, breathSeconds, seatedOnly },
    people.map(({ id, stature, measured }) => ({ id, stature, measured, caps: caps.get(id) ?? [] })),
  );
  return {
    kind: "script",
    script: {
      groupName: group.name,
      breathSeconds,
      seatedOnly,
      blocks,
      people: people.map(({ id, name }) => ({ id, name, cells: rows.get(id) ?? [] })),
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
  if (classState(await listEvents(scope, classId)).step !== null) return "moving";
  const scripted = await scriptOf(scope, found.plan, found.group);
  if (scripted.kind !== "script") return "unknown";
  await replaceScript(scope, classId, scripted.script);
  return "fitted";
}
