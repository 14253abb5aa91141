import { ClassEvent } from "@able-tide/core/class/events";
import * as v from "valibot";
import { addEvents, refusedEvents } from "../../server/classes/classes.ts";
import { scriptForHelper } from "../../server/classes/for-helpers.ts";
import { fitAfterNotes } from "../../server/classes/teach.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-events";

const MOST_AT_ONCE = 500;
const Batch = v.pipe(v.array(ClassEvent), v.maxLength(MOST_AT_ONCE));

/**
 * Takes in what happened in a class; an event that was sent before is kept once. Whoever showed something is fitted anew for what
 * is still to come, and the answer carries the script as it then is.
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
  const script = await fitAfterNotes(scope, params.classId, batch.output).catch((problem: unknown) => {
    // What happened is kept; the forms stay those from before, and the screen says so.
    console.error("the fit after a note failed", problem);
    return null;
  });
  return Response.json({
    kept: batch.output.length,
    ...(script && { script: scope.role === "helper" ? scriptForHelper(script) : script }),
  });
}
