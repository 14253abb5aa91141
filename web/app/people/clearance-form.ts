import * as v from "valibot";

const text = (sentence: string, most: number) =>
  v.pipe(v.string(sentence), v.trim(), v.minLength(1, sentence), v.maxLength(most, `Please keep this under ${most} letters.`));

/** What a clinician's letter says, or a clinician says themselves. @param today a letter is not from days to come */
export const clearanceForm = (today: string) =>
  v.object({
    day: v.pipe(
      v.string("Please give the letter's date."),
      v.isoDate("Please give the letter's date."),
      v.maxValue(today, "This day is still to come."),
    ),
    clinician: text("Please give the clinician's name.", 80),
    says: text("Please say what it says, in a sentence.", 600),
  });
