import { clearanceFile } from "../../server/people/clearances.ts";
import { findPerson } from "../../server/people/people.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/clearance-file";

/** The letter behind a clearance, as it was attached. Shown by no one but those who set limits, and never run as a page. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const { personId, clearanceId } = params;
  const person = isId(personId) && isId(clearanceId) ? await findPerson(scope, personId) : null;
  const file = person && (await clearanceFile(scope, person.id, clearanceId));
  if (!file) throw notFound();
  return new Response(new Uint8Array(file.content), {
    headers: {
      "Content-Type": file.mediaType,
      // A picture is shown; a PDF is handed over, since a browser's own viewer does not run in a sandbox.
      "Content-Disposition": `${file.mediaType === "application/pdf" ? "attachment" : "inline"}; filename*=UTF-8''${encodeURIComponent(file.name)}`,
      "X-Content-Type-Options": "nosniff",
      "Content-Security-Policy": "default-src 'none'; img-src 'self'; sandbox",
      "Cache-Control": "private, no-store",
    },
  });
}
