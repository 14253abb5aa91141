import { scriptForHelper } from "../../server/classes/for-helpers.ts";
import { classAfterNotes } from "../../server/classes/teach.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-script";

/** The script of a class, once everyone of whom something was noted is fitted anew. */
export async function loader({ params, context }: Route.LoaderArgs): Promise<Response> {
  const scope = context.get(scopeContext);
  const taught = isId(params.classId) ? await classAfterNotes(scope, params.classId) : null;
  if (!taught) throw notFound();
  const { script, scriptRevision } = taught;
  return Response.json({ script: scope.role === "helper" ? scriptForHelper(script) : script, scriptRevision });
}
