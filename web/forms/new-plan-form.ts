import * as v from "valibot";

/** The form that begins a plan. */
export const NewPlanForm = v.object({
  groupId: v.pipe(v.string("Choose a group."), v.uuid("Choose a group.")),
  day: v.pipe(v.string("Enter the date."), v.isoDate("Enter the date.")),
  start: v.picklist(["forward", "last", "empty"], "Choose what to start from."),
});
