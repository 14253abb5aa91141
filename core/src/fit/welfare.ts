/** No one is to keep less of a session than this where it can be helped. */
export const LOW_FIDELITY = 0.4;

/** Good that a person loses for each share below it: more than anyone else could gain. */
export const LIFT = 10;

/**
 * What a group gains from one person keeping a share of the session: the square root, so that a little more for someone
 * who keeps little counts for more than for someone who keeps much, and those worst off are lifted first.
 *
 * @param kept 0 to 1
 */
export const welfare = (kept: number): number => Math.sqrt(Math.max(0, kept)) + LIFT * Math.min(0, kept - LOW_FIDELITY);

/** What a group gains from the next little more of a session, at a share kept. */
export const welfareSlope = (kept: number): number =>
  1 / (2 * Math.sqrt(Math.max(0.01, kept))) + (kept < LOW_FIDELITY ? LIFT : 0);

/** What a group gains when everyone keeps all of a session. */
export const maxWelfare = (people: number): number => Math.max(1, people) * welfare(1);
