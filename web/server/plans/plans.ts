import { randomUUID } from "node:crypto";
import { EMPTY_PLAN, type PlanContent } from "@able-tide/core/plan/plan";
import { recordAction, recordChange } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";

export interface Plan extends PlanContent {
  readonly id: string;
  readonly groupId: string;
  /** ISO calendar day. */
  readonly day: string;
  /** Counts every change; a change says which one it started from. */
  readonly revision: number;
}

/** What is not said is as usual. */
export type PlanInput = Partial<PlanContent>;

interface PlanRow {
  id: string;
  group_id: string;
  day: string;
  breath_seconds: string;
  blocks: PlanContent["blocks"];
  style: PlanContent["style"];
  purpose: PlanContent["purpose"];
  holds: PlanContent["holds"];
  places: PlanContent["places"];
  seats: PlanContent["seats"];
  version: number;
}

const toPlan = (row: PlanRow): Plan => ({
  id: row.id,
  groupId: row.group_id,
  day: row.day,
  breathSeconds: Number(row.breath_seconds),
  blocks: row.blocks,
  style: row.style,
  purpose: row.purpose,
  holds: row.holds,
  places: row.places,
  seats: row.seats,
  revision: row.version,
});

/** The content of a plan, without whose and when. */
export const contentOf = ({ blocks, style, breathSeconds, purpose, holds, places, seats }: PlanContent): PlanContent => ({
  blocks,
  style,
  breathSeconds,
  purpose,
  holds,
  places,
  seats,
});

const columnsOf = (content: PlanContent) => ({
  breath_seconds: content.breathSeconds,
  blocks: JSON.stringify(content.blocks),
  style: JSON.stringify(content.style),
  purpose: content.purpose,
  holds: JSON.stringify(content.holds),
  places: JSON.stringify(content.places),
  seats: JSON.stringify(content.seats),
});

const plansOf = (scope: Scope) => scope.database("plans").where("plans.organisation_id", scope.organisationId);

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

/** Keeps a revision as it was saved. Revisions are only ever added. */
const keepRevision = (scope: Scope, planId: string, revision: number, content: PlanContent) =>
  scope.database("plan_versions").insert({
    organisation_id: scope.organisationId,
    plan_id: planId,
    version: revision,
    content: JSON.stringify(content),
    saved_by: scope.accountId,
    saved_at: scope.now(),
  });

/** Whether a group has a plan for a day. @param except a plan that does not count */
export async function isPlanned(scope: Scope, groupId: string, day: string, except: string | null = null): Promise<boolean> {
  const plan = await plansOf(scope)
    .where({ group_id: groupId, day })
    .whereRaw("id is distinct from ?::uuid", [except])
    .first("id");
  return plan !== undefined;
}

/** Gives a plan to another day or group. Variants and places of people of another group do not go along. */
export async function movePlan(scope: Scope, plan: Plan, to: { readonly groupId: string; readonly day: string }): Promise<void> {
  const isSameGroup = to.groupId === plan.groupId;
  await scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    await plansOf(within)
      .where({ id: plan.id })
      .update({
        group_id: to.groupId,
        day: to.day,
        ...(isSameGroup ? {} : { holds: "[]", places: "[]", seats: "[]" }),
        changed_by: scope.accountId,
        changed_at: scope.now(),
      });
    const { groupId, day } = plan;
    await recordChange(within, { subject: "plan", id: plan.id }, { groupId, day }, { groupId: to.groupId, day: to.day });
  });
}

/** Makes the same plan for another day or group. @returns the id of the new one */
export const copyPlan = (scope: Scope, plan: Plan, to: { readonly groupId: string; readonly day: string }): Promise<string> =>
  addPlan(scope, { ...contentOf(plan), ...(to.groupId === plan.groupId ? {} : { holds: [], places: [], seats: [] }), ...to });

/** Deletes a plan with its revisions. @returns "taught" for one with a class, whose record needs it */
export async function deletePlan(scope: Scope, id: string): Promise<"deleted" | "taught" | "unknown"> {
  return scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    const own = { organisation_id: scope.organisationId, plan_id: id };
    if (!(await plansOf(within).where({ id }).forUpdate().first("id"))) return "unknown";
    if (await database("classes").where(own).first("id")) return "taught";
    await database("plan_versions").where(own).delete();
    await plansOf(within).where({ id }).delete();
    await recordAction(within, "deleted", { subject: "plan", id });
    return "deleted";
  });
}

/** Groups that a plan was made for. */
export async function plannedGroups(scope: Scope): Promise<ReadonlySet<string>> {
  return new Set(await plansOf(scope).distinct().pluck("group_id"));
}

export async function addPlan(
  scope: Scope,
  input: PlanInput & { readonly groupId: string; readonly day: string },
): Promise<string> {
  const id = randomUUID();
  const content = contentOf({ ...EMPTY_PLAN, ...input });
  return scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    await database("plans").insert({
      organisation_id: scope.organisationId,
      id,
      group_id: input.groupId,
      day: input.day,
      ...columnsOf(content),
      version: 1,
      created_by: scope.accountId,
      created_at: scope.now(),
      changed_by: scope.accountId,
      changed_at: scope.now(),
    });
    await keepRevision(within, id, 1, content);
    return id;
  });
}

/**
 * Changes what is said of a plan's content and keeps the revision.
 *
 * @returns the new revision, or null if the plan has moved on from `revision` or is not there
 */
export async function changePlan(scope: Scope, id: string, revision: number, input: PlanInput): Promise<number | null> {
  const plan = await findPlan(scope, id);
  if (!plan || plan.revision !== revision) return null;
  const content = contentOf({ ...plan, ...input });
  return scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    const [row] = await plansOf(within)
      .where({ id, version: revision })
      .update({ ...columnsOf(content), version: revision + 1, changed_by: scope.accountId, changed_at: scope.now() }, [
        "version",
      ]);
    if (!row) return null;
    await keepRevision(within, id, row.version, content);
    return row.version;
  });
}

/** A revision of a plan as it was saved. */
export interface PlanRevision {
  readonly revision: number;
  readonly content: PlanContent;
  readonly savedBy: string;
  /** ISO instant. */
  readonly savedAt: string;
}

/** The revisions of a plan, newest first. */
export async function listRevisions(scope: Scope, planId: string, most: number): Promise<PlanRevision[]> {
  const rows = await scope
    .database("plan_versions")
    .join("accounts", "accounts.id", "plan_versions.saved_by")
    .where({ "plan_versions.organisation_id": scope.organisationId, plan_id: planId })
    .orderBy("version", "desc")
    .limit(most)
    .select<{ version: number; content: PlanContent; name: string; saved_at: Date }[]>("version", "content", "name", "saved_at");
  return rows.map(({ version, content, name, saved_at }) => ({
    revision: version,
    // Revisions from before variants could be held and people placed say nothing of it.
    content: { ...EMPTY_PLAN, ...content },
    savedBy: name,
    savedAt: saved_at.toISOString(),
  }));
}
