import { QUESTION_NAMES } from "@able-tide/core/caps/policy";
import * as v from "valibot";

const Fields = v.object({
  name: v.pipe(
    v.string("Please give the group a name."),
    v.trim(),
    v.minLength(1, "Please give the group a name."),
    v.maxLength(60, "Please keep the name under 60 letters."),
  ),
  place: v.optional(v.pipe(v.string(), v.maxLength(120, "Please keep this under 120 letters."))),
  placeId: v.optional(v.pipe(v.string(), v.uuid("This place is not there any more."))),
  weekday: v.pipe(v.number("Please choose the weekday."), v.integer(), v.minValue(1), v.maxValue(7)),
  startsAt: v.pipe(
    v.string("Please give when it starts, such as 10:30."),
    v.regex(/^([01]\d|2[0-3]):[0-5]\d$/, "Please give when it starts, such as 10:30."),
  ),
  minutes: v.pipe(
    v.number("Please give its length in minutes."),
    v.integer("Whole minutes, please."),
    v.minValue(10, "At least 10 minutes."),
    v.maxValue(180, "At most 180 minutes."),
  ),
  seatedOnly: v.optional(v.boolean(), false),
  inWater: v.optional(v.boolean(), false),
  helpers: v.optional(
    v.pipe(
      v.number("Helpers are a whole number."),
      v.integer("Helpers are a whole number."),
      v.minValue(0, "Helpers are a whole number."),
      v.maxValue(20, "At most 20 helpers."),
    ),
    0,
  ),
  /** Whether the group asks other questions than the organisation's policy. */
  ownQuestions: v.optional(v.boolean(), false),
  questions: v.optional(v.array(v.picklist(QUESTION_NAMES)), []),
});
/** What the form holds before it is read. */
export type GroupFormInput = v.InferInput<typeof Fields>;

/** A group from its form; its members are chosen on each person. */
export const GroupForm = v.pipe(
  Fields,
  v.transform(({ ownQuestions, questions, placeId, place, ...group }) => ({
    ...group,
    place: place ?? "",
    placeId: placeId ?? null,
    questions: ownQuestions ? questions : null,
  })),
);
