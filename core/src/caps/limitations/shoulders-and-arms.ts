import { ARM_RESTS, comfort, firm, type LimitationRule, USUAL_PRACTICE } from "./rule.ts";

const area = "shouldersAndArms";
/** An implant's wires hold by then. */
const UNTIL_SIX_WEEKS = { weeks: 6, after: "event", kind: "ends" } as const;

export const SHOULDERS_AND_ARMS: readonly LimitationRule[] = [
  {
    name: "soreShoulder",
    area,
    sided: true,
    timed: false,
    proposals: [
      comfort({ channel: "handHeight", side: "affected", limit: "shoulder" }),
      comfort({ channel: "heldOutShare", side: "affected", limit: 50 }),
    ],
    cautions: [],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "rotatorCuffRepair",
    area,
    sided: true,
    timed: true,
    waits: { phases: ["acute", "healing"], interim: ARM_RESTS },
    proposals: [
      firm({ channel: "handHeight", side: "affected", limit: "shoulder" }, { phases: ["acute", "healing"] }),
      firm({ channel: "handWeight", side: "affected", limit: 0 }, { phases: ["acute", "healing"] }),
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }, { phases: ["acute", "healing"] }),
      firm({ channel: "barredFeature", limit: "affectedArmCarried" }, { phases: ["acute"] }),
    ],
    cautions: ["doNotLiftArm"],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "frozenShoulder",
    area,
    sided: true,
    timed: false,
    proposals: [
      comfort({ channel: "motion", motion: "shoulderElevation", side: "affected", limit: 90 }, { follows: "shoulderElevation" }),
      comfort({ channel: "handWeight", side: "affected", limit: 0 }),
    ],
    cautions: ["comfortableRange"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "shoulderAfterStroke",
    area,
    sided: true,
    timed: false,
    waits: { phases: ["acute", "healing", "settled"], interim: ARM_RESTS },
    proposals: [
      firm({ channel: "motion", motion: "shoulderElevation", side: "affected", limit: 90 }),
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }),
    ],
    cautions: ["oneArmVariants", "doNotPullArm"],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "shoulderReplacement",
    area,
    sided: true,
    timed: true,
    kinds: ["reverse", "anatomic"],
    waits: { phases: ["acute", "healing"], interim: ARM_RESTS },
    proposals: [
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }, { phases: ["acute", "healing"] }),
      firm({ channel: "barredFeature", limit: "affectedArmCarried" }, { phases: ["acute"] }),
      firm(
        { channel: "motion", motion: "shoulderOutwardTurn", side: "affected", limit: 30 },
        { kinds: ["anatomic"], phases: ["acute", "healing"] },
      ),
    ],
    cautions: [
      { name: "noHandBehindBack", kinds: ["reverse"] },
      { name: "noPushingUpWithArm", kinds: ["reverse"] },
    ],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "pacemaker",
    area,
    sided: true,
    timed: true,
    waits: { phases: ["acute"], interim: ARM_RESTS },
    proposals: [
      firm({ channel: "handHeight", side: "affected", limit: "shoulder" }, { phases: ["acute"], date: UNTIL_SIX_WEEKS }),
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }, { phases: ["acute"], date: UNTIL_SIX_WEEKS }),
    ],
    cautions: ["effortInWords"],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "breastbone",
    area,
    sided: false,
    timed: true,
    waits: {
      phases: ["acute", "healing"],
      interim: [
        { channel: "sizeShare", part: "leftArm", limit: 0 },
        { channel: "sizeShare", part: "rightArm", limit: 0 },
      ],
    },
    proposals: [
      firm({ channel: "handHeight", side: "both", limit: "shoulder" }, { phases: ["acute", "healing"] }),
      firm({ channel: "handSeparation", limit: 1.5 }, { phases: ["acute", "healing"] }),
      firm({ channel: "handWeight", side: "both", limit: 0 }, { phases: ["acute", "healing"] }),
    ],
    cautions: ["noPushingOrPulling"],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "handArthritis",
    area,
    sided: true,
    timed: false,
    proposals: [
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }),
      comfort({ channel: "barredFeature", limit: "fistAffected" }),
    ],
    cautions: ["cannotGripRail"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "wristFracture",
    area,
    sided: true,
    timed: true,
    proposals: [
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }, { phases: ["acute", "healing"] }),
      firm({ channel: "barredFeature", limit: "affectedArmCarried" }, { phases: ["acute"] }),
      comfort({ channel: "barredFeature", limit: "fistAffected" }, { phases: ["acute", "healing"] }),
    ],
    cautions: ["cannotGripRail"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
];
