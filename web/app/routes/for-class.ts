import { requireRole } from "../access.server.ts";

/** Pages of those who are in class. */
export const middleware = [requireRole("owner", "instructor", "helper")];
