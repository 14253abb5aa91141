import { NEXT_DAY_PAINS } from "@able-tide/core/class/events";
import * as v from "valibot";
import { requiredText } from "./required-text.ts";

/** What was found out about something noted in class. */
export const FollowUpForm = v.object({ because: requiredText("Enter in a few words what you found out.", 200) });
export type FollowUpFormInput = v.InferInput<typeof FollowUpForm>;

/** How someone was on the day after a class. */
export const NextDayForm = v.object({
  pain: v.picklist(NEXT_DAY_PAINS, "Choose how the participant was on the next day."),
});
export type NextDayFormInput = v.InferInput<typeof NextDayForm>;
