import { FOUR_STAGE_STAND } from "@able-tide/core/caps/balance-levels";
import * as v from "valibot";
import { calendarDay } from "./calendar-day.ts";

const STAGES = FOUR_STAGE_STAND.stages.map(({ name }) => name);

/** What is said to release a newcomer. @param today nothing is tested in days to come */
export const releaseForm = (today: string) =>
  v.object({
    stage: v.picklist(STAGES, "Choose the highest stage held for 10 seconds."),
    day: v.pipe(
      calendarDay("Enter the date of the test."),
      v.maxValue(today, "The date is in the future. Enter today's date or earlier."),
    ),
    because: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(200, "Use 200 characters or fewer."))),
  });
export type ReleaseFormInput = v.InferInput<ReturnType<typeof releaseForm>>;
