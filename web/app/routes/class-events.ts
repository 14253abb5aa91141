import { ClassEvent } from "@able-tide/core/class/events";
import * as v from "valibot";
import { addEvents } from "../../server/classes/classes.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-events";

const MOST_AT_ONCE = 500;
const Batch = v.pipe(v.array(ClassEvent), v.maxLength(MOST_AT_ONCE));

/** Takes in what happened in a class; an event that was sent before is kept once. */
export async function action({ request, params, context }: Route.ActionArgs): Promise<Response> {
  const body: unknown = await request.json().catch(() => null);
  const batch = v.safeParse(Batch, body);
  if (!isId(params.classId)) throw notFound();
  if (!batch.success) return Response.json({ message: "These are not events of a class." }, { status: 400 });
  if (!(await addEvents(context.get(scopeContext), params.classId, batch.output))) throw notFound();
  return Response.json({ kept: batch.output.length });
}
