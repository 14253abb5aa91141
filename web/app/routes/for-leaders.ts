import { only } from "../access.server.ts";

/** Pages of those who plan and lead. */
export const middleware = [only("owner", "instructor")];
