import type { Reading } from "@able-tide/core/caps/answers";
import type { PainPlace } from "@able-tide/core/caps/pain-map";
import { type Question, type THRESHOLDS, type ThresholdName, thresholdBounds } from "@able-tide/core/caps/policy";
import type { TypedReading } from "@able-tide/core/caps/typed-reading";

const PAIN_PLACE_LABELS: Readonly<Record<PainPlace, string>> = {
  neck: "neck",
  upperBack: "upper back",
  lowBack: "low back",
  leftShoulder: "left shoulder",
  rightShoulder: "right shoulder",
  leftElbow: "left elbow",
  rightElbow: "right elbow",
  leftHand: "left wrist or hand",
  rightHand: "right wrist or hand",
  leftHip: "left hip",
  rightHip: "right hip",
  leftKnee: "left knee",
  rightKnee: "right knee",
  leftFoot: "left ankle or foot",
  rightFoot: "right ankle or foot",
  chest: "chest",
  jaw: "jaw",
  head: "head",
  belly: "belly",
  leftCalf: "left calf",
  rightCalf: "right calf",
};

const THRESHOLD_LABELS: Readonly<Record<ThresholdName, string>> = {
  systolicMost: "Systolic blood pressure at rest: not taking part above",
  diastolicMost: "Diastolic blood pressure at rest: not taking part above",
  restingHeartRateMost: "Resting heart rate: not taking part above",
  fibrillatingHeartRateMost: "Resting heart rate with atrial fibrillation: not taking part above",
  systolicLeast: "Systolic blood pressure at rest: not taking part below",
  restingHeartRateLeast: "Resting heart rate: not taking part below",
  systolicRaised: "Systolic blood pressure: reduce dose from",
  saturationLeast: "Oxygen saturation at rest: not taking part below",
  glucoseLeast: "Glucose on treatment: treat first below",
  glucoseSteady: "Glucose on treatment: carbohydrate and re-check below",
  glucoseMost: "Glucose with ketones or feeling ill: not taking part above",
};

const THRESHOLD_UNITS: Readonly<Record<ThresholdName, string>> = {
  systolicMost: "mmHg",
  diastolicMost: "mmHg",
  restingHeartRateMost: "beats per minute",
  fibrillatingHeartRateMost: "beats per minute",
  systolicLeast: "mmHg",
  restingHeartRateLeast: "beats per minute",
  systolicRaised: "mmHg",
  saturationLeast: "%",
  glucoseLeast: "mmol/l",
  glucoseSteady: "mmol/l",
  glucoseMost: "mmol/l",
};

const QUESTION_LABELS: Readonly<Record<Question, string>> = {
  pain: "pain and where",
  dizziness: "dizziness",
  breath: "breath",
  sleep: "sleep",
  fatigue: "fatigue",
  fall: "a fall or near-fall since last time",
  medicine: "medicines",
  illness: "illness",
  pressure: "blood pressure and pulse",
  saturation: "oxygen saturation",
  glucose: "glucose",
};

/** What a place of the pain map is called. */
export const painPlaceLabel = (name: PainPlace): string => PAIN_PLACE_LABELS[name];

/** Names of the check-in thresholds. */
export const thresholdLabel = (name: ThresholdName): string => THRESHOLD_LABELS[name];

/** Unit of a threshold. */
export const thresholdUnit = (name: ThresholdName): string => THRESHOLD_UNITS[name];

/** What an organisation may enter for a threshold. */
export function formatThresholdBounds(threshold: (typeof THRESHOLDS)[number]): string {
  const { least, most } = thresholdBounds(threshold);
  return `Enter ${least} to ${most} ${THRESHOLD_UNITS[threshold.name]}. Your threshold can only be stricter than the standard ${threshold.usual}.`;
}

/** What a question of the check-in is about. */
export const questionLabel = (name: Question): string => QUESTION_LABELS[name];

/** What is asked of pain in a place where it may be a sign to stop; a yes to any is one. */
export const ALARM_QUESTIONS: Readonly<Record<"chest" | "jaw" | "head" | "belly" | "leftCalf" | "rightCalf", readonly string[]>> =
  {
    chest: [
      "Is there pressure or tightness now?",
      "Does it go to the arm, the jaw or the back?",
      "Are they short of breath with it?",
    ],
    jaw: ["Did it come with effort?", "Is there pressure in the chest with it?"],
    head: [
      "Did it come suddenly, worse than any before?",
      "Is vision double, or worse than usual?",
      "Is it pounding, with a flushed face?",
    ],
    belly: ["Is it new and severe?", "Are they faint, or sick with it?"],
    leftCalf: ["Is the calf swollen, warm or red?", "Is it new, without a knock or a strain?"],
    rightCalf: ["Is the calf swollen, warm or red?", "Is it new, without a knock or a strain?"],
  };

const READING_UNITS: Readonly<Record<Reading, string>> = {
  systolic: "mmHg",
  diastolic: "mmHg",
  heartRate: "beats per minute",
  saturation: "%",
  glucose: "mmol/l",
  fatigue: "a scale of 0 to 10",
  systolicDrop: "mmHg",
  diastolicDrop: "mmHg",
};

/** What to ask about a reading that cannot be as it was typed. */
export function formatReadingDoubt({ doubt, text }: Extract<TypedReading, { kind: "ask" }>, reading: Reading): string {
  switch (doubt) {
    case "notANumber":
      return `“${text}” is not a number. Enter the reading again.`;
    case "notPossible":
      return `${text} mg/dl is not possible. Check the meter and its unit.`;
    case "whichUnit":
      return `${text} is too much for ${READING_UNITS[reading]}. Which unit does the meter show?`;
    case "tooMuch":
      return `${text} is too much for ${READING_UNITS[reading]}. Check the reading.`;
  }
}
