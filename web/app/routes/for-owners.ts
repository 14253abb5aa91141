import { only } from "../access.server.ts";

/** Pages of those who answer for the organisation. */
export const middleware = [only("owner")];
