import { requireRole } from "../access.server.ts";

/** Pages of those who plan and lead. */
export const middleware = [requireRole("owner", "instructor")];
