import { exportOrganisation } from "../../server/files/export-organisation.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/organisation-export";

/** Everything of the organisation, as a zip. */
export function loader({ context }: Route.LoaderArgs) {
  return new Response(exportOrganisation(context.get(scopeContext)), {
    headers: { "Content-Type": "application/zip", "Content-Disposition": 'attachment; filename="able-tide.zip"' },
  });
}
