import { NEXT_DAY_PAINS } from "@able-tide/core/class/events";
import * as v from "valibot";

const id = v.pipe(v.string(), v.uuid());

/** What was found out about something noted in class. */
export const FollowUpForm = v.object({
  classId: id,
  noteId: id,
  because: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200)),
});

/** How someone was on the day after a class. */
export const NextDayForm = v.object({ classId: id, pain: v.picklist(NEXT_DAY_PAINS) });
