import { findMovement } from "../../server/movements/movements.ts";
import { movementFigure, movementFigureVersion } from "../movements/movement-figure.server.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/movement-figure";

/** A browser keeps a picture as long as it likes: another one has another address. */
const FOR_GOOD = "private, max-age=31536000, immutable";

/** The key poses of a movement as a picture, for lists. */
export async function loader({ request, params, context }: Route.LoaderArgs): Promise<Response> {
  const movement = await findMovement(context.get(scopeContext), params.movementId);
  const figure = movement && movementFigure(movement);
  if (!figure) return new Response("This movement does not exist, was deleted or cannot be drawn.", { status: 404 });
  const asked = new URL(request.url).searchParams.get("version");
  const current = asked === movementFigureVersion(movement);
  return new Response(figure, {
    headers: { "Content-Type": "image/svg+xml", "Cache-Control": current ? FOR_GOOD : "private, no-store" },
  });
}
