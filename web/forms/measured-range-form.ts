import { LANDMARKS } from "@able-tide/core/body/channels";
import {
  ARM_POSITIONS,
  hasArmPosition,
  hasSides,
  MEASURED_HOW,
  MEASURED_RANGE_NAMES,
  mostMeasured,
} from "@able-tide/core/caps/measured";
import type { MeasurementInput } from "@able-tide/core/caps/measurement";
import { measuredLabel } from "@able-tide/words/caps";
import * as v from "valibot";
import { calendarDay } from "./calendar-day.ts";

/** What can be measured: a range in degrees, or the height a hand reaches. */
const MEASURABLE = ["handHeight", ...MEASURED_RANGE_NAMES] as const;

const RANGE_LABELS = MEASURABLE.map((name) => [name, name === "handHeight" ? "hand height" : measuredLabel(name)] as const);
export const MEASURABLE_OPTIONS: readonly (readonly [string, string])[] = RANGE_LABELS;

const degrees = v.optional(v.number("Enter a number of degrees."));
const landmark = v.optional(v.picklist(LANDMARKS));

const Fields = (today: string) =>
  v.object({
    range: v.picklist(MEASURABLE, "Choose what was measured."),
    how: v.optional(v.picklist(MEASURED_HOW), "painFree"),
    left: degrees,
    right: degrees,
    leftHeight: landmark,
    rightHeight: landmark,
    armPosition: v.optional(v.picklist(ARM_POSITIONS)),
    day: v.pipe(calendarDay("Enter the date."), v.maxValue(today, "The date is in the future. Enter today's date or earlier.")),
  });
type Fields = v.InferOutput<ReturnType<typeof Fields>>;
/** What the form holds before it is read. */
export type MeasuredRangeInput = v.InferInput<ReturnType<typeof Fields>>;

function problemsOf(fields: Fields, positionKnown: boolean): { key: keyof Fields; message: string }[] {
  const { range } = fields;
  if (range === "handHeight")
    return fields.leftHeight === undefined && fields.rightHeight === undefined
      ? [{ key: "rightHeight", message: "Enter a height for at least one hand." }]
      : [];
  if (positionKnown && hasArmPosition(range) && fields.armPosition === undefined)
    return [{ key: "armPosition", message: "Choose where the arm was: a shoulder turns further in some positions." }];
  const most = mostMeasured(range);
  const wrong = (["left", "right"] as const).flatMap((key) => {
    const value = fields[key];
    return value !== undefined && (value < -30 || value > most)
      ? [{ key, message: `${measuredLabel(range)}: between -30 and ${most}°.` }]
      : [];
  });
  if (wrong.length === 0 && fields.left === undefined && fields.right === undefined)
    return [{ key: "right", message: "Enter a number of degrees." }];
  return wrong;
}

/**
 * What was measured, turned into one measurement a side.
 *
 * @param today nothing was measured in days to come
 * @param positionKnown whether who fills it in knows where the arm was; in a file of before it is not said
 */
export const measuredRangeForm = (
  today: string,
  { positionKnown }: { readonly positionKnown: boolean } = { positionKnown: true },
) =>
  v.pipe(
    Fields(today),
    v.rawCheck(({ dataset, addIssue }) => {
      if (!dataset.typed) return;
      const fields = dataset.value;
      for (const { key, message } of problemsOf(fields, positionKnown))
        addIssue({ message, path: [{ type: "object", origin: "value", input: fields, key, value: fields[key] }] });
    }),
    v.transform(({ range, how, left, right, leftHeight, rightHeight, armPosition, day }): MeasurementInput[] => {
      const position = hasArmPosition(range) ? (armPosition ?? null) : null;
      const values = range === "handHeight" ? [leftHeight, rightHeight] : [left, right];
      const sides = range !== "handHeight" && !hasSides(range) ? (["none", "none"] as const) : (["left", "right"] as const);
      return sides.flatMap((side, i) => {
        const value = values[i];
        return value === undefined ? [] : [{ range, side, how, value, day, armPosition: position }];
      });
    }),
  );
