import type { CapLimit } from "./cap.ts";
import type { MotionName } from "./motions.ts";

/** Where a cap is looked for on a person's page. */
export const CAP_GROUPS = [
  "Not now",
  "Hands and arms",
  "Neck and back",
  "Hips, knees and feet",
  "Standing and balance",
  "Chair",
  "Duration, range and effort",
  "In the water",
  "Not at all",
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
      return "Hands and arms";
    case "motion":
      if (ARM.includes(limit.motion)) return "Hands and arms";
      return NECK_AND_BACK.test(limit.motion) ? "Neck and back" : "Hips, knees and feet";
    case "lowBackLoad":
      return "Neck and back";
    case "loadedKnee":
    case "dorsiflexion":
    case "straightKneeDorsiflexion":
    case "kneeLoad":
    case "legShare":
    case "hipDrag":
      return "Hips, knees and feet";
    case "chairWithArms":
    case "higherSeat":
      return "Chair";
    case "heldStanding":
    case "bothHandsStanding":
    case "steadiness":
    case "oneLegSeconds":
    case "oneLegSecondsInAll":
    case "standingMinutesAtATime":
    case "standingMinutes":
      return "Standing and balance";
    case "noStanding":
      return "Not now";
    case "barredForm":
      return limit.limit === "water" ? "In the water" : "Not now";
    case "waterMinutes":
    case "waterDepth":
    case "waterWarmest":
    case "waterCoolest":
      return "In the water";
    case "barredFeature":
      return "Not at all";
    default:
      return "Duration, range and effort";
  }
}
