import { comfort, firm, type LimitationRule, NOT_TAKING_PART, USUAL_PRACTICE } from "./rule.ts";

const area = "neckAndBack";
const BONE_GUIDANCE = "boneGuidance";

export const NECK_AND_BACK: readonly LimitationRule[] = [
  {
    name: "neckPain",
    area,
    sided: false,
    timed: false,
    proposals: [
      firm({ channel: "motion", motion: "neckRotation", side: "both", limit: 45 }),
      firm({ channel: "motion", motion: "neckExtension", side: "both", limit: 20 }),
      firm({ channel: "barredFeature", limit: "lookingUpWithTurn" }),
    ],
    cautions: [],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "rheumatoidNeck",
    area,
    sided: false,
    timed: false,
    waits: {
      phases: ["acute", "healing", "settled"],
      interim: [
        { channel: "motion", motion: "neckFlexion", side: "both", limit: 30 },
        { channel: "barredFeature", limit: "fullNeckCircle" },
      ],
    },
    proposals: [
      firm({ channel: "motion", motion: "neckFlexion", side: "both", limit: 30 }),
      firm({ channel: "barredFeature", limit: "fullNeckCircle" }),
    ],
    cautions: ["headNeverDrops"],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "osteoporosis",
    area,
    sided: false,
    timed: false,
    proposals: [
      firm({ channel: "motion", motion: "spineFlexion", side: "both", limit: 30 }),
      firm({ channel: "motion", motion: "spineSideBend", side: "both", limit: 20 }),
      firm({ channel: "motion", motion: "spineRotation", side: "both", limit: 30 }),
      firm({ channel: "barredFeature", limit: "trunkPercussion" }),
    ],
    cautions: ["hipHingeAndGentleExtension", "noLoadedRounding"],
    source: BONE_GUIDANCE,
    decides: "instructor",
  },
  {
    name: "spinalFracture",
    area,
    sided: false,
    timed: true,
    waits: { phases: ["acute", "healing"], interim: NOT_TAKING_PART },
    proposals: [firm({ channel: "motion", motion: "spineFlexion", side: "both", limit: 25 })],
    cautions: ["hipHingeFree"],
    source: BONE_GUIDANCE,
    decides: "clinician",
  },
  {
    name: "lowBackPain",
    area,
    sided: false,
    timed: false,
    proposals: [
      comfort({ channel: "motion", motion: "spineRotation", side: "both", limit: 30 }),
      comfort({ channel: "motion", motion: "spineSideBend", side: "both", limit: 20 }),
      comfort({ channel: "motion", motion: "spineFlexion", side: "both", limit: 30 }),
    ],
    cautions: ["painUpToFive"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "disc",
    area,
    sided: false,
    timed: false,
    proposals: [comfort({ channel: "motion", motion: "spineFlexion", side: "both", limit: 20 }, { follows: "spineFlexion" })],
    cautions: ["bendAsSymptomsAllow"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "spinalStenosis",
    area,
    sided: false,
    timed: false,
    proposals: [
      firm({ channel: "motion", motion: "spineExtension", side: "both", limit: 5 }),
      comfort({ channel: "standingMinutesAtATime", limit: 8 }),
    ],
    cautions: ["sittingBreaksOffered"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "stiffSpine",
    area,
    sided: false,
    timed: false,
    proposals: [
      firm({ channel: "motion", motion: "spineExtension", side: "both", limit: 5 }, { follows: "spineExtension" }),
      firm({ channel: "motion", motion: "spineFlexion", side: "both", limit: 20 }, { follows: "spineFlexion" }),
    ],
    cautions: ["noForcedRange", "lookStraightAhead"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
];
