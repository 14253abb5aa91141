import * as v from "valibot";

/** Thresholds of the day's screening. `stricter` is the direction an organisation may move them in. */
export const THRESHOLDS = [
  {
    name: "systolicMost",
    label: "Systolic blood pressure at rest: no class above",
    unit: "mmHg",
    usual: 180,
    stricter: "less",
    furthest: 120,
    source: "as for the six-minute walk, ATS 2002",
  },
  {
    name: "diastolicMost",
    label: "Resting diastolic pressure: not taking part above",
    unit: "mmHg",
    usual: 100,
    stricter: "less",
    furthest: 70,
    source: "as for the six-minute walk, ATS 2002",
  },
  {
    name: "restingHeartRateMost",
    label: "Resting heart rate: not taking part above",
    unit: "a minute",
    usual: 120,
    stricter: "less",
    furthest: 80,
    source: "as for the six-minute walk, ATS 2002",
  },
  {
    name: "fibrillatingHeartRateMost",
    label: "Resting heart rate with atrial fibrillation: not taking part above",
    unit: "a minute",
    usual: 110,
    stricter: "less",
    furthest: 80,
    source: "common practice",
  },
  {
    name: "systolicLeast",
    label: "Systolic pressure: not taking part below",
    unit: "mmHg",
    usual: 90,
    stricter: "more",
    furthest: 120,
    source: "common practice",
  },
  {
    name: "restingHeartRateLeast",
    label: "Resting heart rate: not taking part below",
    unit: "a minute",
    usual: 40,
    stricter: "more",
    furthest: 60,
    source: "common practice",
  },
  {
    name: "systolicRaised",
    label: "Systolic blood pressure: reduce dose from",
    unit: "mmHg",
    usual: 160,
    stricter: "less",
    furthest: 110,
    source: "common practice",
  },
  {
    name: "saturationLeast",
    label: "Oxygen saturation at rest: not taking part below",
    unit: "%",
    usual: 88,
    stricter: "more",
    furthest: 98,
    source: "common practice",
  },
  {
    name: "glucoseLeast",
    label: "Glucose (on treatment): treat first below",
    unit: "mmol/l",
    usual: 4,
    stricter: "more",
    furthest: 8,
    source: "ADA 2016",
  },
  {
    name: "glucoseSteady",
    label: "Glucose on treatment, carbohydrate and re-check under",
    unit: "mmol/l",
    usual: 5,
    stricter: "more",
    furthest: 10,
    source: "ADA 2016",
  },
  {
    name: "glucoseMost",
    label: "Glucose with ketones or feeling ill: not taking part above",
    unit: "mmol/l",
    usual: 13.9,
    stricter: "less",
    furthest: 8,
    source: "ADA 2016",
  },
] as const;
export type ThresholdName = (typeof THRESHOLDS)[number]["name"];
export type Thresholds = Readonly<Record<ThresholdName, number>>;

export const USUAL_THRESHOLDS = Object.fromEntries(THRESHOLDS.map(({ name, usual }) => [name, usual])) as Record<
  ThresholdName,
  number
>;

/** Questions of the check-in that a group may ask beside "as usual, lighter, sit out". */
export const QUESTIONS = [
  { name: "pain", label: "pain and where" },
  { name: "dizziness", label: "dizziness" },
  { name: "breath", label: "breath" },
  { name: "sleep", label: "sleep" },
  { name: "fatigue", label: "fatigue" },
  { name: "fall", label: "a fall or near-fall since last time" },
  { name: "medicine", label: "medicines" },
  { name: "illness", label: "illness" },
  { name: "pressure", label: "blood pressure and pulse" },
  { name: "saturation", label: "oxygen saturation" },
  { name: "glucose", label: "glucose" },
] as const;
export type Question = (typeof QUESTIONS)[number]["name"];
export const QUESTION_NAMES = QUESTIONS.map(({ name }) => name);

export interface Policy {
  readonly thresholds: Thresholds;
  readonly questions: readonly Question[];
}

export const USUAL_POLICY: Policy = {
  thresholds: USUAL_THRESHOLDS,
  questions: ["pain", "dizziness", "breath", "sleep", "fall", "medicine"],
};

/** One threshold as an organisation may set it: the usual, or stricter as far as makes sense. */
export const thresholdSchema = ({ usual, furthest, unit }: (typeof THRESHOLDS)[number]) => {
  const least = Math.min(usual, furthest);
  const most = Math.max(usual, furthest);
  return v.pipe(
    v.number("Enter a number."),
    v.minValue(least, `Enter ${least} to ${most} ${unit}. Your threshold can only be stricter than the standard ${usual}.`),
    v.maxValue(most, `Enter ${least} to ${most} ${unit}. Your threshold can only be stricter than the standard ${usual}.`),
  );
};
