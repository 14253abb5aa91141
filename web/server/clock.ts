const startedAt = Date.now();
const startsAt = process.env["CLOCK_STARTS_AT"];
const ahead = startsAt === undefined ? 0 : new Date(startsAt).getTime() - startedAt;

/**
 * The application's one clock. CLOCK_STARTS_AT (an ISO instant) lets it begin elsewhere and run on from there:
 * for tests and pictures, which must not depend on the day they are made.
 */
export const now = (): Date => new Date(Date.now() + ahead);
