import { requireSignInForPrograms } from "../signed-in.server.ts";

/** Addresses that answer programs. */
export const middleware = [requireSignInForPrograms];
