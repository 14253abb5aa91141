import { teachPlan } from "../../server/classes/teach.ts";
import { isId } from "../ids.ts";
import type { TeachAnswer } from "../plans/submit-plan.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-teach";

const WHY_NOT = {
  noMovements: "This plan has no movements yet. Add one before you teach.",
  noPeople: "This group has no participants yet. Add participants first.",
} as const;

/** Begins the class of a plan, or finds the one begun before. Answers in JSON. */
export async function action({ params, context }: Route.ActionArgs): Promise<Response> {
  if (!isId(params.planId)) throw notFound();
  const outcome = await teachPlan(context.get(scopeContext), params.planId);
  if (outcome.kind === "unknown") throw notFound();
  const body: TeachAnswer =
    outcome.kind === "begun" ? { kind: "begun", classId: outcome.classId } : { kind: "refused", message: WHY_NOT[outcome.kind] };
  return Response.json(body, { status: body.kind === "begun" ? 200 : 422 });
}
