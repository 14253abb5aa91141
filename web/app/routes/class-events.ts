import { ClassEvent } from "@able-tide/core/class/events";
import * as v from "valibot";
import { addEvents, progressOf, refusedEvents } from "../../server/classes/classes.ts";
import { eventsForHelper } from "../../server/classes/for-helpers.ts";
import { fitAfterNotes } from "../../server/classes/teach.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-events";

const MOST_AT_ONCE = 500;
const Batch = v.pipe(v.array(ClassEvent), v.maxLength(MOST_AT_ONCE));

const After = v.fallback(v.pipe(v.string(), v.transform(Number), v.integer(), v.minValue(0)), 0);

/** What has happened in a class after event `?after=`, as the signed-in user may see it. */
export async function loader({ request, params, context }: Route.LoaderArgs): Promise<Response> {
  const scope = context.get(scopeContext);
  const after = v.parse(After, new URL(request.url).searchParams.get("after"));
  const progress = isId(params.classId) ? await progressOf(scope, params.classId, after) : null;
  if (!progress) throw notFound();
  return Response.json(scope.role === "helper" ? { ...progress, events: eventsForHelper(progress.events) } : progress);
}

/**
 * Takes in what happened in a class; an event that was sent before is kept once. Whoever showed something is fitted
 * anew for what is still to come; the answer does not wait for that.
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
  if (batch.output.some(({ kind }) => kind === "noted" || kind === "withdrawn")) void fitAfterNotes(scope, params.classId);
  return Response.json({ kept: batch.output.length });
}
