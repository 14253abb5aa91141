import { USUAL_BODY } from "@able-tide/core/body/build";
import type { CapLimit } from "@able-tide/core/caps/cap";
import type { Sign } from "@able-tide/core/class/events";
import type { Side } from "@able-tide/core/side";
import type { CapInput } from "../people/caps.ts";
import type { PersonInput } from "../people/people.ts";

/** Weeks of sessions behind the demo's today; week 1 is the first. */
export const WEEKS = 14;

/** A cap by week: set in one, perhaps with a date and an end in others. */
interface DemoCap {
  readonly limit: CapLimit;
  readonly reason: string;
  readonly source: string;
  readonly strength: CapInput["strength"];
  readonly set: number;
  readonly until?: number;
  readonly ended?: { readonly week: number; readonly because: string };
}

export interface DemoPerson {
  readonly person: Omit<PersonInput, "groupIds">;
  readonly caps: readonly DemoCap[];
  /** Seconds on each leg at the first and the last test; what lies between follows, with each day's own luck. */
  readonly oneLeg: Readonly<Record<Side, { readonly first: number; readonly last: number }>>;
  readonly missed: readonly number[];
  readonly signs: readonly { readonly week: number; readonly movementId: string; readonly sign: Sign }[];
}

const person = (
  name: string,
  birthYear: number,
  statureCentimetres: number,
  massKilograms: number,
  uses: string,
  notes: string,
): DemoPerson["person"] => ({ name, birthYear, statureCentimetres, massKilograms, measured: USUAL_BODY, uses, notes });

/** Ten made-up people. Two clearly improve, one declines, one falls, one has a flare, one limit's date has passed. */
export const PEOPLE: readonly DemoPerson[] = [
  {
    person: person("Amahle", 1961, 168, 74, "", "Wants to walk the cliff path again."),
    caps: [],
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
      { week: 3, movementId: "side-weight-shift", sign: "wobbled" },
      { week: 8, movementId: "shift-and-press", sign: "rested" },
      { week: 13, movementId: "one-leg-toe-near", sign: "wobbled" },
    ],
  },
  {
    person: person("Dov", 1948, 176, 82, "", "Likes to know the reason for everything."),
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
      { week: 8, movementId: "trunk-turn", sign: "pain" },
      { week: 9, movementId: "trunk-turn", sign: "pain" },
    ],
  },
  {
    person: person("Henrike", 1944, 159, 71, "", "Left hip is worst in the morning."),
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
    caps: [
      {
        limit: { channel: "handHeight", side: "right", limit: "shoulder" },
        reason: "sore right shoulder",
        source: "the clinic",
        strength: "firm",
        set: 6,
        until: 13,
      },
    ],
    oneLeg: { left: { first: 18, last: 21 }, right: { first: 17, last: 20 } },
    missed: [7],
    signs: [{ week: 5, movementId: "lift-and-part", sign: "pain" }],
  },
  {
    person: person("Osei", 1953, 181, 88, "", "Came after a fall on the quay; would like to dance at a wedding in spring."),
    caps: [
      {
        limit: { channel: "steadiness", limit: 3.5 },
        reason: "newcomer, before the first test",
        source: "usual practice",
        strength: "firm",
        set: 1,
        ended: { week: 4, because: "Three quiet sessions and ten seconds on each leg." },
      },
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
    signs: [{ week: 10, movementId: "one-leg-toe-near", sign: "wobbled" }],
  },
  {
    person: person("Pilar", 1946, 153, 59, "glasses", "Reads lips: face her."),
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
    signs: [{ week: 1, movementId: "lift-and-part", sign: "dizzy" }],
  },
  {
    person: person("Ruud", 1942, 174, 90, "left arm in a sling when walking", "Stroke in 2021. Support on the right."),
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
      { week: 11, movementId: "side-weight-shift", sign: "wobbled" },
      { week: 13, movementId: "shift-and-press", sign: "wobbled" },
    ],
  },
  {
    person: person("Tomasz", 1933, 167, 72, "frame outdoors", "Tires; a seat behind him always."),
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
    caps: [
      {
        limit: { channel: "dorsiflexion", side: "left", limit: 10 },
        reason: "stiff left ankle",
        source: "Ines, who measured it standing",
        strength: "firm",
        set: 1,
        until: 16,
      },
    ],
    oneLeg: { left: { first: 10, last: 12 }, right: { first: 16, last: 17 } },
    missed: [13],
    signs: [],
  },
];

type DemoBlock = readonly [movementId: string, rounds: number];

const OPENING: readonly DemoBlock[] = [
  ["settling-breath", 8],
  ["shoulder-circles", 8],
  ["trunk-turn", 10],
];
const CLOSING: readonly DemoBlock[] = [["gather-and-close", 10]];

/** What was taught in a week: something new every other week, with a recap of what came before. */
export function blocksOfWeek(week: number): readonly DemoBlock[] {
  const middle: DemoBlock[] = [["side-weight-shift", week < 6 ? 6 : 8]];
  if (week >= 3) middle.push(["lift-and-part", week < 8 ? 6 : 8]);
  if (week >= 4) middle.push(["shift-and-press", week < 9 ? 5 : 8]);
  if (week >= 6) middle.push(["one-leg-toe-near", week < 10 ? 3 : 5]);
  if (week >= 8) middle.push(["side-weight-shift", 6]);
  if (week >= 10) middle.push(["shoulder-circles", 6]);
  return [...OPENING, ...middle, ...CLOSING];
}

/** Effort of a week's class, 0 to 10, and what the instructor wrote. */
export function endingOfWeek(week: number): { effort: number; note: string } {
  const notes: Record<number, string> = {
    1: "Everybody found their chair and their rail. Names learnt.",
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
