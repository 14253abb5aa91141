import * as v from "valibot";
import { BODY_PARTS } from "./body-parts.ts";

const PART_NAMES = BODY_PARTS.map(({ name }) => name);
const tenth = v.pipe(v.number(), v.minValue(0), v.maxValue(10));
const reading = (most: number) => v.pipe(v.number(), v.minValue(0), v.maxValue(most));

/** What a person answers when they arrive; what was not asked is left out. */
export const CheckIn = v.object({
  overall: v.picklist(["asUsual", "lighter", "sitOut"]),
  pains: v.optional(
    v.array(
      v.object({
        part: v.picklist(PART_NAMES),
        now: tenth,
        /** Their own usual there. */
        usual: v.optional(tenth, 0),
        fresh: v.optional(v.picklist(["no", "new", "night"]), "no"),
      }),
    ),
    [],
  ),
  dizziness: v.optional(v.picklist(["none", "settled", "now"]), "none"),
  breath: v.optional(v.picklist(["asUsual", "more", "noSentence"]), "asUsual"),
  sleep: v.optional(v.picklist(["fine", "badNight", "twoBadNights"]), "fine"),
  fatigue: v.optional(tenth),
  fall: v.optional(v.picklist(["none", "nearFall", "oneUnhurt", "worse"]), "none"),
  medicine: v.optional(v.picklist(["asUsual", "changed", "wearingOff"]), "asUsual"),
  illness: v.optional(v.picklist(["none", "firstClassBack", "secondClassBack", "feverOrWound", "bowels"]), "none"),
  /** Anything of the sit-out list that was said: chest pain, a blackout and the like. */
  warning: v.optional(v.boolean(), false),
  /** One reading, and a second after five minutes of sitting where the first was high. */
  pressures: v.optional(
    v.pipe(
      v.array(v.object({ systolic: reading(300), diastolic: reading(200), heartRate: v.optional(reading(250)) })),
      v.maxLength(2),
    ),
    [],
  ),
  /** How far the pressure fell within three minutes of standing, and whether it was felt. */
  drop: v.optional(v.object({ systolic: reading(150), diastolic: reading(100), felt: v.boolean() })),
  saturation: v.optional(reading(100)),
  /** mmol/l, of people on treatment. */
  glucose: v.optional(reading(40)),
  /** Ketones, or feeling ill with it. */
  glucoseIll: v.optional(v.boolean(), false),
});
export type CheckIn = v.InferOutput<typeof CheckIn>;
export type CheckInInput = v.InferInput<typeof CheckIn>;

export const AS_USUAL: CheckIn = v.parse(CheckIn, { overall: "asUsual" });

/** What the day's answers propose, gravest last. */
export const OUTCOMES = ["class", "seated", "takeAgain", "askFirst", "hold", "sitOut"] as const;
export type Outcome = (typeof OUTCOMES)[number];
