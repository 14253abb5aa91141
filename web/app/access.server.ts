import { data, type MiddlewareFunction } from "react-router";
import type { Role } from "../server/scope.ts";
import { scopeContext } from "./signed-in.server.ts";

/** Lets only some roles on; everybody else is told that this is not theirs. Stands before any loader or action. */
export const only =
  (...roles: readonly Role[]): MiddlewareFunction<Response> =>
  ({ context }, next) => {
    if (!roles.includes(context.get(scopeContext).role)) throw data("This page is not for your role.", { status: 403 });
    return next();
  };
