import { data, type MiddlewareFunction } from "react-router";
import type { Role } from "../server/scope.ts";
import { scopeContext } from "./signed-in.server.ts";

/** Lets only some roles on; everyone else gets a refusal. Stands before any loader or action. */
export const requireRole =
  (...roles: readonly Role[]): MiddlewareFunction<Response> =>
  ({ context }, next) => {
    if (!roles.includes(context.get(scopeContext).role))
      throw data("Your role does not have access to this page. Ask the owner if you need it.", { status: 403 });
    return next();
  };
