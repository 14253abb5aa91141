import { only } from "../access.server.ts";

/** Pages of those who are in class. */
export const middleware = [only("owner", "instructor", "helper")];
