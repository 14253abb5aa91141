import { requireRole } from "../access.server.ts";

/** Pages of those who set limits; a clinician sees the people they look after. */
export const middleware = [requireRole("owner", "instructor", "clinician")];
