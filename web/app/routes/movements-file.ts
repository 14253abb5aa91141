import { movementsFile } from "@able-tide/core/movement/read-file";
import { readFinding } from "../movements/finding.ts";
import { foundMovements } from "../movements/found-movements.server.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/movements-file";

/** Every movement that is looked for, as one file. */
export async function loader({ request, context }: Route.LoaderArgs): Promise<Response> {
  const finding = readFinding(new URL(request.url).searchParams);
  const { found } = await foundMovements(context.get(scopeContext), finding);
  if (found.length === 0) return new Response("No movement matches. Remove a filter.", { status: 404 });
  return new Response(movementsFile(found.map(({ movement }) => movement)), {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": 'attachment; filename="movements.json"',
    },
  });
}
