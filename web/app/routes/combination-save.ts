import type { Combination } from "@able-tide/core/plan/combination";
import { formatPlanIssue } from "@able-tide/words/field-problem";
import * as v from "valibot";
import { CombinationSubmission } from "../../forms/combination-submission.ts";
import { listMovements } from "../../server/movements/movements.ts";
import { saveCombination } from "../../server/plans/combinations.ts";
import { jsonOf } from "../form-data.server.ts";
import type { CombinationAnswer } from "../plans/submit-plan.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/combination-save";

const answer = (body: CombinationAnswer, status = 200): Response => Response.json(body, { status });

const REFUSED = {
  taken: "The library has another combination with this name. Choose another name.",
  full: "The library has 200 combinations. Remove one that you no longer teach.",
} as const;

/** Saves a combination of a plan in the library. Answers in JSON. */
export async function action({ request, context }: Route.ActionArgs): Promise<Response> {
  const scope = context.get(scopeContext);
  const submission = v.safeParse(CombinationSubmission, await jsonOf(request));
  if (!submission.success) return answer({ kind: "refused", message: formatPlanIssue(submission.issues[0]) }, 400);
  const combination = submission.output.combination as Combination;
  const known = new Set((await listMovements(scope)).map(({ movement }) => movement.id));
  const missing = combination.parts.find(({ movementId }) => !known.has(movementId));
  if (missing) return answer({ kind: "refused", message: `There is no movement called "${missing.movementId}".` }, 422);
  const outcome = await saveCombination(scope, combination);
  return outcome === "saved" ? answer({ kind: "saved" }) : answer({ kind: "refused", message: REFUSED[outcome] }, 409);
}
