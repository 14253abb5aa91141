import * as v from "valibot";

const text = (sentence: string, most: number) =>
  v.pipe(v.string(sentence), v.trim(), v.minLength(1, sentence), v.maxLength(most, `Use ${most} characters or fewer.`));

/** What a clinician's letter says, or a clinician says themselves. @param today a letter is not from days to come */
export const clearanceForm = (today: string) =>
  v.object({
    day: v.pipe(
      v.string("Enter the letter's date."),
      v.isoDate("Enter the letter's date."),
      v.maxValue(today, "The date is in the future. Enter today's date or earlier."),
    ),
    clinician: text("Enter the clinician's name.", 80),
    says: text("Enter what the letter says, in one sentence.", 600),
  });
