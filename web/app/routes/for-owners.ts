import { requireRole } from "../access.server.ts";

/** Pages of those who answer for the organisation. */
export const middleware = [requireRole("owner")];
