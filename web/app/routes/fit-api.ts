import { readFitRequest } from "@able-tide/core/fit/fit-request";
import { formatFileProblems } from "@able-tide/words/file-problem";
import { questions } from "../../server/fitting/fitting.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/fit-api";

const refused = (status: number, message: string, headers: HeadersInit = {}): Response =>
  Response.json({ problems: [{ path: "", message }] }, { status, headers });

/** Seconds after which a program may ask again when too many questions wait. */
const AGAIN = "30";

/**
 * The fit for programs: takes a plan, people and a place in the open formats and returns everyone's variants. Nothing
 * of it is kept. Whoever hangs up stops the fit.
 */
export async function action({ request, context }: Route.ActionArgs): Promise<Response> {
  const { organisationId } = context.get(scopeContext);
  const { question, problems } = readFitRequest(await request.text());
  if (question === null) return Response.json({ problems: formatFileProblems(problems) }, { status: 422 });
  const { plan, people } = question;
  const asked = await questions().ask({ plan, people, fitId: null }, organisationId, request.signal);
  switch (asked.kind) {
    case "answered":
      return Response.json(asked.answer);
    case "busy":
      return refused(503, "Too many questions wait. Ask again later.", { "Retry-After": AGAIN });
    case "tooLarge":
      return refused(422, "This takes too long to answer. Ask about fewer people or fewer movements.");
  }
}
