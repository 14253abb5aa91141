import * as v from "valibot";
import { calendarDay } from "./calendar-day.ts";

/** What is said where a group has a plan for a day already. */
export const DAY_TAKEN = "There is a plan for this group and day. Choose another day, or make a second plan.";

/** The form that says for which group and day a plan is; a second one on the same day is said on purpose. */
export const GroupAndDayForm = v.object({
  groupId: v.pipe(v.string("Choose a group."), v.uuid("Choose a group.")),
  day: calendarDay("Enter the date."),
  second: v.optional(v.boolean(), false),
});
export type GroupAndDay = v.InferOutput<typeof GroupAndDayForm>;

/** The form that begins a plan. */
export const NewPlanForm = v.object({
  ...GroupAndDayForm.entries,
  start: v.picklist(["forward", "last", "draft", "empty"], "Choose what to start from."),
});
