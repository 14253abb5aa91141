// Long because it is data: ten made-up people and their twelve weeks.
import { type DemoPerson, type DemoPlanItem, type DemoProgramme, person } from "./demo-person.ts";

const groups = ["wednesday"] as const;
const alsoFriday = ["wednesday", "friday"] as const;

/** Ten made-up people. Two clearly improve, one declines, one falls, one has a flare, one limit's date has passed. */
export const FOOTING: readonly DemoPerson[] = [
  {
    person: person("Amahle", 1961, 168, 74, "", "Wants to walk the cliff path again."),
    groups,
    stand: "oneLeg",
    released: 0,
    about: { hopes: "The cliff path, all of it.", mayTouch: "yes", mayWrite: "yes" },
    oneLeg: { left: { first: 24, last: 29 }, right: { first: 26, last: 31 } },
    missed: [6],
    signs: [],
  },
  {
    person: person(
      "Bela",
      1939,
      171,
      68,
      "stick in the right hand, hearing aid",
      "Hears best from the left. Rail always in reach.",
    ),
    groups,
    stand: "semiTandem",
    released: 0,
    about: {
      aids: ["stick"],
      hopes: "To stand at the bar with his friends.",
      mayTouch: "yes",
      mayWrite: "yes",
      medicines: ["glucoseLowering"],
      facts: { insulin: "insulin at noon; juice is in his bag" },
    },
    limitations: [
      { rule: "neuropathyOfTheFeet", set: 1 },
      { rule: "diabetes", set: 1 },
      { rule: "hearingLoss", set: 1 },
    ],
    caps: [
      {
        limit: { channel: "steadiness", limit: 3.2 },
        reason: "neuropathy of the feet",
        source: "Ines after the first test",
        strength: "firm",
        set: 1,
      },
    ],
    oneLeg: { left: { first: 3.1, last: 4 }, right: { first: 2.8, last: 3.4 } },
    missed: [4, 9],
    signs: [
      {
        week: 3,
        movementId: "side-weight-shift",
        sign: "wobbled",
        found: "Looked round at the door. Fine with his stick at hand.",
      },
      { week: 8, movementId: "shift-and-press", sign: "rested" },
      { week: 13, movementId: "one-leg-toe-near", sign: "wobbled" },
    ],
  },
  {
    person: person("Dov", 1948, 176, 82, "", "Likes to know the reason for everything."),
    groups,
    stand: "oneLeg",
    released: 0,
    about: { hopes: "To know why.", mayTouch: "no", mayWrite: "yes" },
    limitations: [
      { rule: "neckPain", set: 8 },
      { rule: "lowBackPain", set: 9, over: { week: 13, because: "Bends without a thought again." } },
    ],
    caps: [
      {
        limit: { channel: "barredFeature", limit: "lookingUpWithTurn" },
        reason: "neck arthritis",
        source: "own word",
        strength: "firm",
        set: 1,
      },
      {
        limit: { channel: "loadedKnee", side: "both", limit: 40 },
        reason: "flare of the low back",
        source: "Ines",
        strength: "comfort",
        set: 9,
        until: 12,
      },
    ],
    oneLeg: { left: { first: 15, last: 16.5 }, right: { first: 17, last: 17.5 } },
    missed: [],
    signs: [
      {
        week: 8,
        movementId: "trunk-turn",
        sign: "pain",
        found: "Low back, gone by the evening. He lifted crab pots on Tuesday.",
      },
      {
        week: 9,
        movementId: "trunk-turn",
        sign: "pain",
        found: "The same place. A month of small knee bends, then ask again.",
      },
    ],
  },
  {
    person: person("Henrike", 1944, 159, 71, "", "Left hip is worst in the morning."),
    groups: alsoFriday,
    stand: "tandem",
    released: 0,
    lookedAfter: true,
    about: {
      hopes: "Her own groceries.",
      mayTouch: "ask",
      mayWrite: "yes",
      clinicianName: "Sunniva, physiotherapist",
      clinicianPhone: "555 0171",
    },
    limitations: [{ rule: "hipArthritis", side: "left", set: 11 }],
    measured: [
      { range: "hipFlexion", side: "left", how: "painFree", value: 95 },
      { range: "hipFlexion", side: "right", how: "painFree", value: 115 },
    ],
    caps: [
      {
        limit: { channel: "loadedKnee", side: "left", limit: 30 },
        reason: "arthritis of the left hip",
        source: "the clinic",
        strength: "absolute",
        set: 1,
      },
      {
        limit: { channel: "oneLegSeconds", side: "left", limit: 3 },
        reason: "arthritis of the left hip",
        source: "the clinic",
        strength: "absolute",
        set: 1,
      },
    ],
    oneLeg: { left: { first: 4.2, last: 4.8 }, right: { first: 11, last: 13 } },
    missed: [2, 11],
    signs: [{ week: 5, movementId: "one-leg-toe-near", sign: "rested" }],
  },
  {
    person: person("Marit", 1951, 164, 66, "", "Swims on Fridays."),
    groups: alsoFriday,
    stand: "oneLeg",
    released: 0,
    lookedAfter: true,
    about: {
      hopes: "Hanging out the washing.",
      mayTouch: "yes",
      mayWrite: "yes",
      kinName: "Her sister Gro",
      kinPhone: "555 0133",
    },
    limitations: [{ rule: "soreShoulder", side: "right", set: 6 }],
    measured: [
      { range: "shoulderElevation", side: "right", how: "painFree", value: 85 },
      { range: "shoulderElevation", side: "left", how: "painFree", value: 150 },
      { range: "handHeight", side: "right", how: "painFree", value: "shoulder" },
    ],
    caps: [
      {
        limit: { channel: "handHeight", side: "right", limit: "shoulder" },
        reason: "sore right shoulder",
        source: "the clinic",
        strength: "firm",
        dateKind: "ends",
        set: 6,
        until: 13,
      },
      {
        limit: { channel: "motion", motion: "shoulderOutwardTurn", side: "right", limit: 60 },
        reason: "sore right shoulder",
        source: "Ines, from what Marit showed",
        strength: "firm",
        set: 6,
        oldReading: true,
      },
    ],
    oneLeg: { left: { first: 18, last: 21 }, right: { first: 17, last: 20 } },
    missed: [7],
    signs: [
      { week: 5, movementId: "lift-and-part", sign: "pain", found: "Right shoulder, at the top. Sees the clinic on Monday." },
    ],
  },
  {
    person: person("Osei", 1953, 181, 88, "", "Came after a fall on the quay; would like to dance at a wedding in spring."),
    groups,
    stand: "tandem",
    released: 4,
    about: { hopes: "To dance at a wedding in spring.", mayTouch: "yes", mayWrite: "yes" },
    caps: [
      {
        limit: { channel: "steadiness", limit: 6.2 },
        reason: "holds the toe-down stand, one leg not yet",
        source: "Ines",
        strength: "firm",
        set: 4,
        until: 15,
      },
    ],
    oneLeg: { left: { first: 9, last: 24 }, right: { first: 8, last: 22 } },
    missed: [],
    signs: [{ week: 10, movementId: "one-leg-toe-near", sign: "wobbled", found: "His first time without the rail. Pleased." }],
  },
  {
    person: person("Pilar", 1946, 153, 59, "glasses", "Reads lips: face her."),
    groups,
    stand: "tandem",
    released: 0,
    about: { hopes: "To travel alone again.", mayTouch: "yes", mayWrite: "yes" },
    limitations: [{ rule: "lowPressureOnStanding", set: 5 }],
    caps: [
      {
        limit: { channel: "handHeight", side: "both", limit: "eye" },
        reason: "light-headed with the arms overhead",
        source: "own word",
        strength: "firm",
        set: 2,
      },
    ],
    oneLeg: { left: { first: 7, last: 18 }, right: { first: 9, last: 19 } },
    missed: [3],
    signs: [
      {
        week: 1,
        movementId: "lift-and-part",
        sign: "dizzy",
        found: "Over in a minute, sitting. Happens with the arms overhead.",
      },
    ],
  },
  {
    person: person("Ruud", 1942, 174, 90, "left arm in a sling when walking", "Stroke in 2021. Support on the right."),
    groups,
    stand: "sideBySide",
    released: 0,
    lookedAfter: true,
    about: {
      hopes: "Both hands on the tiller.",
      mayTouch: "ask",
      mayWrite: "yes",
      medicines: ["anticoagulant"],
      kinName: "His wife Ria",
      kinPhone: "555 0186",
      facts: { bloodThinner: "takes a blood thinner: a knock on the head is an emergency" },
    },
    limitations: [
      {
        rule: "shoulderAfterStroke",
        side: "left",
        set: 1,
        cleared: { week: 1, says: "Arm to navel height, not pulled on. Standing at the rail with the right hand." },
      },
      { rule: "oneSidedWeakness", side: "left", set: 1 },
    ],
    caps: [
      {
        limit: { channel: "handHeight", side: "left", limit: "navel" },
        reason: "left shoulder after a stroke",
        source: "the clinic",
        strength: "absolute",
        set: 1,
      },
      {
        limit: { channel: "barredFeature", limit: "holdsWithLeft" },
        reason: "weak left hand",
        source: "the clinic",
        strength: "absolute",
        set: 1,
      },
      {
        limit: { channel: "steadiness", limit: 3 },
        reason: "one-sided weakness",
        source: "the clinic",
        strength: "absolute",
        set: 1,
      },
    ],
    oneLeg: { left: { first: 4, last: 1.8 }, right: { first: 12, last: 7 } },
    missed: [5, 10, 12],
    signs: [
      { week: 6, movementId: "shift-and-press", sign: "rested" },
      { week: 11, movementId: "side-weight-shift", sign: "wobbled", found: "Tired that day, slept badly." },
      { week: 13, movementId: "shift-and-press", sign: "wobbled" },
    ],
  },
  {
    person: person("Tomasz", 1933, 167, 72, "frame outdoors", "Tires; a seat behind him always."),
    groups,
    stand: "sideBySide",
    released: 0,
    about: {
      aids: ["frame"],
      hopes: "Not to be a burden.",
      mayTouch: "yes",
      mayWrite: "yes",
      medicines: ["betaBlocker", "anticoagulant"],
      kinName: "His daughter Ewa",
      kinPhone: "555 0109",
      facts: { resuscitation: "wishes are in the red folder at home; ask Ewa" },
    },
    limitations: [{ rule: "recentFall", kind: "one", weeksBefore: -6, set: 8 }],
    caps: [
      {
        limit: { channel: "standingMinutes", limit: 12 },
        reason: "tires on his feet",
        source: "own word",
        strength: "firm",
        set: 1,
      },
      {
        limit: { channel: "oneLegSeconds", side: "both", limit: 0 },
        reason: "fall at home, unhurt",
        source: "Ines",
        strength: "firm",
        set: 8,
      },
    ],
    oneLeg: { left: { first: 5, last: 4 }, right: { first: 5.5, last: 4.4 } },
    missed: [8],
    signs: [
      { week: 2, movementId: "side-weight-shift", sign: "rested" },
      { week: 10, movementId: "lift-and-part", sign: "rested" },
    ],
  },
  {
    person: person("Wenna", 1950, 162, 78, "", "Broke the left ankle in 2023; shoes with a heel help."),
    groups,
    stand: "oneLeg",
    released: 0,
    about: { hopes: "Heels at Christmas.", mayTouch: "yes", mayWrite: "yes" },
    measured: [
      { range: "dorsiflexion", side: "left", how: "painFree", value: 10 },
      { range: "dorsiflexion", side: "right", how: "painFree", value: 18 },
    ],
    limitations: [{ rule: "stiffAnkle", side: "left", set: 4 }],
    oneLeg: { left: { first: 10, last: 12 }, right: { first: 16, last: 17 } },
    missed: [13],
    signs: [],
  },
];

const ARRIVING: readonly DemoPlanItem[] = [
  ["settling-breath", 8],
  ["open-and-gather", 6],
];
const SETTLING: readonly DemoPlanItem[] = [
  ["warm-hands-warm-face", 6],
  ["gather-and-close", 8],
];

/** What was taught in a week: something new every other week, with a recap of what came before. */
function blocksOfWeek(week: number): readonly DemoPlanItem[] {
  const flow: DemoPlanItem[] = [
    ["side-weight-shift", week < 6 ? 6 : 8],
    ["heels-up", 8],
    ["scoop-and-lift", 6],
  ];
  if (week < 6) flow.push(["slow-punch", 8]);
  if (week >= 2) flow.push(["waves-with-both-hands", 6]);
  if (week >= 3) flow.push(["lift-and-part", week < 8 ? 6 : 8]);
  if (week >= 4) flow.push(["shift-and-press", week < 9 ? 5 : 8]);
  if (week >= 6) flow.push(["one-leg-toe-near", week < 10 ? 3 : 5]);
  if (week >= 10) flow.push(["step-ahead-and-home", 4]);
  const loosening: DemoPlanItem[] = [
    ["shoulder-circles", 8],
    ["look-over-shoulder", week < 6 ? 4 : week < 10 ? 6 : 8],
    ["trunk-turn", 6],
  ];
  if (week >= 2) loosening.push(["hips-draw-circle", week < 10 ? 6 : 7]);
  return [...ARRIVING, ...loosening, ...flow, ...SETTLING];
}

/** Effort of a week's class, 0 to 10, and what the instructor wrote. */
function endingOfWeek(week: number): { effort: number; note: string } {
  const notes: Record<number, string> = {
    1: "Everyone found their chair and their rail. Names learnt.",
    5: "Press went well on the right, less on the left. Marit's shoulder spoke up.",
    8: "Tomasz fell at home on Sunday, unhurt, and stayed away. Rang him.",
    10: "Added a second round of shoulders before the close; it was wanted.",
    13: "One leg quieter than last week. Bela and Ruud wobbled, both at the rail.",
    14: "Calm. Next time: ask Marit how the shoulder is.",
  };
  return { effort: week < 5 ? 3 : week < 10 ? 4 : 5, note: notes[week] ?? "" };
}

/** Weeks in which the one-leg stand was tested. */
export const TEST_WEEKS: readonly number[] = [1, 3, 5, 7, 9, 11, 13];

export const WEDNESDAY_FOOTING: DemoProgramme = {
  group: "wednesday",
  name: "Wednesday Footing",
  place: "the hall, rail along one wall",
  weekday: 3,
  hour: 10,
  minute: 30,
  minutes: 40,
  seatedOnly: false,
  inWater: false,
  helpers: 1,
  breathSeconds: 9,
  purpose: "steadiness",
  blocks: blocksOfWeek,
  ending: endingOfWeek,
};
