import * as v from "valibot";

/** The greatest number that the database keeps in such a column. */
const GREATEST = 2 ** 31 - 1;

/** The version of a row that a change starts from, so that no one's change is written over unseen. */
export const rowVersion = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(GREATEST));
