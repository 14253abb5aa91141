import type { CheckIn, Outcome } from "./answers.ts";
import { type BodyPart, partLabel } from "./body-parts.ts";
import type { CapLimit } from "./cap.ts";
import { PAIN_PLACES } from "./pain-map.ts";

/** What one answer does to the day. Factors 0 to 1; steadiness is how much less is asked. */
export interface DayAnswer {
  readonly words: string;
  readonly amounts: number;
  readonly range: number;
  /** Where something hurts: the part has factors of its own. */
  readonly there?: { readonly part: BodyPart; readonly amounts: number; readonly range: number };
  readonly steadiness: number;
  /** Share of the time with the hands up that is left. */
  readonly handsUp: number;
  readonly outcome: Outcome;
  readonly limits: readonly CapLimit[];
  readonly also: string;
  readonly source: string;
}

type Row = {
  /** What the row is about, as the table on screen names it. */
  readonly about: string;
  /** The row in words. */
  readonly proposes: string;
  readonly read: (answers: CheckIn) => readonly DayAnswer[];
};

const USUAL: Omit<DayAnswer, "words"> = {
  amounts: 1,
  range: 1,
  steadiness: 0,
  handsUp: 1,
  outcome: "class",
  limits: [],
  also: "",
  source: "usual practice",
};
const answer = (words: string, more: Partial<DayAnswer>): DayAnswer => ({ ...USUAL, words, ...more });
const when = (condition: boolean, words: string, more: Partial<DayAnswer>): readonly DayAnswer[] =>
  condition ? [answer(words, more)] : [];

/** Legs and back carry a person: pain there asks less of steadiness. */
const CARRIES: readonly BodyPart[] = ["back", "leftLeg", "rightLeg"];

const HEAD_QUIET: readonly CapLimit[] = [
  { channel: "barredFeature", limit: "lookingUpWithTurn" },
  { channel: "barredFeature", limit: "headBelowHeart" },
  { channel: "handHeight", side: "both", limit: "crown" },
  { channel: "motion", motion: "neckExtension", side: "both", limit: 10 },
  { channel: "heldStanding" },
];

/** The part of the body that a pain is in, and where on it. */
function placeOf(name: CheckIn["pains"][number]["part"]): {
  readonly part: BodyPart;
  readonly where: string;
  readonly alarm: boolean;
} {
  const place = PAIN_PLACES.find((each) => each.name === name);
  if (place) return { part: place.part, where: place.label, alarm: place.alarm };
  return { part: name as BodyPart, where: partLabel(name as BodyPart), alarm: false };
}

/** Pain from which a hand holds on to nothing. */
const NO_HOLD_FROM = 4;
/** So much above the own usual, a pain is worse than usual. */
const WORSE = 2;

const handOf = { leftArm: "left", rightArm: "right" } as const;
const HOLDS_WITH = { left: "holdsWithLeft", right: "holdsWithRight" } as const;
const noHolding = (side: "left" | "right"): CapLimit => ({ channel: "barredFeature", limit: HOLDS_WITH[side] });

/** A sore arm never holds on, nor does a hand that they cannot lean on today. */
function holdingRow({ pains, leans }: CheckIn): readonly DayAnswer[] {
  const sides = (["left", "right"] as const).filter((side) => {
    const sore = pains.some(({ part, now, usual }) => {
      const arm = placeOf(part).part;
      return (arm === "leftArm" || arm === "rightArm") && handOf[arm] === side && (now >= NO_HOLD_FROM || now >= usual + WORSE);
    });
    return sore || leans?.[side] === false;
  });
  return sides.map((side) =>
    answer(`no leaning on the ${side} hand`, { limits: [noHolding(side)], also: `the ${side} hand holds on to nothing` }),
  );
}

/** Pain where it may be a sign to stop: its questions decide, not its number. */
function alarmRow({ pains }: CheckIn): readonly DayAnswer[] {
  return pains.flatMap(({ part, alarm }) => {
    const { where, alarm: asks } = placeOf(part);
    if (!asks) return [];
    if (alarm === "yes")
      return [
        answer(`pain, ${where}, with a sign to stop`, { outcome: "sitOut", also: "stop; call for help by the emergency card" }),
      ];
    if (alarm === "no") return [answer(`pain, ${where}`, { outcome: "askFirst", also: "the signs to stop were asked about" })];
    return [answer(`pain, ${where}`, { outcome: "hold", also: "ask about the signs to stop before anything" })];
  });
}

function painRow({ pains }: CheckIn): readonly DayAnswer[] {
  return pains.flatMap(({ part: place, now, usual, fresh }) => {
    const { part, where } = placeOf(place);
    if ((now >= 7 && now > usual) || fresh === "night")
      return [
        answer(`strong pain, ${where}`, {
          amounts: 0.5,
          there: { part, amounts: 0, range: 0 },
          steadiness: 2,
          outcome: fresh === "no" ? "seated" : "hold",
          also: fresh === "no" ? "seated, and that part rests" : "new: not today before it is looked at",
        }),
      ];
    if (now >= usual + WORSE || (fresh === "new" && now >= 4))
      return [
        answer(`more pain than usual, ${where}`, {
          amounts: 0.8,
          there: { part, amounts: 0.5, range: 0.7 },
          steadiness: CARRIES.includes(part) ? 1 : 0,
          also: "pain-free only",
        }),
      ];
    return [];
  });
}

/** The day's answers and what each does. On each channel the smallest factor wins. */
export const DAY_ANSWERS: readonly Row[] = [
  {
    about: "Lighter today",
    proposes: "amounts .7, range .9, steadiness 1 less, a seat behind",
    read: ({ overall }) =>
      when(overall === "lighter", "lighter today", { amounts: 0.7, range: 0.9, steadiness: 1, also: "a seat behind" }),
  },
  {
    about: "Sits out",
    proposes: "no forms today",
    read: ({ overall }) => when(overall === "sitOut", "sits out today", { outcome: "sitOut" }),
  },
  {
    about: "Pain 2 above their usual, or new 4 to 6",
    proposes: "there amounts .5 and range .7, amounts .8 else, steadiness 1 less for leg and back, pain-free only",
    read: (answers) => painRow(answers).filter(({ amounts }) => amounts === 0.8),
  },
  {
    about: "Pain 7 or more and above their usual, or new at night",
    proposes: "that part rests, amounts .5 else, steadiness 2 less, seated; new: not today",
    read: (answers) => painRow(answers).filter(({ amounts }) => amounts === 0.5),
  },
  {
    about: "Pain of 4 or more, or 2 above the usual, in an arm; or they cannot lean on that hand today",
    proposes: "that hand holds on to nothing",
    read: holdingRow,
  },
  {
    about: "Pain in the chest, jaw, head, belly or a calf",
    proposes: "the signs to stop are asked about first; any of them: stop, sit out; none: ask before anything",
    read: alarmRow,
  },
  {
    about: "Dizzy earlier, settled",
    proposes: "amounts .7, neck range .5, steadiness 1.5 less, no looking up, no head-down, no hand overhead, with a hold",
    read: ({ dizziness }) =>
      when(dizziness === "settled", "dizzy earlier, settled", {
        amounts: 0.7,
        there: { part: "neck", amounts: 0.7, range: 0.5 },
        steadiness: 1.5,
        limits: HEAD_QUIET,
        also: "rail in reach",
      }),
  },
  {
    about: "Dizzy now",
    proposes: "hold; blood pressure, then seated at half or stop",
    read: ({ dizziness }) =>
      when(dizziness === "now", "dizzy now", {
        amounts: 0.5,
        outcome: "hold",
        also: "take the blood pressure; then seated at half, or stop",
      }),
  },
  {
    about: "More breathless than usual",
    proposes: "amounts .6, steadiness 1 less, effort at most 3, arms up half the time",
    read: ({ breath }) =>
      when(breath === "more", "more breathless than usual", {
        amounts: 0.6,
        steadiness: 1,
        handsUp: 0.5,
        limits: [{ channel: "effort", limit: 3 }],
      }),
  },
  {
    about: "Cannot finish a sentence",
    proposes: "stop",
    read: ({ breath }) =>
      when(breath === "noSentence", "cannot finish a sentence", { outcome: "sitOut", also: "stop; tell the clinician" }),
  },
  {
    about: "A bad night",
    proposes: "amounts .85, steadiness .5 less",
    read: ({ sleep }) => when(sleep === "badNight", "a bad night", { amounts: 0.85, steadiness: 0.5 }),
  },
  {
    about: "Two bad nights, or a new sedative",
    proposes: "amounts .7, steadiness 1 less",
    read: ({ sleep }) => when(sleep === "twoBadNights", "two bad nights or a new sedative", { amounts: 0.7, steadiness: 1 }),
  },
  {
    about: "Fatigue 4 to 6",
    proposes: "amounts .8, steadiness .5 less",
    read: ({ fatigue }) => when(fatigue !== undefined && fatigue >= 4 && fatigue < 7, "tired", { amounts: 0.8, steadiness: 0.5 }),
  },
  {
    about: "Fatigue 7 and over",
    proposes: "amounts .5, steadiness 2 less, seated",
    read: ({ fatigue }) =>
      when(fatigue !== undefined && fatigue >= 7, "very tired", { amounts: 0.5, steadiness: 2, outcome: "seated" }),
  },
  {
    about: "A near-fall",
    proposes: "amounts .9, steadiness .5 less until re-tested",
    read: ({ fall }) =>
      when(fall === "nearFall", "a near-fall since last time", { amounts: 0.9, steadiness: 0.5, also: "re-test" }),
  },
  {
    about: "One explained fall, unhurt",
    proposes: "amounts .9, steadiness 1 less until re-tested",
    read: ({ fall }) =>
      when(fall === "oneUnhurt", "a fall since last time, unhurt", { amounts: 0.9, steadiness: 1, also: "re-test" }),
  },
  {
    about: "A fall that was worse",
    proposes: "hold",
    read: ({ fall }) =>
      when(fall === "worse", "a fall since last time", { outcome: "hold", also: "not before the clinician knows" }),
  },
  {
    about: "Medicine changed within 7 days",
    proposes: "amounts .8, steadiness 1 less, one change at a time",
    read: ({ medicine }) =>
      when(medicine === "changed", "medicine changed this week", { amounts: 0.8, steadiness: 1, also: "one change at a time" }),
  },
  {
    about: "A Parkinson's dose wearing off",
    proposes: "amounts .7, steadiness 2 less",
    read: ({ medicine }) => when(medicine === "wearingOff", "the dose is wearing off", { amounts: 0.7, steadiness: 2 }),
  },
  {
    about: "First class back after illness",
    proposes: "amounts .6, steadiness 1 less",
    read: ({ illness }) => when(illness === "firstClassBack", "first class back after illness", { amounts: 0.6, steadiness: 1 }),
  },
  {
    about: "Second class back after illness",
    proposes: "amounts .8, steadiness .5 less",
    read: ({ illness }) =>
      when(illness === "secondClassBack", "second class back after illness", { amounts: 0.8, steadiness: 0.5 }),
  },
];
