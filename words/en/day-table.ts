import type { Outcome } from "@able-tide/core/caps/answers";
import { type DayAnswer, type DayAnswerRow, type DayAnswerRule, effectOf } from "@able-tide/core/caps/day-answers";
import { USUAL_THRESHOLDS } from "@able-tide/core/caps/policy";
import { DROP, type ScreeningRow, type ScreeningRule, screeningEffect, WITH_SYMPTOMS } from "@able-tide/core/caps/screening";
import { partLabel } from "./caps.ts";
import { formatCapLimit } from "./format-cap.ts";
import { count, lowerFirst, sentenceCase } from "./text.ts";

/** A row of a table: what it is about and what follows. */
export interface RowWords {
  readonly about: string;
  readonly proposes: string;
}

/** What a row is about, and what to do in addition to the numbers of the rule. */
interface AnswerWords {
  readonly about: string;
  readonly todo?: string;
  /** In place of the example's own effect, where that names one side of two. */
  readonly instead?: string;
}

const DAY_ANSWERS: Readonly<Record<DayAnswerRow, AnswerWords>> = {
  lighter: { about: "Lighter today", todo: "a chair behind" },
  notTakingPart: { about: "Not taking part", todo: "no movements today" },
  morePain: {
    about: "Pain 2 above usual, or new pain of 4 or more",
    todo: "pain-free movement only; the balance demand cap only for legs and back",
  },
  strongPain: {
    about: "Pain of 7 or more and above usual, or new pain at night",
    todo: "new pain or pain at night: do not start until it has been assessed",
  },
  soreArm: {
    about: "Pain of 4 or more, or 2 above usual, in an arm; or cannot lean on that hand today",
    instead: "no support with that hand",
  },
  alarmPlace: {
    about: "Pain in the chest, jaw, head, belly or a calf",
    todo: "ask about emergency signs first. Any of them: stop, not taking part today. None: ask before starting",
  },
  dizzySettled: { about: "Dizzy earlier, now settled" },
  dizzyNow: { about: "Dizzy now", todo: "wait and take the blood pressure; then seated, or stop" },
  breathless: { about: "More breathless than usual" },
  noSentence: { about: "Cannot finish a sentence", todo: "stop and inform the clinician" },
  badNight: { about: "One bad night" },
  twoBadNights: { about: "Two bad nights, or a new sedative" },
  tired: { about: "Fatigue 4 to 6" },
  veryTired: { about: "Fatigue of 7 or more" },
  nearFall: { about: "A near-fall", todo: "until the balance is tested again" },
  oneFall: { about: "One explained fall, unhurt", todo: "until the balance is tested again" },
  worseFall: {
    about: "A fall with injury, unknown cause or blackout, or more than one fall",
    todo: "wait until the clinician has been informed",
  },
  medicineChanged: { about: "Medicine changed within 7 days", todo: "one change at a time" },
  wearingOff: { about: "Parkinson's medicine wearing off" },
  firstClassBack: { about: "First class back after illness" },
  secondClassBack: { about: "Second class back after illness" },
};

const PERCENT = 100;
const percentOf = (share: number): string => `${Math.round(PERCENT * share)}%`;

/** Dose and range where something hurts; null where they are as everywhere. */
function partWords({ part, dose, range }: NonNullable<DayAnswer["there"]>, isPain: boolean): string {
  const where = isPain ? "the painful part" : partLabel(part);
  return dose === 0 ? `${where} rests` : `${where}: dose ${percentOf(dose)}, range ${percentOf(range)}`;
}

/** What a rule does, from its own numbers. */
function effectWords({ finding, dose, range, there, steadiness, handsUp, outcome, limits }: DayAnswer): string[] {
  const elsewhere = there ? "elsewhere dose" : "dose";
  return [
    there && partWords(there, "place" in finding),
    dose < 1 && `${elsewhere} ${percentOf(dose)}`,
    range < 1 && `range ${percentOf(range)}`,
    steadiness > 0 && `balance demand cap ${count(steadiness, "point", "points")} lower`,
    handsUp < 1 && `arms up for ${percentOf(handsUp)} of the time`,
    outcome === "seated" && "seated",
    ...limits.map((limit) => lowerFirst(formatCapLimit(limit))),
  ].filter((words) => typeof words === "string");
}

const OUTCOMES: Readonly<Record<Outcome, string>> = {
  class: "",
  seated: "seated variants",
  hold: "wait before starting",
  takeAgain: "measure again after 5 minutes sitting",
  askFirst: "ask about emergency signs first",
  sitOut: "not taking part today",
};

const { fibrillatingHeartRateMost, systolicLeast } = USUAL_THRESHOLDS;

const SCREENING: Readonly<Record<ScreeningRow, AnswerWords>> = {
  highReading: {
    about: `High blood pressure or pulse at rest; with atrial fibrillation a pulse over ${fibrillatingHeartRateMost}`,
    todo: "if still high: not taking part today; inform the clinician",
  },
  pressureRaised: { about: "Systolic raised, not high" },
  lowReading: {
    about: `Low blood pressure or pulse at rest; with any symptom, systolic under ${systolicLeast + WITH_SYMPTOMS}`,
    todo: "tell the clinician",
  },
  warning: {
    about: "Chest pain, a blackout, alcohol, a new irregular pulse, 2 kg up in 3 days with heart failure, severe low glucose",
    todo: "tell the clinician",
  },
  dropFelt: {
    about: `Pressure falls on standing by ${DROP.systolic} systolic (${DROP.systolicFromHigh} from ${DROP.highLying} or more lying) or ${DROP.diastolic} diastolic, and it is felt`,
    todo: "stand up in stages",
  },
  dropNotFelt: { about: "Same drop without symptoms", todo: "calf pumps, stand up in stages" },
  lowSaturation: { about: "Low oxygen saturation at rest, below the threshold or the participant's own minimum" },
  lowGlucose: { about: "Low glucose, on treatment", todo: "treat first" },
  glucoseNearLow: { about: "Glucose near the low end, on treatment", todo: "carbohydrate and re-check" },
  highGlucose: { about: "High glucose with ketones or feeling ill" },
  unwell: { about: "Fever, infection or a new wound", todo: "return when well" },
  bowels: { about: "Diarrhoea", todo: "back in the pool 48 h after the last, or 14 days after cryptosporidium" },
};

/** A row of the table of the day's answers; its numbers are those of the rule. */
export function dayAnswerWords(rule: DayAnswerRule): RowWords {
  const { about, todo, instead } = DAY_ANSWERS[rule.name];
  const effects = [...(instead ? [instead] : effectOf(rule).flatMap(effectWords)), ...(todo ? [todo] : [])];
  return { about, proposes: sentenceCase(effects.join("; ")) };
}

/** A row of the table of the screening; its outcome and numbers are those of the rule. */
export function screeningWords(rule: ScreeningRule): RowWords {
  const { about, todo } = SCREENING[rule.name];
  const effects = screeningEffect(rule).flatMap(({ outcome, limits }) => [
    OUTCOMES[outcome],
    ...limits.map((limit) => lowerFirst(formatCapLimit(limit))),
  ]);
  return { about, proposes: sentenceCase([...effects, todo ?? ""].filter((words) => words !== "").join("; ")) };
}
