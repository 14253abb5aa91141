import type { DayAnswerRow } from "@able-tide/core/caps/day-answers";
import type { ScreeningRow } from "@able-tide/core/caps/screening";

/** A row of a table: what it is about and what follows. */
export interface RowWords {
  readonly about: string;
  readonly proposes: string;
}

const DAY_ANSWERS: Readonly<Record<DayAnswerRow, RowWords>> = {
  lighter: { about: "Lighter today", proposes: "Dose 70%, range 90%, balance demand cap 1 point lower, chair behind" },
  notTakingPart: { about: "Not taking part", proposes: "No movements today" },
  morePain: {
    about: "Pain 2 above usual, or new pain 4 to 6",
    proposes:
      "That area: dose 50%, range 70%; elsewhere dose 80%; balance demand cap 1 point lower for leg and back; pain-free only",
  },
  strongPain: {
    about: "Pain 7 or more and above usual, or new pain at night",
    proposes: "That part rests; dose 50% elsewhere; balance demand cap 2 points lower; seated. New pain: not taking part today",
  },
  soreArm: {
    about: "Pain of 4 or more, or 2 above usual, in an arm; or cannot lean on that hand today",
    proposes: "No support with that hand",
  },
  alarmPlace: {
    about: "Pain in the chest, jaw, head, belly or a calf",
    proposes: "Ask about emergency signs first. Any of them: stop, not taking part today. None: ask before starting",
  },
  dizzySettled: {
    about: "Dizzy earlier, now settled",
    proposes:
      "Dose 70%, neck range 50%, balance demand cap 1.5 points lower; no looking up, head-down or overhead positions; with support",
  },
  dizzyNow: { about: "Dizzy now", proposes: "Wait; take blood pressure; then seated at 50% dose, or stop" },
  breathless: {
    about: "More breathless than usual",
    proposes: "Dose 60%, balance demand cap 1 point lower, effort up to 3 out of 10, arms up for half the time",
  },
  noSentence: { about: "Cannot finish a sentence", proposes: "Stop" },
  badNight: { about: "One bad night", proposes: "Dose 85%, balance demand cap 0.5 points lower" },
  twoBadNights: { about: "Two bad nights, or a new sedative", proposes: "Dose 70%, balance demand cap 1 point lower" },
  tired: { about: "Fatigue 4 to 6", proposes: "Dose 80%, balance demand cap 0.5 points lower" },
  veryTired: { about: "Fatigue 7 and over", proposes: "Dose 50%, balance demand cap 2 points lower, seated" },
  nearFall: { about: "A near-fall", proposes: "Dose 90%, balance demand cap 0.5 points lower until re-tested" },
  oneFall: { about: "One explained fall, unhurt", proposes: "Dose 90%, balance demand cap 1 point lower until re-tested" },
  worseFall: {
    about: "A fall with injury, unknown cause or blackout, or more than one fall",
    proposes: "Wait until the clinician has been informed",
  },
  medicineChanged: {
    about: "Medicine changed within 7 days",
    proposes: "Dose 80%, balance demand cap 1 point lower; change one thing at a time",
  },
  wearingOff: { about: "A Parkinson's dose wearing off", proposes: "Dose 70%, balance demand cap 2 points lower" },
  firstClassBack: { about: "First class back after illness", proposes: "Dose 60%, balance demand cap 1 point lower" },
  secondClassBack: { about: "Second class back after illness", proposes: "Dose 80%, balance demand cap 0.5 points lower" },
};

const SCREENING: Readonly<Record<ScreeningRow, RowWords>> = {
  highReading: {
    about: "High blood pressure or pulse at rest; with atrial fibrillation a pulse over 110",
    proposes: "Measure again after 5 minutes sitting. If still high: not taking part today; inform the clinician",
  },
  pressureRaised: { about: "Systolic raised, not high", proposes: "Dose 80%, no static holds over 10 s" },
  lowReading: {
    about: "Low blood pressure or pulse at rest; with any symptom, systolic under 100",
    proposes: "Not taking part today; tell the clinician",
  },
  warning: {
    about: "Chest pain, a blackout, alcohol, a new irregular pulse, 2 kg up in 3 days with heart failure, severe low glucose",
    proposes: "Not taking part today; tell the clinician",
  },
  dropFelt: {
    about: "Pressure falls on standing by 20 systolic (30 from 160 or more lying) or 10 diastolic, and it is felt",
    proposes: "Seated variants, no head-down positions, stand up in stages",
  },
  dropNotFelt: { about: "Same drop without symptoms", proposes: "Standing with support, calf pumps, stand up in stages" },
  lowSaturation: {
    about: "Low oxygen saturation at rest, below the threshold or the participant's own minimum",
    proposes: "Not taking part today",
  },
  lowGlucose: { about: "Low glucose, on treatment", proposes: "Treat first; no pool today" },
  glucoseNearLow: { about: "Glucose near the low end, on treatment", proposes: "Carbohydrate and re-check; start seated" },
  highGlucose: { about: "High glucose with ketones or feeling ill", proposes: "Not taking part today" },
  unwell: { about: "Fever, infection or a new wound", proposes: "Usually not in the group, not in the pool" },
  bowels: { about: "Diarrhoea", proposes: "Out of the pool until 48 h after the last, 14 days for cryptosporidium" },
};

/** A row of the table of the day's answers. */
export const dayAnswerWords = (name: DayAnswerRow): RowWords => DAY_ANSWERS[name];

/** A rule of the screening. */
export const screeningWords = (name: ScreeningRow): RowWords => SCREENING[name];
