import { combinationFile } from "@able-tide/core/plan/combination-file";
import { listMovements } from "../../server/movements/movements.ts";
import { findCombination } from "../../server/plans/combinations.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/combination-file";

/** A combination as a file with the movements it names. */
export async function loader({ params, context }: Route.LoaderArgs): Promise<Response> {
  const scope = context.get(scopeContext);
  const combination = isId(params.combinationId) ? await findCombination(scope, params.combinationId) : null;
  if (!combination) throw notFound();
  const named = new Set(combination.parts.map(({ movementId }) => movementId));
  const movements = (await listMovements(scope)).map(({ movement }) => movement).filter(({ id }) => named.has(id));
  return new Response(combinationFile({ combination, movements }), {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": 'attachment; filename="combination.json"',
    },
  });
}
