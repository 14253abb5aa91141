import { randomUUID } from "node:crypto";
import type { FitPlan } from "@able-tide/core/fit/session";
import type { Block } from "@able-tide/core/plan/time";
import type { LibraryMovement } from "../movements/movements.ts";
import type { Scope } from "../scope.ts";

export interface Plan {
  readonly id: string;
  readonly groupId: string;
  /** ISO calendar day. */
  readonly day: string;
  readonly breathSeconds: number;
  readonly blocks: readonly Block[];
  /** Counts every change; a change says which one it started from. */
  readonly version: number;
}

export type PlanContent = Pick<Plan, "breathSeconds" | "blocks">;

interface PlanRow {
  id: string;
  group_id: string;
  day: string;
  breath_seconds: string;
  blocks: Block[];
  version: number;
}

const toPlan = (row: PlanRow): Plan => ({
  id: row.id,
  groupId: row.group_id,
  day: row.day,
  breathSeconds: Number(row.breath_seconds),
  blocks: row.blocks,
  version: row.version,
});

const plansOf = (scope: Scope) => scope.database("plans").where("plans.organisation_id", scope.organisationId);

/** The blocks of a plan with the movements they name; a block whose movement is gone is left out. */
export function withMovements(plan: PlanContent, library: readonly LibraryMovement[]): FitPlan["blocks"] {
  const movements = new Map(library.map(({ movement }) => [movement.id, movement]));
  return plan.blocks.flatMap(({ id, movementId, rounds }) => {
    const movement = movements.get(movementId);
    return movement ? [{ id, movement, rounds }] : [];
  });
}

/** Plans from a day on, or before it, nearest first. */
export async function listPlans(scope: Scope, around: { from: string } | { before: string }, most: number): Promise<Plan[]> {
  const query = plansOf(scope).limit(most).select<PlanRow[]>("*");
  const rows =
    "from" in around
      ? await query.where("day", ">=", around.from).orderBy("day").orderBy("created_at")
      : await query.where("day", "<", around.before).orderBy("day", "desc").orderBy("created_at", "desc");
  return rows.map(toPlan);
}

export async function findPlan(scope: Scope, id: string): Promise<Plan | null> {
  const row = await plansOf(scope).where({ id }).first<PlanRow>("*");
  return row ? toPlan(row) : null;
}

/** The newest plan of a group before a day, to start the next one from. */
export async function lastPlanBefore(scope: Scope, groupId: string, day: string): Promise<Plan | null> {
  const row = await plansOf(scope)
    .where({ group_id: groupId })
    .where("day", "<", day)
    .orderBy("day", "desc")
    .orderBy("created_at", "desc")
    .first<PlanRow>("*");
  return row ? toPlan(row) : null;
}

export async function addPlan(
  scope: Scope,
  input: PlanContent & { readonly groupId: string; readonly day: string },
): Promise<string> {
  const id = randomUUID();
  await scope.database("plans").insert({
    organisation_id: scope.organisationId,
    id,
    group_id: input.groupId,
    day: input.day,
    breath_seconds: input.breathSeconds,
    blocks: JSON.stringify(input.blocks),
    version: 1,
    created_by: scope.accountId,
    created_at: scope.now(),
    changed_by: scope.accountId,
    changed_at: scope.now(),
  });
  return id;
}

/** @returns the new version, or null if the plan has moved on from `version` or is not there */
export async function changePlan(scope: Scope, id: string, version: number, content: PlanContent): Promise<number | null> {
  const [row] = await plansOf(scope)
    .where({ id, version })
    .update(
      {
        breath_seconds: content.breathSeconds,
        blocks: JSON.stringify(content.blocks),
        version: version + 1,
        changed_by: scope.accountId,
        changed_at: scope.now(),
      },
      ["version"],
    );
  return row ? row.version : null;
}
