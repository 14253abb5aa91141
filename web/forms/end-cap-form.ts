import * as v from "valibot";

const why = "Describe briefly how it is now.";

/** What is said of a cap: that it is over, or that it holds on until another day. */
export const EndCapForm = v.pipe(
  v.object({
    capId: v.pipe(v.string(), v.uuid()),
    what: v.optional(v.picklist(["end", "hold"]), "end"),
    until: v.optional(v.pipe(v.string(), v.isoDate("Enter a date."))),
    because: v.pipe(v.string(why), v.trim(), v.minLength(1, why), v.maxLength(200, "Use 200 characters or fewer.")),
  }),
  v.forward(
    v.check(({ what, until }) => what === "end" || until !== undefined, "Enter the next review date."),
    ["until"],
  ),
);
