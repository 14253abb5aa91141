import { PlanContentSchema } from "@able-tide/core/plan/plan";
import * as v from "valibot";

/** What the board sends: the whole draft, and the revision it began from. */
export const PlanSubmission = v.object({
  revision: v.pipe(v.number(), v.integer(), v.minValue(1)),
  content: PlanContentSchema,
});
export type PlanSubmission = v.InferOutput<typeof PlanSubmission>;
