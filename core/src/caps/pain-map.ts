import { entryNamed } from "../named.ts";
import type { BodyPart } from "./body-parts.ts";

/**
 * Where pain is reported, as on a drawing of the body. `part` is the part of the body that the day's factors speak of;
 * `alarm` is for places where pain may be a sign to stop: there its own questions come first, and a number alone says
 * nothing.
 */
export const PAIN_PLACES = [
  { name: "neck", part: "neck", alarm: false },
  { name: "upperBack", part: "back", alarm: false },
  { name: "lowBack", part: "back", alarm: false },
  { name: "leftShoulder", part: "leftArm", alarm: false },
  { name: "rightShoulder", part: "rightArm", alarm: false },
  { name: "leftElbow", part: "leftArm", alarm: false },
  { name: "rightElbow", part: "rightArm", alarm: false },
  { name: "leftHand", part: "leftArm", alarm: false },
  { name: "rightHand", part: "rightArm", alarm: false },
  { name: "leftHip", part: "leftLeg", alarm: false },
  { name: "rightHip", part: "rightLeg", alarm: false },
  { name: "leftKnee", part: "leftLeg", alarm: false },
  { name: "rightKnee", part: "rightLeg", alarm: false },
  { name: "leftFoot", part: "leftLeg", alarm: false },
  { name: "rightFoot", part: "rightLeg", alarm: false },
  { name: "chest", part: "back", alarm: true },
  { name: "jaw", part: "neck", alarm: true },
  { name: "head", part: "neck", alarm: true },
  { name: "belly", part: "back", alarm: true },
  { name: "leftCalf", part: "leftLeg", alarm: true },
  { name: "rightCalf", part: "rightLeg", alarm: true },
] as const satisfies readonly { name: string; part: BodyPart; alarm: boolean }[];
export type PainPlace = (typeof PAIN_PLACES)[number]["name"];
export const PAIN_PLACE_NAMES = PAIN_PLACES.map(({ name }) => name);

export const painPlace = (name: PainPlace): (typeof PAIN_PLACES)[number] => entryNamed(PAIN_PLACES, name);
