import { planFile } from "@able-tide/core/plan/plan-file";
import { movementIdsOf } from "@able-tide/core/plan/plan-item";
import { findGroup } from "../../server/groups/groups.ts";
import { listMovements } from "../../server/movements/movements.ts";
import { contentOf, findPlan } from "../../server/plans/plans.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-file";

/** A plan as a file with the movements it names. */
export async function loader({ params, context }: Route.LoaderArgs): Promise<Response> {
  const scope = context.get(scopeContext);
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  const group = plan && (await findGroup(scope, plan.groupId));
  if (!plan || !group) throw notFound();
  const used = movementIdsOf(plan.blocks);
  const movements = (await listMovements(scope)).map(({ movement }) => movement).filter(({ id }) => used.has(id));
  return new Response(planFile({ name: `${group.name}, ${plan.day}`, plan: contentOf(plan), movements }), {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="plan-${plan.day}.json"`,
    },
  });
}
