import * as v from "valibot";
import { GroupAndDayForm } from "./new-plan-form.ts";

const MOST_BYTES = 4_000_000;

/** A plan file, and the group and day that the plan is for. */
export const PlanImportForm = v.object({
  ...GroupAndDayForm.entries,
  file: v.pipe(
    v.instance(File, "Choose a file."),
    v.check((file) => file.size > 0, "Choose a file."),
    v.maxSize(MOST_BYTES, "The file is over 4 MB. Choose a smaller file."),
  ),
});
export type PlanImportFormInput = v.InferInput<typeof PlanImportForm>;
