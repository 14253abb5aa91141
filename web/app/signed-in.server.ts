import { createContext, data, type MiddlewareFunction, redirect } from "react-router";
import { scopeBehind } from "../server/entrance.ts";
import type { Scope } from "../server/scope.ts";
import { tokenOf } from "./cookies.server.ts";

/** Who is asking; set by the middleware of every page behind the sign-in. */
export const scopeContext = createContext<Scope>();

function toSignIn(request: Request): Response {
  const { pathname, search } = new URL(request.url);
  const back = pathname === "/" ? "" : `?back=${encodeURIComponent(pathname.replace(/\.data$/, "") + search)}`;
  return redirect(`/sign-in${back}`);
}

const asksForPage = (request: Request): boolean => request.headers.get("Accept")?.includes("text/html") ?? false;

/** A program is told that no one is signed in; it must not take the sign-in page for its answer. */
const notSignedIn = (): Response => Response.json({ message: "Sign in first." }, { status: 401 });

/** Lets those on who are signed in, and has no one keep what they are shown unless the answer itself says how. */
const signedInOr =
  (refuse: (request: Request) => Response): MiddlewareFunction<Response> =>
  async ({ request, context }, next) => {
    const token = await tokenOf(request);
    const scope = token && (await scopeBehind(token));
    if (!scope) return refuse(request);
    context.set(scopeContext, scope);
    const response = await next();
    if (!response.headers.get("Cache-Control")?.startsWith("private, max-age="))
      response.headers.set("Cache-Control", "no-store");
    return response;
  };

/** Pages: whoever is not signed in is led to where they can. */
export const requireSignIn = signedInOr(toSignIn);

/** Addresses that answer programs: whoever is not signed in gets a 401, unless a browser asks for a page. */
export const requireSignInForPrograms = signedInOr((request) => (asksForPage(request) ? toSignIn(request) : notSignedIn()));

/** The answer to a thing that is not there, or is another organisation's: no one can tell which. */
export const notFound = () => data(null, { status: 404, statusText: "Not found" });
