import type { CapLimit } from "./cap.ts";
import type { MotionName } from "./motions.ts";

/** Where a cap is looked for on a person's page. */
export const CAP_GROUPS = [
  "notNow",
  "handsAndArms",
  "neckAndBack",
  "hipsKneesAndFeet",
  "standingAndBalance",
  "chair",
  "amounts",
  "water",
  "notAtAll",
] as const;
export type CapGroup = (typeof CAP_GROUPS)[number];

const ARM: readonly MotionName[] = [
  "shoulderElevation",
  "shoulderInwardTurn",
  "shoulderOutwardTurn",
  "elbowFlexion",
  "wristFlexion",
  "wristExtension",
];
const NECK_AND_BACK = /^(neck|spine)/;

/** The group that a limit is shown in. */
export function groupOf(limit: CapLimit): CapGroup {
  switch (limit.channel) {
    case "handHeight":
    case "handSeparation":
    case "shoulderLoad":
    case "heldOutShare":
    case "handWeight":
    case "shoulderDrag":
    case "handsUpSeconds":
    case "handsUpSecondsInAll":
      return "handsAndArms";
    case "motion":
      if (ARM.includes(limit.motion)) return "handsAndArms";
      return NECK_AND_BACK.test(limit.motion) ? "neckAndBack" : "hipsKneesAndFeet";
    case "lowBackLoad":
      return "neckAndBack";
    case "loadedKnee":
    case "dorsiflexion":
    case "straightKneeDorsiflexion":
    case "kneeLoad":
    case "legShare":
    case "hipDrag":
      return "hipsKneesAndFeet";
    case "chairWithArms":
    case "higherSeat":
      return "chair";
    case "heldStanding":
    case "bothHandsStanding":
    case "handToRise":
    case "steadiness":
    case "oneLegSeconds":
    case "oneLegSecondsInAll":
    case "standingMinutesAtATime":
    case "standingMinutes":
      return "standingAndBalance";
    case "noStanding":
      return "notNow";
    case "barredForm":
      return limit.limit === "water" ? "water" : "notNow";
    case "waterMinutes":
    case "waterDepth":
    case "waterWarmest":
    case "waterCoolest":
      return "water";
    case "barredFeature":
      return "notAtAll";
    default:
      return "amounts";
  }
}
