import { hasLandVariant, hasWaterVariant } from "@able-tide/core/movement/format";
import type { PlanContent } from "@able-tide/core/plan/plan";
import { movementIdsOf } from "@able-tide/core/plan/plan-item";
import { formatPlanIssue } from "@able-tide/words/field-problem";
import * as v from "valibot";
import { PlanSubmission } from "../../forms/plan-submission.ts";
import { findGroup } from "../../server/groups/groups.ts";
import { listMovements } from "../../server/movements/movements.ts";
import { changePlan, contentOf, findPlan } from "../../server/plans/plans.ts";
import type { Scope } from "../../server/scope.ts";
import { jsonOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import type { SaveAnswer } from "../plans/submit-plan.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-content";

const answer = (body: SaveAnswer, status = 200): Response => Response.json(body, { status });
const refused = (message: string, status = 422): Response => answer({ kind: "refused", message }, status);

/** The first movement named that is not there, or has no variant where the group meets. */
async function unknownMovement(scope: Scope, blocks: PlanContent["blocks"], inWater: boolean): Promise<string | null> {
  const movements = (await listMovements(scope)).map(({ movement }) => movement);
  const known = new Set(movements.filter(inWater ? hasWaterVariant : hasLandVariant).map(({ id }) => id));
  return [...movementIdsOf(blocks)].find((id) => !known.has(id)) ?? null;
}

/** Takes the board's draft and saves it. Answers in JSON. */
export async function action({ request, params, context }: Route.ActionArgs): Promise<Response> {
  const scope = context.get(scopeContext);
  const submission = v.safeParse(PlanSubmission, await jsonOf(request));
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  if (!plan) throw notFound();
  if (!submission.success) return refused(formatPlanIssue(submission.issues[0]), 400);
  const { revision, content } = submission.output;
  const inWater = (await findGroup(scope, plan.groupId))?.inWater ?? false;
  const missing = await unknownMovement(scope, content.blocks, inWater);
  if (missing !== null) return refused(`There is no ${inWater ? "aquatic" : "land"} movement called "${missing}".`);

  const next = await changePlan(scope, plan.id, revision, content);
  if (next === null) {
    const now = (await findPlan(scope, plan.id)) ?? plan;
    return answer({ kind: "elsewhere", theirs: contentOf(now), revision: now.revision }, 409);
  }
  return answer({ kind: "saved", revision: next });
}
