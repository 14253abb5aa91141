import { movementFile } from "@able-tide/core/movement/read-file";
import { findMovement } from "../../server/movements/movements.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/movement-file";

export async function loader({ params, context }: Route.LoaderArgs): Promise<Response> {
  const movement = await findMovement(context.get(scopeContext), params.movementId);
  if (!movement) return new Response("This movement does not exist or was deleted.", { status: 404 });
  return new Response(movementFile(movement), {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="${movement.id}.json"`,
    },
  });
}
