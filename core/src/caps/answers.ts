import * as v from "valibot";
import { BODY_PARTS } from "./body-parts.ts";
import { PAIN_PLACE_NAMES } from "./pain-map.ts";

const PART_NAMES = BODY_PARTS.map(({ name }) => name);
const tenth = v.pipe(v.number(), v.minValue(0), v.maxValue(10));
const reading = (most: number) => v.pipe(v.number(), v.minValue(0), v.maxValue(most));

/** What a person answers when they arrive; what was not asked is left out. */
export const CheckIn = v.object({
  overall: v.picklist(["asUsual", "lighter", "sitOut"]),
  pains: v.optional(
    v.array(
      v.object({
        /** A place on the body; answers kept from before the map name a part. */
        part: v.picklist([...PAIN_PLACE_NAMES, ...PART_NAMES]),
        now: tenth,
        /** Their own usual there; 0 where no one knows it. */
        usual: v.optional(tenth, 0),
        fresh: v.optional(v.picklist(["no", "new", "night"]), "no"),
        /** In a place where pain may be a sign to stop: whether any of its questions was answered with yes. */
        alarm: v.exactOptional(v.picklist(["yes", "no"])),
      }),
    ),
    [],
  ),
  /** Whether they can lean on a hand today; left out where no one asked. */
  leans: v.exactOptional(v.object({ left: v.exactOptional(v.boolean()), right: v.exactOptional(v.boolean()) })),
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
  drop: v.optional(
    v.object({
      systolic: reading(150),
      diastolic: reading(100),
      felt: v.boolean(),
      /** Systolic pressure lying down. */
      lying: v.exactOptional(reading(300)),
    }),
  ),
  saturation: v.optional(reading(100)),
  /** mmol/l, of people on treatment. */
  glucose: v.optional(reading(40)),
  /** Ketones, or feeling ill with it. */
  glucoseIll: v.optional(v.boolean(), false),
});
export type CheckIn = v.InferOutput<typeof CheckIn>;

export const AS_USUAL: CheckIn = v.parse(CheckIn, { overall: "asUsual" });

/** The most that a reading can be, in its unit: what is beyond was read or typed wrong, or is in another unit. */
export const MAX_READINGS = {
  systolic: 300,
  diastolic: 200,
  heartRate: 250,
  saturation: 100,
  glucose: 40,
  fatigue: 10,
  systolicDrop: 150,
  diastolicDrop: 100,
} as const;
export type Reading = keyof typeof MAX_READINGS;

/** Milligrams of glucose in a decilitre for one mmol in a litre. */
const GLUCOSE_MG_PER_DL = 18.02;

/** Glucose in mmol/l of a reading in mg/dl, to a tenth. @example glucoseFromMgPerDl(142) // 7.9 */
export const glucoseFromMgPerDl = (reading: number): number => Math.round((10 * reading) / GLUCOSE_MG_PER_DL) / 10;

/** What the day's answers propose, gravest last. */
export const OUTCOMES = ["class", "seated", "takeAgain", "askFirst", "hold", "sitOut"] as const;
export type Outcome = (typeof OUTCOMES)[number];
