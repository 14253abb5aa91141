import { createContext, createCookie, data, type MiddlewareFunction, redirect } from "react-router";
import { scopeBehind } from "../server/entrance.ts";
import type { Scope } from "../server/scope.ts";

/** Carries the sign-in token; nothing else is kept in the browser. */
export const signInCookie = createCookie("able-tide", {
  httpOnly: true,
  sameSite: "lax",
  path: "/",
  secure: process.env["SECURE_COOKIES"] === "yes",
  maxAge: 60 * 60 * 24 * 30,
});

/** Who is asking; set by the middleware of every page behind the sign-in. */
export const scopeContext = createContext<Scope>();

export async function tokenOf(request: Request): Promise<string | null> {
  const token: unknown = await signInCookie.parse(request.headers.get("Cookie"));
  return typeof token === "string" ? token : null;
}

export const requireSignIn: MiddlewareFunction<Response> = async ({ request, context }, next) => {
  const token = await tokenOf(request);
  const scope = token && (await scopeBehind(token));
  if (!scope) {
    const { pathname, search } = new URL(request.url);
    const back = pathname === "/" ? "" : `?back=${encodeURIComponent(pathname.replace(/\.data$/, "") + search)}`;
    return redirect(`/sign-in${back}`);
  }
  context.set(scopeContext, scope);
  return next();
};

/** The answer to a thing that is not there, or is another organisation's: no one can tell which. */
export const notFound = () => data(null, { status: 404, statusText: "Not found" });
