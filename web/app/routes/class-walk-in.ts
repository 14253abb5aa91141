import { randomUUID } from "node:crypto";
import { parseForm } from "../../forms/parse-form.ts";
import { PersonForm } from "../../forms/person-form.ts";
import { findClass } from "../../server/classes/classes.ts";
import { addEvents } from "../../server/classes/record-events.ts";
import { joinClass } from "../../server/classes/teach.ts";
import { addNewcomer } from "../../server/people/newcomers.ts";
import { formDataOf, optionalIdOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-walk-in";

/** Adds a walk-in participant: recorded with newcomer caps, in the group, in this class and here. Sent twice, one. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const taught = isId(params.classId) ? await findClass(scope, params.classId) : null;
  if (!taught) throw notFound();
  const formData = await formDataOf(request);
  const id = optionalIdOf(formData, "personId") ?? undefined;
  const submission = parseForm(formData, { schema: PersonForm });
  if (submission.status !== "success") return Response.json({ result: submission.reply(), personId: null }, { status: 422 });
  const { version: _, ...input } = submission.value;
  const personId = await addNewcomer(scope, { ...input, groupIds: [taught.groupId] }, id);
  await joinClass(scope, taught.id, personId);
  await addEvents(scope, taught.id, [
    { kind: "attended", id: randomUUID(), at: scope.now().toISOString(), personId, here: true },
  ]);
  return Response.json({ result: submission.reply({ resetForm: true }), personId });
}
