import { ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import { SIDES, type Side } from "@able-tide/core/side";
import * as v from "valibot";
import { calendarDay } from "./calendar-day.ts";

export const TRIALS = [1, 2, 3] as const;

/** Name of the field of one trial. */
export const trialField = <S extends Side, N extends (typeof TRIALS)[number]>(side: S, trial: N) => `${side}${trial}` as const;

const seconds = v.optional(
  v.pipe(
    v.number("Enter a number of seconds, such as 12.5."),
    v.minValue(0, "Enter 0 seconds or more."),
    v.maxValue(ONE_LEG_STAND.ceiling, `A trial is stopped at ${ONE_LEG_STAND.ceiling} s.`),
  ),
);

const Fields = v.object({
  day: calendarDay("Enter the date."),
  left1: seconds,
  left2: seconds,
  left3: seconds,
  right1: seconds,
  right2: seconds,
  right3: seconds,
  note: v.optional(v.pipe(v.string(), v.maxLength(500, "Use 500 characters or fewer."))),
});

/** What the form holds before it is read. */
export type ResultFormInput = v.InferInput<typeof Fields>;

const trialsOf = (fields: v.InferOutput<typeof Fields>, side: Side): number[] =>
  TRIALS.flatMap((trial) => fields[trialField(side, trial)] ?? []);

/** The form of a one-leg stand. @param latest the last day it may have been done on */
export const resultForm = (latest: string) =>
  v.pipe(
    Fields,
    v.rawCheck(({ dataset, addIssue }) => {
      if (!dataset.typed) return;
      const fields = dataset.value;
      const at = (key: keyof typeof fields): [v.IssuePathItem] => [
        { type: "object", origin: "value", input: fields, key, value: fields[key] },
      ];
      if (SIDES.every((side) => trialsOf(fields, side).length === 0))
        addIssue({ message: "Enter at least one trial.", path: at("left1") });
      if (fields.day > latest)
        addIssue({ message: "The date is in the future. Enter today's date or earlier.", path: at("day") });
    }),
    v.transform((fields) => ({
      day: fields.day,
      trials: { left: trialsOf(fields, "left"), right: trialsOf(fields, "right") },
      note: fields.note ?? "",
    })),
  );
