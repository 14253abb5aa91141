import { redirect } from "react-router";
import type { Route } from "./+types/moved";

/** What an address of before began or ended with, and what took its place. */
const NEW_PARTS: readonly (readonly [RegExp, string])[] = [
  [/^\/weeks(?=\/|$)/, "/progress"],
  [/^\/house$/, "/organisation"],
  [/^\/plans\/take-in$/, "/plans/import"],
  [/^(\/plans\/[^/]+)\/sheets(?=\/|$)/, "$1/printouts"],
  [/^(\/plans\/[^/]+)\/places$/, "$1/floor"],
  [/^(\/plans\/[^/]+)\/versions$/, "$1/revisions"],
];

/** Sends someone who kept an address of before to the page's present one; its own rights are checked there. */
export function loader({ request }: Route.LoaderArgs) {
  const { pathname, search } = new URL(request.url);
  const [was, is] = NEW_PARTS.find(([old]) => old.test(pathname)) ?? [];
  if (was === undefined || is === undefined) throw new Response(null, { status: 404 });
  return redirect(pathname.replace(was, is) + search, 301);
}
