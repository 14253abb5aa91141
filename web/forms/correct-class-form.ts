import { OBSERVATIONS } from "@able-tide/core/class/events";
import * as v from "valibot";
import { requiredText } from "./required-text.ts";

const CHOOSE_EFFORT = "Choose how hard the class was.";
const CHOOSE_MOVEMENT = "Choose the movement.";

/** Effort and note of an ended class as they should have been. */
export const ClosingForm = v.object({
  effort: v.pipe(v.number(CHOOSE_EFFORT), v.integer(CHOOSE_EFFORT), v.minValue(0, CHOOSE_EFFORT), v.maxValue(10, CHOOSE_EFFORT)),
  note: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(2000, "Use 2000 characters or fewer."))),
  because: requiredText("Enter what was wrong with it.", 200),
});
export type ClosingFormInput = v.InferInput<typeof ClosingForm>;

/** Something that was seen in class and not noted there. */
export const MissedNoteForm = v.object({
  personId: v.pipe(v.string("Choose the participant."), v.uuid("Choose the participant.")),
  step: v.pipe(v.number(CHOOSE_MOVEMENT), v.integer(CHOOSE_MOVEMENT), v.minValue(0, CHOOSE_MOVEMENT)),
  sign: v.picklist(OBSERVATIONS, "Choose what you saw."),
});
export type MissedNoteFormInput = v.InferInput<typeof MissedNoteForm>;
