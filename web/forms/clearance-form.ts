import * as v from "valibot";
import { calendarDay } from "./calendar-day.ts";
import { requiredText } from "./required-text.ts";

/** What a clinician's letter says, or a clinician says themselves. @param today a letter is not from days to come */
export const clearanceForm = (today: string) =>
  v.object({
    day: v.pipe(
      calendarDay("Enter the letter's date."),
      v.maxValue(today, "The date is in the future. Enter today's date or earlier."),
    ),
    clinician: requiredText("Enter the clinician's name.", 80),
    says: requiredText("Enter what the letter says, in one sentence.", 600),
  });
