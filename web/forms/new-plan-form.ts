import * as v from "valibot";
import { calendarDay } from "./calendar-day.ts";

/** The form that begins a plan. */
export const NewPlanForm = v.object({
  groupId: v.pipe(v.string("Choose a group."), v.uuid("Choose a group.")),
  day: calendarDay("Enter the date."),
  start: v.picklist(["forward", "last", "empty"], "Choose what to start from."),
});
