import { ClassEvent } from "@able-tide/core/class/events";
import * as v from "valibot";
import { addEvents, refusedEvents } from "../../server/classes/classes.ts";
import { scriptForHelper } from "../../server/classes/for-helpers.ts";
import { fitAfterNotes, scriptAfterNotes } from "../../server/classes/teach.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-events";

const MOST_AT_ONCE = 500;
const Batch = v.pipe(v.array(ClassEvent), v.maxLength(MOST_AT_ONCE));

/** The script of a class, once everybody of whom something was noted is fitted anew. */
export async function loader({ params, context }: Route.LoaderArgs): Promise<Response> {
  const scope = context.get(scopeContext);
  const script = isId(params.classId) ? await scriptAfterNotes(scope, params.classId) : null;
  if (!script) throw notFound();
  return Response.json({ script: scope.role === "helper" ? scriptForHelper(script) : script });
}

/**
 * Takes in what happened in a class; an event that was sent before is kept once. Whoever showed something is fitted anew for what
 * is still to come; the answer does not wait for that, and says whether it is under way.
 */
export async function action({ request, params, context }: Route.ActionArgs): Promise<Response> {
  const body: unknown = await request.json().catch(() => null);
  const batch = v.safeParse(Batch, body);
  if (!isId(params.classId)) throw notFound();
  if (!batch.success) return Response.json({ message: "These are not events of a class." }, { status: 400 });
  const scope = context.get(scopeContext);
  const refused = await refusedEvents(scope, params.classId, batch.output);
  if (refused.length > 0)
    return Response.json({ message: "Your role may not record this.", refused: refused.map(({ id }) => id) }, { status: 403 });
  if (!(await addEvents(scope, params.classId, batch.output))) throw notFound();
  const refits = fitAfterNotes(scope, params.classId, batch.output);
  return Response.json({ kept: batch.output.length, refits });
}
