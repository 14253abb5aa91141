import { type Policy, QUESTIONS, THRESHOLDS, thresholdBounds } from "@able-tide/core/caps/policy";
import { entryNamed, recordOf } from "@able-tide/core/named";
import { formatThresholdBounds } from "@able-tide/words/check-in";
import * as v from "valibot";
import { rowVersion } from "./row-version.ts";

/** One threshold as an organisation may set it. */
function thresholdField(threshold: (typeof THRESHOLDS)[number]) {
  const { least, most } = thresholdBounds(threshold);
  const outside = formatThresholdBounds(threshold);
  return v.pipe(v.number("Enter a number."), v.minValue(least, outside), v.maxValue(most, outside));
}

const Fields = v.object({
  ...recordOf(
    THRESHOLDS.map(({ name }) => name),
    (name) => thresholdField(entryNamed<(typeof THRESHOLDS)[number]>(THRESHOLDS, name)),
  ),
  questions: v.optional(v.array(v.picklist(QUESTIONS)), []),
  version: rowVersion,
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
