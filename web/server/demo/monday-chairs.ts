import { WHOLE } from "@able-tide/core/body/build";
import { type DemoPerson, type DemoProgramme, person } from "./demo-person.ts";

const groups = ["monday"] as const;

/** Eleven made-up people who sit: two in wheelchairs, one with one usable arm, one who is ninety-two and has many limits. */
export const CHAIRS: readonly DemoPerson[] = [
  {
    person: person("Aune", 1934, 149, 52, "frame, hearing aid", "Sharp as a tack; likes to be asked last."),
    groups,
    about: {
      hopes: "To reach the tea caddy again.",
      mayTouch: "yes",
      mayWrite: "yes",
      kinName: "Her niece Jo",
      kinPhone: "555 0141",
      medicines: ["betaBlocker"],
      facts: { bloodThinner: "takes a blood thinner: a knock on the head is an emergency" },
    },
    limitations: [
      { rule: "spinalStenosis", set: 1 },
      { rule: "kneeArthritis", side: "both", set: 12 },
      { rule: "lowPressureOnStanding", set: 1 },
      { rule: "bloodThinners", set: 1 },
      { rule: "hearingLoss", set: 1 },
      { rule: "handArthritis", side: "right", set: 3 },
    ],
    stand: "none",
    released: 0,
    missed: [4, 12],
    signs: [{ week: 9, movementId: "march-opposite-hand", sign: "rested" }],
    lighter: [9],
  },
  {
    person: person("Eskil", 1945, 178, 84, "wheelchair, left leg ends above the knee", "Sailed for forty years. Strong arms.", {
      wheelchair: true,
      legs: [{ kind: "absent", from: "upper", prosthesis: false }, WHOLE],
    }),
    groups,
    about: { hopes: "Back into the small boat.", mayTouch: "ask", mayWrite: "yes", equipment: "own cushion" },
    limitations: [{ rule: "wheelchair", kind: "other", set: 1 }],
    stand: "none",
    released: 0,
    missed: [6],
  },
  {
    person: person("Ilse", 1936, 156, 81, "stick", "Never complains; look at her face."),
    groups,
    about: { hopes: "The stairs to her bedroom.", mayWrite: "yes", kinName: "Her son Piet", kinPhone: "555 0163" },
    limitations: [
      { rule: "hipArthritis", side: "both", set: 11 },
      { rule: "frailty", set: 1 },
    ],
    stand: "sideBySide",
    released: 0,
    missed: [2, 3],
    signs: [{ week: 5, movementId: "march-opposite-hand", sign: "pain" }],
  },
  {
    person: person("Jory", 1943, 173, 70, "stick", "Freezes at the door sill; a count of three helps."),
    groups,
    about: {
      hopes: "To sign his own name so that it can be read.",
      mayTouch: "yes",
      mayWrite: "yes",
      medicines: ["parkinsons"],
      medicineTimes: "8:00, 12:00, 16:00 and 20:00",
    },
    limitations: [{ rule: "parkinsons", set: 1 }],
    stand: "semiTandem",
    released: 0,
    missed: [8],
  },
  {
    person: person("Maive", 1938, 161, 58, "", "Knows every song. Sits by the same window."),
    groups,
    about: { hopes: "Company.", mayTouch: "yes", mayWrite: "no", kinName: "Her daughter Lise", kinPhone: "555 0118" },
    limitations: [{ rule: "memoryLoss", set: 1 }],
    stand: "semiTandem",
    released: 0,
  },
  {
    person: person("Noor", 1950, 165, 69, "sling for the left arm", "One usable arm since an accident at sea.", {
      arms: [{ kind: "still" }, WHOLE],
    }),
    groups,
    about: { hopes: "To be in the same movement as everybody.", mayTouch: "ask", mayWrite: "yes" },
    caps: [
      {
        limit: { channel: "barredFeature", limit: "holdsWithLeft" },
        reason: "the left arm does not move",
        source: "own word",
        strength: "firm",
        set: 1,
      },
    ],
    stand: "tandem",
    released: 0,
    missed: [10],
  },
  {
    person: person("Petra", 1947, 158, 63, "oxygen on a small trolley", "Two breaths to everybody's one, and proud of it."),
    groups,
    about: {
      hopes: "To the market and back without a stop.",
      mayWrite: "yes",
      equipment: "oxygen",
      facts: { inhaler: "blue inhaler in the front pocket of the trolley" },
    },
    limitations: [{ rule: "lungDisease", kind: "oxygen", set: 1 }],
    stand: "sideBySide",
    released: 0,
    missed: [7, 13],
    signs: [{ week: 6, movementId: "waves-with-both-hands", sign: "rested" }],
    lighter: [6, 12],
  },
  {
    person: person("Quill", 1941, 170, 88, "", "Tells when he has had enough, if asked."),
    groups,
    lookedAfter: true,
    about: {
      hopes: "To carry his grandson, once.",
      mayWrite: "yes",
      medicines: ["betaBlocker"],
      kinName: "His wife Ans",
      kinPhone: "555 0127",
      facts: { spray: "spray in his left shirt pocket, he takes it himself" },
    },
    limitations: [
      {
        rule: "heartDisease",
        set: 1,
        cleared: { week: 1, says: "Seated class twice a week is fine, effort to 4, no breath-holding. Not in the pool for now." },
      },
      { rule: "atrialFibrillation", set: 1 },
    ],
    caps: [
      {
        limit: { channel: "barredForm", limit: "water" },
        reason: "heart, not in the pool for now",
        source: "the clinic",
        strength: "absolute",
        set: 1,
        until: 20,
      },
    ],
    stand: "semiTandem",
    released: 0,
    missed: [11],
  },
  {
    person: person("Rohese", 1951, 168, 72, "", "Pays for a good day with two bad ones."),
    groups,
    about: { hopes: "A whole week without a crash.", mayWrite: "yes" },
    limitations: [{ rule: "fatigueAfterExertion", set: 2 }],
    stand: "tandem",
    released: 0,
    missed: [3, 9, 10],
    lighter: [4, 11],
  },
  {
    person: person("Sanna", 1944, 152, 49, "", "Bent over the garden too long; hinges beautifully now."),
    groups,
    about: { hopes: "To stand straight at the wedding.", mayTouch: "ask", mayWrite: "yes" },
    limitations: [
      { rule: "osteoporosis", set: 1 },
      { rule: "spinalFracture", weeksBefore: 60, note: "healed", set: 1 },
    ],
    stand: "tandem",
    released: 0,
    missed: [5],
  },
  {
    person: person("Tamsin", 1949, 167, 61, "wheelchair", "Rowed before; wants it hard, gets it steady.", { wheelchair: true }),
    groups,
    about: {
      hopes: "To lift herself onto the quay.",
      mayTouch: "ask",
      mayWrite: "yes",
      kinName: "Her partner Bo",
      kinPhone: "555 0150",
    },
    limitations: [{ rule: "wheelchair", kind: "cordBelow", set: 1 }],
    stand: "none",
    released: 0,
    missed: [1],
  },
];

export const MONDAY_CHAIRS: DemoProgramme = {
  group: "monday",
  name: "Monday Chairs",
  place: "the hall, chairs in a half circle",
  weekday: 1,
  hour: 14,
  minute: 0,
  minutes: 35,
  seatedOnly: true,
  breathSeconds: 8,
  purpose: "neckAndShoulders",
  blocks: (week) => [
    ["settling-breath", 8],
    ["open-and-gather", 8],
    ["shoulder-circles", 8],
    ["look-over-shoulder", 5],
    ["leg-reach-toe-draw", 4],
    ...(week >= 4 ? ([["fist-and-open", 6]] as const) : []),
    ["scoop-and-lift", 8],
    ["heels-up", 8],
    ["slow-punch", 8],
    ...(week >= 2 ? ([["turn-the-ball", 6]] as const) : []),
    ...(week >= 3 ? ([["waves-with-both-hands", 6]] as const) : []),
    ...(week >= 5 ? ([["march-opposite-hand", 6]] as const) : []),
    ...(week >= 8 ? ([["press-then-open", 5]] as const) : []),
    ["warm-hands-warm-face", 5],
    ["gather-and-close", 8],
  ],
  ending: (week) => ({
    effort: week < 6 ? 3 : 4,
    note:
      week === 7
        ? "Petra away with her chest. The half circle works better than rows."
        : week === 14
          ? "Maive led the last breath."
          : "",
  }),
};
