import * as v from "valibot";

/** The form that begins a plan. */
export const NewPlanForm = v.object({
  groupId: v.pipe(v.string("Please choose a group."), v.uuid("Please choose a group.")),
  day: v.pipe(v.string("Please give the day."), v.isoDate("Please give the day.")),
  start: v.picklist(["forward", "last", "empty"], "Please choose what to begin with."),
});
