import { ARM_RESTS, comfort, firm, type LimitationRule, USUAL_PRACTICE } from "./rule.ts";

const area = "shoulders and arms";
/** An implant's wires hold by then. */
const UNTIL_SIX_WEEKS = { weeks: 6, after: "event", kind: "ends" } as const;

export const SHOULDERS_AND_ARMS: readonly LimitationRule[] = [
  {
    name: "soreShoulder",
    label: "Sore shoulder",
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
    label: "Rotator-cuff repair",
    area,
    sided: true,
    timed: true,
    waits: { phases: ["acute", "healing"], meanwhile: ARM_RESTS },
    proposals: [
      firm({ channel: "handHeight", side: "affected", limit: "shoulder" }, { phases: ["acute", "healing"] }),
      firm({ channel: "handWeight", side: "affected", limit: 0 }, { phases: ["acute", "healing"] }),
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }, { phases: ["acute", "healing"] }),
    ],
    cautions: ["Do not lift or pull on the arm"],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "frozenShoulder",
    label: "Frozen shoulder",
    area,
    sided: true,
    timed: false,
    proposals: [
      comfort({ channel: "motion", motion: "shoulderElevation", side: "affected", limit: 90 }, { follows: "shoulderElevation" }),
      comfort({ channel: "handWeight", side: "affected", limit: 0 }),
    ],
    cautions: ["Stay in the comfortable range; no force"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "shoulderAfterStroke",
    label: "Weak or subluxed shoulder after a stroke",
    area,
    sided: true,
    timed: false,
    waits: { phases: ["acute", "healing", "settled"], meanwhile: ARM_RESTS },
    proposals: [
      firm({ channel: "motion", motion: "shoulderElevation", side: "affected", limit: 90 }),
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }),
    ],
    cautions: ["One-arm variants; support the other arm", "Do not pull on the arm"],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "shoulderReplacement",
    label: "Shoulder replacement",
    area,
    sided: true,
    timed: true,
    kinds: [
      { name: "reverse", label: "reverse" },
      { name: "anatomic", label: "anatomic" },
    ],
    waits: { phases: ["acute", "healing"], meanwhile: ARM_RESTS },
    proposals: [
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }, { phases: ["acute", "healing"] }),
      firm(
        { channel: "motion", motion: "shoulderOutwardTurn", side: "affected", limit: 30 },
        { kinds: ["anatomic"], phases: ["acute", "healing"] },
      ),
    ],
    cautions: [
      { words: "That hand does not go behind the back with the arm stretched", kinds: ["reverse"] },
      { words: "No pushing up from the chair with that arm", kinds: ["reverse"] },
    ],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "pacemaker",
    label: "New pacemaker or defibrillator",
    area,
    sided: true,
    timed: true,
    waits: { phases: ["acute"], meanwhile: ARM_RESTS },
    proposals: [
      firm({ channel: "handHeight", side: "affected", limit: "shoulder" }, { phases: ["acute"], date: UNTIL_SIX_WEEKS }),
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }, { phases: ["acute"], date: UNTIL_SIX_WEEKS }),
    ],
    cautions: ["Effort in words, not heart rate"],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "breastbone",
    label: "Breastbone opened for heart surgery",
    area,
    sided: false,
    timed: true,
    waits: {
      phases: ["acute", "healing"],
      meanwhile: [
        { channel: "sizeShare", part: "leftArm", limit: 0 },
        { channel: "sizeShare", part: "rightArm", limit: 0 },
      ],
    },
    proposals: [
      firm({ channel: "handHeight", side: "both", limit: "shoulder" }, { phases: ["acute", "healing"] }),
      firm({ channel: "handSeparation", limit: 1.5 }, { phases: ["acute", "healing"] }),
      firm({ channel: "handWeight", side: "both", limit: 0 }, { phases: ["acute", "healing"] }),
    ],
    cautions: ["No pushing or pulling with the arms, not even out of the chair"],
    source: USUAL_PRACTICE,
    decides: "clinician",
  },
  {
    name: "handArthritis",
    label: "Hand arthritis",
    area,
    sided: true,
    timed: false,
    proposals: [
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }),
      comfort({ channel: "barredFeature", limit: "fistAffected" }),
    ],
    cautions: ["Cannot grip a rail on that side"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
  {
    name: "wristFracture",
    label: "Wrist fracture",
    area,
    sided: true,
    timed: true,
    proposals: [
      firm({ channel: "barredFeature", limit: "holdsWithAffected" }, { phases: ["acute", "healing"] }),
      comfort({ channel: "barredFeature", limit: "fistAffected" }, { phases: ["acute", "healing"] }),
    ],
    cautions: ["Cannot grip a rail on that side"],
    source: USUAL_PRACTICE,
    decides: "instructor",
  },
];
