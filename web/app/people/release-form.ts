import { FOUR_STAGE_STAND } from "@able-tide/core/caps/rungs";
import * as v from "valibot";

const STAGES = FOUR_STAGE_STAND.stages.map(({ name }) => name);

/** What is said to release a newcomer. @param today nothing is tested in days to come */
export const releaseForm = (today: string) =>
  v.object({
    stage: v.picklist(STAGES, "Please choose the furthest stage that was held for 10 seconds."),
    day: v.pipe(
      v.string("Please give the day of the test."),
      v.isoDate("Please give the day of the test."),
      v.maxValue(today, "This day is still to come."),
    ),
    because: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(200, "Please keep this under 200 letters."))),
  });
