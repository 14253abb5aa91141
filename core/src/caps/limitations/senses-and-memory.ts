import { firm, type LimitationRule, NOT_TAKING_PART, USUAL_PRACTICE } from "./rule.ts";

const area = "sensesAndMemory";

export const SENSES_AND_MEMORY: readonly LimitationRule[] = [
  {
    name: "eyePressure",
    area,
    sided: false,
    timed: true,
    kinds: ["glaucoma", "surgery", "retinopathy"],
    waits: { phases: ["acute"], kinds: ["surgery"], interim: NOT_TAKING_PART },
    proposals: [firm({ channel: "barredFeature", limit: "headBelowHeart" }), firm({ channel: "breathPause", limit: 0 })],
    cautions: [],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "memoryLoss",
    area,
    sided: false,
    timed: false,
    proposals: [],
    cautions: ["oneChangeSamePlace", "helperStaysNear", "doNotChangeVariant", "namedPoolCompanion"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "lowVision",
    area,
    sided: false,
    timed: false,
    proposals: [firm({ channel: "barredFeature", limit: "eyesClosed" })],
    cautions: ["nearInstructor", "spokenCues", "glassesOffInPool"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "hearingLoss",
    area,
    sided: false,
    timed: false,
    proposals: [firm({ channel: "barredFeature", limit: "eyesClosed" })],
    cautions: ["nearInstructor", "shownCues", "hearingAidsOffInPool"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
];
