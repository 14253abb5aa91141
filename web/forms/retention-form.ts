import * as v from "valibot";

/** Periods that can be chosen, years. */
export const RETENTION_YEARS = [1, 2, 3, 5, 6, 7, 8, 10, 15, 20, 30] as const;

/** Nothing chosen: kept until someone erases it. */
const years = v.optional(v.pipe(v.number("Choose a period."), v.picklist(RETENTION_YEARS, "Choose a period from the list.")));

/** How long participants are kept after they were archived, and class records. */
export const RetentionForm = v.object({ personYears: years, classYears: years });
export type RetentionFormInput = v.InferInput<typeof RetentionForm>;
