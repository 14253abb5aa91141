import { readFitRequest } from "@able-tide/core/fit/fit-request";
import { formatFileProblems } from "@able-tide/words/file-problem";
import { fitting } from "../../server/fitting/fitting.ts";
import type { Route } from "./+types/fit-api";

/** Letters of the longest question that is read: some hundred movements and sixty people fit in. */
const MOST_LETTERS = 4_000_000;

/**
 * The fit for programs: takes a plan, people and a place in the open formats and returns everyone's variants. Nothing
 * of it is kept.
 */
export async function action({ request }: Route.ActionArgs): Promise<Response> {
  const text = await request.text();
  if (text.length > MOST_LETTERS)
    return Response.json({ problems: [{ path: "", message: `must be at most ${MOST_LETTERS} characters` }] }, { status: 413 });
  const { question, problems } = readFitRequest(text);
  if (question === null) return Response.json({ problems: formatFileProblems(problems) }, { status: 422 });
  const { plan, people } = question;
  // Whoever hangs up stops the fit.
  return Response.json(await fitting().run("answer", { plan, people, fitId: null }, { signal: request.signal }));
}
