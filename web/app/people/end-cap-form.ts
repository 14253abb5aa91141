import * as v from "valibot";

const why = "Please say how it is now, in a few words.";

/** What is said of a cap: that it is over, or that it holds on until another day. */
export const EndCapForm = v.pipe(
  v.object({
    capId: v.pipe(v.string(), v.uuid()),
    what: v.optional(v.picklist(["end", "hold"]), "end"),
    until: v.optional(v.pipe(v.string(), v.isoDate("This should be a day."))),
    because: v.pipe(v.string(why), v.trim(), v.minLength(1, why), v.maxLength(200, "Please keep this under 200 letters.")),
  }),
  v.forward(
    v.check(({ what, until }) => what === "end" || until !== undefined, "Please give the day to ask again."),
    ["until"],
  ),
);
