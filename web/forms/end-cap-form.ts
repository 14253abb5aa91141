import * as v from "valibot";
import { calendarDay } from "./calendar-day.ts";
import { requiredText } from "./required-text.ts";

export const HOW_IS_IT_NOW = "Describe briefly how it is now.";

/** What is said of a cap: that it is over, or that it holds on until another day. */
export const EndCapForm = v.pipe(
  v.object({
    what: v.optional(v.picklist(["end", "hold"]), "end"),
    until: v.optional(calendarDay("Enter a date.")),
    because: requiredText(HOW_IS_IT_NOW, 200),
  }),
  v.forward(
    v.check(({ what, until }) => what === "end" || until !== undefined, "Enter the next review date."),
    ["until"],
  ),
);
export type EndCapFormInput = v.InferInput<typeof EndCapForm>;
