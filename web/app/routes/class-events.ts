import * as v from "valibot";
import { keepThroughClass } from "../../server/accounts/sessions.ts";
import { progressOf } from "../../server/classes/classes.ts";
import { eventsForHelper } from "../../server/classes/for-helpers.ts";
import { recordEvents } from "../../server/classes/record-events.ts";
import { fitAfterNotes } from "../../server/classes/teach.ts";
import type { ProgressAnswer, RecordedAnswer } from "../class/class-answers.ts";
import { jsonOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-events";

const MOST_AT_ONCE = 500;
const Batch = v.object({
  /** The account that recorded the events; no other may send them. */
  accountId: v.string(),
  events: v.pipe(v.array(v.unknown()), v.maxLength(MOST_AT_ONCE)),
});

const MOST_EVENTS = 1e9;
const After = v.fallback(v.pipe(v.string(), v.transform(Number), v.integer(), v.minValue(0), v.maxValue(MOST_EVENTS)), 0);

/** What has happened in a class after event `?after=`, as the signed-in user may see it. */
export async function loader({ request, params, context }: Route.LoaderArgs): Promise<Response> {
  const scope = context.get(scopeContext);
  const after = v.parse(After, new URL(request.url).searchParams.get("after"));
  const progress = isId(params.classId) ? await progressOf(scope, params.classId, after) : null;
  if (!progress) throw notFound();
  if (!progress.ended) await keepThroughClass(scope);
  const events = scope.role === "helper" ? eventsForHelper(progress.events) : progress.events;
  return Response.json({ ...progress, events, now: scope.now().toISOString() } satisfies ProgressAnswer);
}

/**
 * Records what happened in a class, each event for itself; one that was sent before is kept once. Whoever showed
 * something is fitted anew for what is still to come; the answer does not wait for that.
 */
export async function action({ request, params, context }: Route.ActionArgs): Promise<Response> {
  const scope = context.get(scopeContext);
  const batch = v.safeParse(Batch, await jsonOf(request));
  if (!isId(params.classId)) throw notFound();
  if (!batch.success) return Response.json({ message: "These are not events of a class." }, { status: 400 });
  if (batch.output.accountId !== scope.accountId)
    return Response.json({ message: "Another account recorded these events." }, { status: 409 });
  const recorded = await recordEvents(scope, params.classId, batch.output.events);
  if (!recorded) throw notFound();
  const { kept, refused, added } = recorded;
  if (added.some(({ kind }) => kind === "noted" || kind === "withdrawn")) void fitAfterNotes(scope, params.classId);
  return Response.json({ kept, refused, now: scope.now().toISOString() } satisfies RecordedAnswer);
}
