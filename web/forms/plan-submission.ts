import { PlanContentSchema } from "@able-tide/core/plan/plan";
import * as v from "valibot";
import { rowVersion } from "./row-version.ts";

/** What the board sends: the whole draft, and the revision it began from. */
export const PlanSubmission = v.object({
  revision: v.pipe(rowVersion, v.minValue(1)),
  content: PlanContentSchema,
});
export type PlanSubmission = v.InferOutput<typeof PlanSubmission>;
