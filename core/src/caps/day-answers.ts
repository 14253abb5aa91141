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
  source: "common practice",
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
    if (alarm === "no") return [answer(`pain, ${where}`, { outcome: "askFirst", also: "emergency signs were asked about" })];
    return [answer(`pain, ${where}`, { outcome: "hold", also: "ask about emergency signs first" })];
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
          also: fresh === "no" ? "seated; that part rests" : "new pain: not today until it has been assessed",
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
    proposes: "Dose 70%, range 90%, balance demand cap 1 point lower, chair behind",
    read: ({ overall }) =>
      when(overall === "lighter", "lighter today", { amounts: 0.7, range: 0.9, steadiness: 1, also: "a seat behind" }),
  },
  {
    about: "Not taking part",
    proposes: "no movements today",
    read: ({ overall }) => when(overall === "sitOut", "not taking part today", { outcome: "sitOut" }),
  },
  {
    about: "Pain 2 above usual, or new pain 4 to 6",
    proposes:
      "that area: dose 50%, range 70%; elsewhere dose 80%; balance demand cap 1 point lower for leg and back; pain-free only",
    read: (answers) => painRow(answers).filter(({ amounts }) => amounts === 0.8),
  },
  {
    about: "Pain 7 or more and above usual, or new pain at night",
    proposes: "That part rests; dose 50% elsewhere; balance demand cap 2 points lower; seated. New pain: not taking part today",
    read: (answers) => painRow(answers).filter(({ amounts }) => amounts === 0.5),
  },
  {
    about: "Pain of 4 or more, or 2 above usual, in an arm; or cannot lean on that hand today",
    proposes: "no support with that hand",
    read: holdingRow,
  },
  {
    about: "Pain in the chest, jaw, head, belly or a calf",
    proposes: "ask about emergency signs first; any of them: stop, not taking part today; none: ask before starting",
    read: alarmRow,
  },
  {
    about: "Dizzy earlier, now settled",
    proposes:
      "Dose 70%, neck range 50%, balance demand cap 1.5 points lower; no looking up, head-down or overhead positions; with support",
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
    proposes: "Wait; take blood pressure; then seated at 50% dose, or stop",
    read: ({ dizziness }) =>
      when(dizziness === "now", "dizzy now", {
        amounts: 0.5,
        outcome: "hold",
        also: "take blood pressure; then seated at 50% dose, or stop",
      }),
  },
  {
    about: "More breathless than usual",
    proposes: "Dose 60%, balance demand cap 1 point lower, effort up to 3 out of 10, arms up for half the time",
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
    about: "One bad night",
    proposes: "Dose 85%, balance demand cap 0.5 points lower",
    read: ({ sleep }) => when(sleep === "badNight", "a bad night", { amounts: 0.85, steadiness: 0.5 }),
  },
  {
    about: "Two bad nights, or a new sedative",
    proposes: "Dose 70%, balance demand cap 1 point lower",
    read: ({ sleep }) => when(sleep === "twoBadNights", "two bad nights or a new sedative", { amounts: 0.7, steadiness: 1 }),
  },
  {
    about: "Fatigue 4 to 6",
    proposes: "Dose 80%, balance demand cap 0.5 points lower",
    read: ({ fatigue }) => when(fatigue !== undefined && fatigue >= 4 && fatigue < 7, "tired", { amounts: 0.8, steadiness: 0.5 }),
  },
  {
    about: "Fatigue 7 and over",
    proposes: "Dose 50%, balance demand cap 2 points lower, seated",
    read: ({ fatigue }) =>
      when(fatigue !== undefined && fatigue >= 7, "very tired", { amounts: 0.5, steadiness: 2, outcome: "seated" }),
  },
  {
    about: "A near-fall",
    proposes: "Dose 90%, balance demand cap 0.5 points lower until re-tested",
    read: ({ fall }) =>
      when(fall === "nearFall", "near-fall since last time", { amounts: 0.9, steadiness: 0.5, also: "re-test" }),
  },
  {
    about: "One explained fall, unhurt",
    proposes: "Dose 90%, balance demand cap 1 point lower until re-tested",
    read: ({ fall }) =>
      when(fall === "oneUnhurt", "one fall since last time, unhurt", { amounts: 0.9, steadiness: 1, also: "re-test" }),
  },
  {
    about: "A fall with injury, unknown cause or blackout, or more than one fall",
    proposes: "hold",
    read: ({ fall }) =>
      when(fall === "worse", "a fall since last time", { outcome: "hold", also: "not until the clinician has been informed" }),
  },
  {
    about: "Medicine changed within 7 days",
    proposes: "Dose 80%, balance demand cap 1 point lower; change one thing at a time",
    read: ({ medicine }) =>
      when(medicine === "changed", "medicine changed this week", { amounts: 0.8, steadiness: 1, also: "one change at a time" }),
  },
  {
    about: "A Parkinson's dose wearing off",
    proposes: "Dose 70%, balance demand cap 2 points lower",
    read: ({ medicine }) => when(medicine === "wearingOff", "the dose is wearing off", { amounts: 0.7, steadiness: 2 }),
  },
  {
    about: "First class back after illness",
    proposes: "Dose 60%, balance demand cap 1 point lower",
    read: ({ illness }) => when(illness === "firstClassBack", "first class back after illness", { amounts: 0.6, steadiness: 1 }),
  },
  {
    about: "Second class back after illness",
    proposes: "Dose 80%, balance demand cap 0.5 points lower",
    read: ({ illness }) =>
      when(illness === "secondClassBack", "second class back after illness", { amounts: 0.8, steadiness: 0.5 }),
  },
];
