import { redirect } from "react-router";
import { findClass } from "../../server/classes/classes.ts";
import { fitClassAgain } from "../../server/classes/teach.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-fit";

/**
 * Fits a class anew while people arrive. Once it moves it keeps what it has, and that is no mistake: the request gets
 * the class as it is. The class screen asks for the script itself; a form without scripts is sent back to the page.
 */
export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  if (!isId(params.classId) || (await fitClassAgain(scope, params.classId)) === "unknown") throw notFound();
  if (!request.headers.get("Accept")?.includes("application/json")) return redirect(`/classes/${params.classId}`);
  const taught = await findClass(scope, params.classId);
  if (!taught) throw notFound();
  return Response.json({ script: taught.script, scriptRevision: taught.scriptRevision });
}
