import { data, redirect } from "react-router";
import { fitClassAgain } from "../../server/classes/teach.ts";
import { isId } from "../ids.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-fit";

/** Fits a class anew while people arrive. */
export async function action({ params, context }: Route.ActionArgs) {
  if (!isId(params.classId)) throw notFound();
  const outcome = await fitClassAgain(context.get(scopeContext), params.classId);
  if (outcome === "unknown") throw notFound();
  if (outcome === "moving") throw data("The class has begun; it keeps the fit it began with.", { status: 409 });
  return redirect(`/classes/${params.classId}`);
}
