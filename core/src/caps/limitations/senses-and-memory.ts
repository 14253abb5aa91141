import { firm, type LimitationRule, SITS_OUT, USUAL_PRACTICE } from "./rule.ts";

const area = "senses and memory";

export const SENSES_AND_MEMORY: readonly LimitationRule[] = [
  {
    name: "eyePressure",
    label: "Glaucoma, eye surgery or proliferative retinopathy",
    area,
    sided: false,
    timed: true,
    kinds: [
      { name: "glaucoma", label: "glaucoma" },
      { name: "surgery", label: "eye surgery" },
      { name: "retinopathy", label: "proliferative retinopathy" },
    ],
    waits: { phases: ["acute"], kinds: ["surgery"], meanwhile: SITS_OUT },
    proposals: [firm({ channel: "barredFeature", limit: "headBelowHeart" }), firm({ channel: "breathPause", limit: 0 })],
    cautions: [],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "memoryLoss",
    label: "Memory loss",
    area,
    sided: false,
    timed: false,
    proposals: [],
    cautions: [
      "One change at a time, the same place",
      "The helper stays near",
      "Do not change this participant's variant to suit others",
      "In the pool a named companion in reach",
    ],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "lowVision",
    label: "Low vision",
    area,
    sided: false,
    timed: false,
    proposals: [firm({ channel: "barredFeature", limit: "eyesClosed" })],
    cautions: ["Near the instructor", "Cues are spoken, contrast is strong", "In the pool glasses are off"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "hearingLoss",
    label: "Hearing loss",
    area,
    sided: false,
    timed: false,
    proposals: [firm({ channel: "barredFeature", limit: "eyesClosed" })],
    cautions: ["Near the instructor", "Cues are shown", "In the pool hearing aids are off"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
];
