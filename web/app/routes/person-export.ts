import { exportPerson } from "../../server/files/export-person.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/person-export";

/** Everything that is recorded of one person, as a zip. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const archive = isId(params.personId) ? await exportPerson(context.get(scopeContext), params.personId) : null;
  if (!archive) throw notFound();
  return new Response(Buffer.from(archive), {
    headers: { "Content-Type": "application/zip", "Content-Disposition": 'attachment; filename="participant.zip"' },
  });
}
