import * as v from "valibot";

/**
 * A text that has to be there, without blanks around it.
 *
 * @param sentence what is shown where it is missing
 * @param most most characters
 */
export const requiredText = (sentence: string, most: number) =>
  v.pipe(v.string(sentence), v.trim(), v.minLength(1, sentence), v.maxLength(most, `Use ${most} characters or fewer.`));
