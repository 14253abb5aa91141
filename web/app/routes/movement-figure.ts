import * as v from "valibot";
import { FigureRequest } from "../../forms/figure-request.ts";
import { findAuthoredMovement } from "../../server/movements/movements.ts";
import { movementFigure, movementFigureVersion } from "../movements/movement-figure.server.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/movement-figure";

/** A browser keeps a picture as long as it likes: another one has another address. */
const FOR_GOOD = "private, max-age=31536000, immutable";

/** The key poses of a movement as a picture, for lists and scripts. */
export async function loader({ request, params, context }: Route.LoaderArgs): Promise<Response> {
  const asked = v.safeParse(FigureRequest, Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) return new Response("There is no such picture.", { status: 400 });
  const { version, variant, lead, fineness } = asked.output;
  const movement = await findAuthoredMovement(context.get(scopeContext), params.movementId);
  const figure = movement && movementFigure(movement, variant && { variant, lead, fineness });
  if (!figure) return new Response("This movement does not exist, was deleted or cannot be drawn.", { status: 404 });
  const current = version === movementFigureVersion(movement);
  return new Response(figure, {
    headers: { "Content-Type": "image/svg+xml", "Cache-Control": current ? FOR_GOOD : "private, no-store" },
  });
}
