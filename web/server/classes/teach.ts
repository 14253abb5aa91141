import { setImmediate } from "node:timers/promises";
import type { ClassScript } from "@able-tide/core/class/script";
import { viewRow } from "@able-tide/core/fit/cell-view";
import { type FitPlan, fitPerson } from "@able-tide/core/fit/session";
import { listMembers } from "../people/people.ts";
import { capsHolding } from "../people/caps.ts";
import { findGroup } from "../groups/groups.ts";
import { listMovements } from "../movements/movements.ts";
import { findPlan, withMovements } from "../plans/plans.ts";
import { solvedForms } from "../plans/solved-forms.ts";
import type { Scope } from "../scope.ts";
import { beginClass, classOfPlan } from "./classes.ts";

export type TeachOutcome =
  | { readonly kind: "begun"; readonly classId: string }
  | { readonly kind: "unknown" | "noMovements" | "noPeople" };

/**
 * Begins the class of a plan, or finds the one already begun. The fit is computed here, one person at a time with
 * the event loop let through in between, and kept with the class.
 */
export async function teachPlan(scope: Scope, planId: string): Promise<TeachOutcome> {
  const plan = await findPlan(scope, planId);
  const group = plan && (await findGroup(scope, plan.groupId));
  if (!plan || !group) return { kind: "unknown" };
  const open = await classOfPlan(scope, planId);
  if (open) return { kind: "begun", classId: open.id };

  const blocks = withMovements(plan, await listMovements(scope));
  if (blocks.length === 0) return { kind: "noMovements" };
  const people = await listMembers(scope, group.id);
  if (people.length === 0) return { kind: "noPeople" };
  const caps = await capsHolding(scope, people.map((person) => person.id), plan.day);

  const fitPlan: FitPlan = { blocks, breathSeconds: plan.breathSeconds, seatedOnly: group.seatedOnly };
  const rows: ClassScript["people"][number][] = [];
  for (const person of people) {
    const row = fitPerson(fitPlan, { id: person.id, stature: person.stature, caps: caps.get(person.id) ?? [] }, solvedForms);
    rows.push({ id: person.id, name: person.name, cells: viewRow(fitPlan, row) });
    await setImmediate();
  }
  const script: ClassScript = {
    groupName: group.name,
    breathSeconds: plan.breathSeconds,
    seatedOnly: group.seatedOnly,
    blocks,
    people: rows,
  };
  const classId = await beginClass(scope, { planId, groupId: group.id, day: plan.day, script });
  return { kind: "begun", classId };
}
