import { type Policy, QUESTIONS, THRESHOLDS, type ThresholdName, thresholdBounds } from "@able-tide/core/caps/policy";
import { formatThresholdBounds } from "@able-tide/words/check-in";
import * as v from "valibot";

/** One threshold as an organisation may set it. */
function thresholdField(threshold: (typeof THRESHOLDS)[number]) {
  const { least, most } = thresholdBounds(threshold);
  const outside = formatThresholdBounds(threshold);
  return v.pipe(v.number("Enter a number."), v.minValue(least, outside), v.maxValue(most, outside));
}

const Fields = v.object({
  ...(Object.fromEntries(THRESHOLDS.map((threshold) => [threshold.name, thresholdField(threshold)])) as Record<
    ThresholdName,
    ReturnType<typeof thresholdField>
  >),
  questions: v.optional(v.array(v.picklist(QUESTIONS)), []),
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
