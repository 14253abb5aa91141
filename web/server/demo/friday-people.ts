import { type DemoPerson, person } from "./demo-person.ts";

const groups = ["friday"] as const;

/** Five made-up people who come to the pool alone; three more come from the other groups. */
export const FRIDAY_PEOPLE: readonly DemoPerson[] = [
  {
    person: person("Brannoc", 1958, 175, 86, "two crutches", "New hip on the left; the surgeon's letter is on its way."),
    groups,
    lookedAfter: true,
    about: {
      hopes: "The lighthouse steps by summer.",
      mayTouch: "ask",
      mayWrite: "yes",
      kinName: "His brother Jago",
      kinPhone: "555 0192",
    },
    limitations: [{ rule: "hipReplacement", side: "left", kind: "posterior", weeksBefore: -9, set: 14 }],
    stand: "none",
    released: null,
  },
  {
    person: person("Delwyn", 1965, 164, 60, "stick on bad days", "Heat takes her legs away."),
    groups,
    about: { hopes: "To keep the dog.", mayTouch: "yes", mayWrite: "yes" },
    limitations: [{ rule: "multipleSclerosis", set: 4 }],
    stand: "semiTandem",
    released: 8,
  },
  {
    person: person("Fenna", 1949, 160, 75, "sleeve on the right arm", "Right knee new in spring, right arm swells."),
    groups,
    about: { hopes: "Kneeling at the flower bed.", mayTouch: "ask", mayWrite: "yes" },
    limitations: [
      { rule: "protectedArm", side: "right", set: 5 },
      { rule: "kneeReplacement", side: "right", weeksBefore: 20, set: 5 },
    ],
    measured: [{ range: "kneeFlexion", side: "right", how: "painFree", value: 105 }],
    stand: "tandem",
    released: 0,
  },
  {
    person: person("Ottilie", 1955, 171, 68, "", "Wants someone she knows within reach."),
    groups,
    about: {
      hopes: "To float without holding on.",
      waterEquipment: "floats",
      mayTouch: "yes",
      mayWrite: "yes",
      facts: { seizures: "last one 2024; lie on the side, time it, ring after 5 minutes" },
    },
    limitations: [
      { rule: "epilepsy", kind: "settled", set: 6 },
      { rule: "fearOfFalling", set: 13 },
    ],
    stand: "tandem",
    released: 0,
  },
  {
    person: person("Vesa", 1939, 169, 77, "glasses off in the pool", "Follows voices."),
    groups,
    about: { hopes: "To swim a length before he is ninety.", mayTouch: "yes", mayWrite: "yes" },
    limitations: [
      { rule: "eyePressure", kind: "glaucoma", weeksBefore: 200, set: 6 },
      { rule: "lowVision", set: 6 },
    ],
    stand: "semiTandem",
    released: 0,
  },
];
