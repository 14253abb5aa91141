import type { ClassScript } from "@able-tide/core/class/script";
import { findGroup } from "../groups/groups.ts";
import { listMovements } from "../movements/movements.ts";
import { capsHolding } from "../people/caps.ts";
import { listMembers } from "../people/people.ts";
import { fittedRows } from "../plans/fitted-rows.ts";
import { findPlan, withMovements } from "../plans/plans.ts";
import type { Scope } from "../scope.ts";
import { beginClass, classOfPlan } from "./classes.ts";

export type TeachOutcome =
  | { readonly kind: "begun"; readonly classId: string }
  | { readonly kind: "unknown" | "noMovements" | "noPeople" };

/** Begins the class of a plan, or finds the one already begun. Everybody's fit is computed here and kept with the class. */
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
  const caps = await capsHolding(
    scope,
    people.map((person) => person.id),
    plan.day,
  );

  const rows = await fittedRows(
    { blocks, breathSeconds: plan.breathSeconds, seatedOnly: group.seatedOnly },
    people.map(({ id, stature }) => ({ id, stature, caps: caps.get(id) ?? [] })),
  );
  const script: ClassScript = {
    groupName: group.name,
    breathSeconds: plan.breathSeconds,
    seatedOnly: group.seatedOnly,
    blocks,
    people: people.map(({ id, name }) => ({ id, name, cells: rows.get(id) ?? [] })),
  };
  const classId = await beginClass(scope, { planId, groupId: group.id, day: plan.day, script });
  return { kind: "begun", classId };
}
