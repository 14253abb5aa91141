import type { BodyPart } from "./body-parts.ts";

/**
 * Where pain is told, as on a drawing of the body. `part` is the part of the body that the day's factors speak of; `alarm` is
 * for places where pain may be a sign to stop: there its own questions come first, and a number alone says nothing.
 */
export const PAIN_PLACES = [
  { name: "neck", label: "neck", part: "neck", alarm: false },
  { name: "upperBack", label: "upper back", part: "back", alarm: false },
  { name: "lowBack", label: "low back", part: "back", alarm: false },
  { name: "leftShoulder", label: "left shoulder", part: "leftArm", alarm: false },
  { name: "rightShoulder", label: "right shoulder", part: "rightArm", alarm: false },
  { name: "leftElbow", label: "left elbow", part: "leftArm", alarm: false },
  { name: "rightElbow", label: "right elbow", part: "rightArm", alarm: false },
  { name: "leftHand", label: "left wrist or hand", part: "leftArm", alarm: false },
  { name: "rightHand", label: "right wrist or hand", part: "rightArm", alarm: false },
  { name: "leftHip", label: "left hip", part: "leftLeg", alarm: false },
  { name: "rightHip", label: "right hip", part: "rightLeg", alarm: false },
  { name: "leftKnee", label: "left knee", part: "leftLeg", alarm: false },
  { name: "rightKnee", label: "right knee", part: "rightLeg", alarm: false },
  { name: "leftFoot", label: "left ankle or foot", part: "leftLeg", alarm: false },
  { name: "rightFoot", label: "right ankle or foot", part: "rightLeg", alarm: false },
  { name: "chest", label: "chest", part: "back", alarm: true },
  { name: "jaw", label: "jaw", part: "neck", alarm: true },
  { name: "head", label: "head", part: "neck", alarm: true },
  { name: "belly", label: "belly", part: "back", alarm: true },
  { name: "leftCalf", label: "left calf", part: "leftLeg", alarm: true },
  { name: "rightCalf", label: "right calf", part: "rightLeg", alarm: true },
] as const satisfies readonly { name: string; label: string; part: BodyPart; alarm: boolean }[];
export type PainPlace = (typeof PAIN_PLACES)[number]["name"];
export const PAIN_PLACE_NAMES = PAIN_PLACES.map(({ name }) => name);

export const painPlace = (name: PainPlace): (typeof PAIN_PLACES)[number] =>
  PAIN_PLACES.find((place) => place.name === name) as (typeof PAIN_PLACES)[number];

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
