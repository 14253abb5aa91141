import * as v from "valibot";

/** Ending a cap takes a word why. */
export const EndCapForm = v.object({
  capId: v.pipe(v.string(), v.uuid()),
  because: v.pipe(
    v.string("Please say how it is now, in a few words."),
    v.trim(),
    v.minLength(1, "Please say how it is now, in a few words."),
    v.maxLength(200, "Please keep this under 200 letters."),
  ),
});
