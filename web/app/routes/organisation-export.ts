import { data } from "react-router";
import { exportOrganisation } from "../../server/files/export-organisation.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/organisation-export";

/** Everything of the organisation, as a zip. */
export function loader({ context }: Route.LoaderArgs) {
  const archive = exportOrganisation(context.get(scopeContext));
  if (!archive) throw data("An export is being made. Wait until it is there, then try again.", { status: 429 });
  return new Response(archive, {
    headers: { "Content-Type": "application/zip", "Content-Disposition": 'attachment; filename="able-tide.zip"' },
  });
}
