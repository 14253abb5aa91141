import { type Policy, QUESTION_NAMES, THRESHOLDS, type ThresholdName, thresholdSchema } from "@able-tide/core/caps/policy";
import * as v from "valibot";

const Fields = v.object({
  ...(Object.fromEntries(THRESHOLDS.map((threshold) => [threshold.name, thresholdSchema(threshold)])) as Record<
    ThresholdName,
    ReturnType<typeof thresholdSchema>
  >),
  questions: v.optional(v.array(v.picklist(QUESTION_NAMES)), []),
  version: v.pipe(v.number(), v.integer()),
});
/** What the form holds before it is read. */
export type PolicyFormInput = v.InferInput<typeof Fields>;

/** The organisation's policy: thresholds only ever stricter than the usual ones, and what is asked. */
export const PolicyForm = v.pipe(
  Fields,
  v.transform(({ version, questions, ...thresholds }): { version: number; policy: Policy } => ({
    version,
    policy: { thresholds, questions },
  })),
);
