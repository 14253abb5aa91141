import { AS_USUAL, type CheckIn, type Outcome } from "./answers.ts";
import type { BodyPart } from "./body-parts.ts";
import type { CapLimit } from "./cap.ts";
import type { Finding, FindingName } from "./findings.ts";
import { PAIN_PLACES } from "./pain-map.ts";
import type { Source } from "./source.ts";

/** What one answer does to the day. Factors 0 to 1; `steadiness` is how many points lower the balance demand cap is. */
export interface DayAnswer {
  readonly finding: Finding;
  readonly dose: number;
  readonly range: number;
  /** Where something hurts: the part has factors of its own. */
  readonly there?: { readonly part: BodyPart; readonly dose: number; readonly range: number };
  readonly steadiness: number;
  /** Share of the time with the hands up that is left. */
  readonly handsUp: number;
  readonly outcome: Outcome;
  readonly limits: readonly CapLimit[];
  readonly source: Source;
}

/** Rows of the table of the day's answers. */
export type DayAnswerRow =
  | "lighter"
  | "notTakingPart"
  | "morePain"
  | "strongPain"
  | "soreArm"
  | "alarmPlace"
  | "dizzySettled"
  | "dizzyNow"
  | "breathless"
  | "noSentence"
  | "badNight"
  | "twoBadNights"
  | "tired"
  | "veryTired"
  | "nearFall"
  | "oneFall"
  | "worseFall"
  | "medicineChanged"
  | "wearingOff"
  | "firstClassBack"
  | "secondClassBack";

/** A row of the table: the answers it is about and what they do to the day. */
export interface DayAnswerRule {
  readonly name: DayAnswerRow;
  /** Answers that the row is about, as they differ from an ordinary day. */
  readonly example: Partial<CheckIn>;
  readonly read: (answers: CheckIn) => readonly DayAnswer[];
}

const USUAL: Omit<DayAnswer, "finding"> = {
  dose: 1,
  range: 1,
  steadiness: 0,
  handsUp: 1,
  outcome: "class",
  limits: [],
  source: "commonPractice",
};
const answer = (finding: Finding, more: Partial<DayAnswer>): DayAnswer => ({ ...USUAL, finding, ...more });
const when = (condition: boolean, name: FindingName, more: Partial<DayAnswer>): readonly DayAnswer[] =>
  condition ? [answer({ name }, more)] : [];

/** Legs and back carry a person: pain there lowers the balance demand. */
const CARRIES: readonly BodyPart[] = ["back", "leftLeg", "rightLeg"];

const HEAD_QUIET: readonly CapLimit[] = [
  { channel: "barredFeature", limit: "lookingUpWithTurn" },
  { channel: "barredFeature", limit: "headBelowHeart" },
  { channel: "handHeight", side: "both", limit: "crown" },
  { channel: "motion", motion: "neckExtension", side: "both", limit: 10 },
  { channel: "heldStanding" },
];

/** The part of the body that a pain is in, and whether pain in that place may be an emergency sign. */
function placeOf(name: CheckIn["pains"][number]["part"]): { readonly part: BodyPart; readonly alarm: boolean } {
  const place = PAIN_PLACES.find((each) => each.name === name);
  return place ? { part: place.part, alarm: place.alarm } : { part: name as BodyPart, alarm: false };
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
  return sides.map((side) => answer({ name: "noLeaning", side }, { limits: [noHolding(side)] }));
}

/** Pain where it may be a sign to stop: its questions decide, not its number. */
function alarmRow({ pains }: CheckIn): readonly DayAnswer[] {
  return pains.flatMap(({ part: place, alarm }) => {
    if (!placeOf(place).alarm) return [];
    if (alarm === "yes") return [answer({ name: "painWithSign", place }, { outcome: "sitOut" })];
    if (alarm === "no") return [answer({ name: "painWithoutSign", place }, { outcome: "askFirst" })];
    return [answer({ name: "painNotAsked", place }, { outcome: "hold" })];
  });
}

function painRow({ pains }: CheckIn): readonly DayAnswer[] {
  return pains.flatMap(({ part: place, now, usual, fresh }) => {
    const { part } = placeOf(place);
    if ((now >= 7 && now > usual) || fresh === "night")
      return [
        answer(
          { name: fresh === "no" ? "strongPain" : "newStrongPain", place },
          {
            dose: 0.5,
            there: { part, dose: 0, range: 0 },
            steadiness: 2,
            outcome: fresh === "no" ? "seated" : "hold",
          },
        ),
      ];
    if (now >= usual + WORSE || (fresh === "new" && now >= 4))
      return [
        answer(
          { name: "morePain", place },
          {
            dose: 0.8,
            there: { part, dose: 0.5, range: 0.7 },
            steadiness: CARRIES.includes(part) ? 1 : 0,
          },
        ),
      ];
    return [];
  });
}

/** The day's answers and what each does. On each channel the smallest factor wins. */
export const DAY_ANSWERS: readonly DayAnswerRule[] = [
  {
    name: "lighter",
    example: { overall: "lighter" },
    read: ({ overall }) => when(overall === "lighter", "lighter", { dose: 0.7, range: 0.9, steadiness: 1 }),
  },
  {
    name: "notTakingPart",
    example: { overall: "sitOut" },
    read: ({ overall }) => when(overall === "sitOut", "notTakingPart", { outcome: "sitOut" }),
  },
  {
    name: "morePain",
    example: { pains: [{ part: "leftKnee", now: 4, usual: 2, fresh: "no" }] },
    read: (answers) => painRow(answers).filter(({ dose }) => dose === 0.8),
  },
  {
    name: "strongPain",
    example: { pains: [{ part: "leftKnee", now: 7, usual: 2, fresh: "no" }] },
    read: (answers) => painRow(answers).filter(({ dose }) => dose === 0.5),
  },
  {
    name: "soreArm",
    example: { leans: { left: false } },
    read: holdingRow,
  },
  {
    name: "alarmPlace",
    example: { pains: [{ part: "chest", now: 1, usual: 0, fresh: "no" }] },
    read: alarmRow,
  },
  {
    name: "dizzySettled",
    example: { dizziness: "settled" },
    read: ({ dizziness }) =>
      when(dizziness === "settled", "dizzySettled", {
        dose: 0.7,
        there: { part: "neck", dose: 0.7, range: 0.5 },
        steadiness: 1.5,
        limits: HEAD_QUIET,
      }),
  },
  {
    name: "dizzyNow",
    example: { dizziness: "now" },
    read: ({ dizziness }) =>
      when(dizziness === "now", "dizzyNow", {
        dose: 0.5,
        outcome: "hold",
      }),
  },
  {
    name: "breathless",
    example: { breath: "more" },
    read: ({ breath }) =>
      when(breath === "more", "breathless", {
        dose: 0.6,
        steadiness: 1,
        handsUp: 0.5,
        limits: [{ channel: "effort", limit: 3 }],
      }),
  },
  {
    name: "noSentence",
    example: { breath: "noSentence" },
    read: ({ breath }) => when(breath === "noSentence", "noSentence", { outcome: "sitOut" }),
  },
  {
    name: "badNight",
    example: { sleep: "badNight" },
    read: ({ sleep }) => when(sleep === "badNight", "badNight", { dose: 0.85, steadiness: 0.5 }),
  },
  {
    name: "twoBadNights",
    example: { sleep: "twoBadNights" },
    read: ({ sleep }) => when(sleep === "twoBadNights", "twoBadNights", { dose: 0.7, steadiness: 1 }),
  },
  {
    name: "tired",
    example: { fatigue: 4 },
    read: ({ fatigue }) => when(fatigue !== undefined && fatigue >= 4 && fatigue < 7, "tired", { dose: 0.8, steadiness: 0.5 }),
  },
  {
    name: "veryTired",
    example: { fatigue: 7 },
    read: ({ fatigue }) =>
      when(fatigue !== undefined && fatigue >= 7, "veryTired", { dose: 0.5, steadiness: 2, outcome: "seated" }),
  },
  {
    name: "nearFall",
    example: { fall: "nearFall" },
    read: ({ fall }) => when(fall === "nearFall", "nearFall", { dose: 0.9, steadiness: 0.5 }),
  },
  {
    name: "oneFall",
    example: { fall: "oneUnhurt" },
    read: ({ fall }) => when(fall === "oneUnhurt", "oneFall", { dose: 0.9, steadiness: 1 }),
  },
  {
    name: "worseFall",
    example: { fall: "worse" },
    read: ({ fall }) => when(fall === "worse", "worseFall", { outcome: "hold" }),
  },
  {
    name: "medicineChanged",
    example: { medicine: "changed" },
    read: ({ medicine }) => when(medicine === "changed", "medicineChanged", { dose: 0.8, steadiness: 1 }),
  },
  {
    name: "wearingOff",
    example: { medicine: "wearingOff" },
    read: ({ medicine }) => when(medicine === "wearingOff", "wearingOff", { dose: 0.7, steadiness: 2 }),
  },
  {
    name: "firstClassBack",
    example: { illness: "firstClassBack" },
    read: ({ illness }) => when(illness === "firstClassBack", "firstClassBack", { dose: 0.6, steadiness: 1 }),
  },
  {
    name: "secondClassBack",
    example: { illness: "secondClassBack" },
    read: ({ illness }) => when(illness === "secondClassBack", "secondClassBack", { dose: 0.8, steadiness: 0.5 }),
  },
];

/** What the answers of a row's example do to the day. */
export const effectOf = ({ read, example }: DayAnswerRule): readonly DayAnswer[] => read({ ...AS_USUAL, ...example });
