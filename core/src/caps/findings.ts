import type { BodyPart } from "./body-parts.ts";
import type { PainPlace } from "./pain-map.ts";

/** What the day's answers and readings may show, as codes; `words` says each and what to do next to it. */
export const FINDINGS = [
  "lighter",
  "notTakingPart",
  "morePain",
  "strongPain",
  "newStrongPain",
  "painWithSign",
  "painWithoutSign",
  "painNotAsked",
  "noLeaning",
  "dizzySettled",
  "dizzyNow",
  "breathless",
  "noSentence",
  "badNight",
  "twoBadNights",
  "tired",
  "veryTired",
  "nearFall",
  "oneFall",
  "worseFall",
  "medicineChanged",
  "wearingOff",
  "firstClassBack",
  "secondClassBack",
  "highReading",
  "highTwice",
  "pressureRaised",
  "lowReading",
  "warning",
  "dropFelt",
  "dropNotFelt",
  "lowSaturation",
  "lowGlucose",
  "glucoseNearLow",
  "highGlucose",
  "unwell",
  "bowels",
] as const;
/** Code of a finding. */
export type FindingName = (typeof FINDINGS)[number];

/** One finding: what it is, and where on the body where it is somewhere. */
export interface Finding {
  readonly name: FindingName;
  /** Where something hurts. */
  readonly place?: PainPlace | BodyPart;
  /** The hand that carries nothing. */
  readonly side?: "left" | "right";
}
