import { QUESTIONS } from "@able-tide/core/caps/policy";
import * as v from "valibot";
import { requiredText } from "./required-text.ts";

const Fields = v.object({
  name: requiredText("Enter a name for the group.", 60),
  place: v.optional(v.pipe(v.string(), v.maxLength(120, "Use 120 characters or fewer."))),
  placeId: v.optional(v.pipe(v.string(), v.uuid("This venue no longer exists. Choose another."))),
  weekday: v.pipe(v.number("Choose the weekday."), v.integer(), v.minValue(1), v.maxValue(7)),
  startsAt: v.pipe(
    v.string("Enter the start time, such as 10:30."),
    v.regex(/^([01]\d|2[0-3]):[0-5]\d$/, "Enter the start time, such as 10:30."),
  ),
  minutes: v.pipe(
    v.number("Enter the length in minutes."),
    v.integer("Enter whole minutes."),
    v.minValue(10, "Enter 10 minutes or more."),
    v.maxValue(180, "Enter 180 minutes or less."),
  ),
  seatedOnly: v.optional(v.boolean(), false),
  inWater: v.optional(v.boolean(), false),
  helpers: v.optional(
    v.pipe(
      v.number("Enter a whole number of helpers."),
      v.integer("Enter a whole number of helpers."),
      v.minValue(0, "Enter a whole number of helpers."),
      v.maxValue(20, "Enter 20 helpers or fewer."),
    ),
    0,
  ),
  /** Whether the group's check-in questions differ from the organisation's. */
  ownQuestions: v.optional(v.boolean(), false),
  questions: v.optional(v.array(v.picklist(QUESTIONS)), []),
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
