import type { CheckIn, Outcome } from "./answers.ts";
import type { CapLimit } from "./cap.ts";
import type { DayAnswer } from "./day-answers.ts";
import type { Thresholds } from "./policy.ts";

/** A finding of the day's screening; it scales nothing, it decides. */
export type ScreeningFinding = Pick<DayAnswer, "words" | "outcome" | "limits" | "also" | "source">;

/** What is known of a person that their readings are held against. */
export interface ScreenedPerson {
  /** Whether they have atrial fibrillation. */
  readonly atrialFibrillation: boolean;
  /** Their own lowest oxygen saturation at rest, percent; null where no one has said. */
  readonly saturationLeast: number | null;
}
export const NOTHING_SPECIAL: ScreenedPerson = { atrialFibrillation: false, saturationLeast: null };

type Row = {
  readonly about: string;
  readonly proposes: string;
  readonly source: string;
  readonly read: (answers: CheckIn, thresholds: Thresholds, person: ScreenedPerson) => readonly ScreeningFinding[];
};

const found = (
  condition: boolean,
  words: string,
  outcome: Outcome,
  source: string,
  also: string,
  limits: readonly CapLimit[] = [],
): readonly ScreeningFinding[] => (condition ? [{ words, outcome, source, also, limits }] : []);

const ATS = "as for the six-minute walk, ATS 2002";
const USUAL = "common practice";
const CONSENSUS = "consensus 2011";
const ADA = "ADA 2016";

/** A first high reading is taken again after five minutes of sitting before anyone is sent home. */
function highReading({ pressures }: CheckIn, limits: Thresholds, person: ScreenedPerson): readonly ScreeningFinding[] {
  const mostBeats = person.atrialFibrillation ? limits.fibrillatingHeartRateMost : limits.restingHeartRateMost;
  const high = pressures.map(
    ({ systolic, diastolic, heartRate = 0 }) =>
      systolic > limits.systolicMost || diastolic > limits.diastolicMost || heartRate > mostBeats,
  );
  if (high.length === 1)
    return found(high[0] === true, "a high reading", "takeAgain", ATS, "sit for 5 minutes, then measure again");
  return found(high[1] === true, "high in two readings 5 minutes apart", "sitOut", ATS, "tell the clinician");
}

/** A fall of pressure on standing that counts; from a high pressure lying down it has to be greater. */
const DROP = { systolic: 20, systolicFromHigh: 30, diastolic: 10, highLying: 160 } as const;
const dropped = ({ drop }: CheckIn): boolean => {
  if (drop === undefined) return false;
  const systolic = (drop.lying ?? 0) >= DROP.highLying ? DROP.systolicFromHigh : DROP.systolic;
  return drop.systolic >= systolic || drop.diastolic >= DROP.diastolic;
};

/** Tiredness from which it is a symptom of a low pressure. */
const TIRED = 4;
/** Anything that a low pressure may make someone feel. */
const hasSymptom = ({ dizziness, breath, fatigue = 0, illness, warning, drop }: CheckIn): boolean =>
  dizziness !== "none" ||
  breath !== "asUsual" ||
  fatigue >= TIRED ||
  illness === "feverOrWound" ||
  warning ||
  drop?.felt === true;
/** With symptoms a pressure is low from so much further up, mmHg. */
const WITH_SYMPTOMS = 10;

/** The last reading of blood pressure and pulse. */
const last = ({ pressures }: CheckIn) => pressures.at(-1);

/** The rules of the day's screening, each with its source. Thresholds are the organisation's. */
export const SCREENING: readonly Row[] = [
  {
    about: "High blood pressure or pulse at rest; with atrial fibrillation a pulse over 110",
    proposes: "Measure again after 5 minutes sitting. If still high: not taking part today; inform the clinician",
    source: ATS,
    read: highReading,
  },
  {
    about: "Systolic raised, not high",
    proposes: "Dose 80%, no static holds over 10 s",
    source: USUAL,
    read: (answers, limits) => {
      const systolic = last(answers)?.systolic ?? 0;
      return found(
        systolic >= limits.systolicRaised && systolic <= limits.systolicMost,
        "blood pressure raised",
        "class",
        USUAL,
        "no static holds over 10 s",
        [
          { channel: "holdSeconds", limit: 10 },
          { channel: "roundsShare", part: "all", limit: 80 },
        ],
      );
    },
  },
  {
    about: "Low blood pressure or pulse at rest; with any symptom, systolic under 100",
    proposes: "sit out, tell the clinician",
    source: USUAL,
    read: (answers, limits) => {
      const reading = last(answers);
      const low =
        reading !== undefined &&
        (reading.systolic < limits.systolicLeast ||
          (reading.heartRate !== undefined && reading.heartRate < limits.restingHeartRateLeast) ||
          (reading.systolic < limits.systolicLeast + WITH_SYMPTOMS && hasSymptom(answers)));
      return found(low, "a low reading", "sitOut", USUAL, "tell the clinician");
    },
  },
  {
    about: "Chest pain, a blackout, alcohol, a new irregular pulse, 2 kg up in 3 days with heart failure, severe low glucose",
    proposes: "sit out, tell the clinician",
    source: USUAL,
    read: ({ warning }) => found(warning, "a warning sign", "sitOut", USUAL, "tell the clinician"),
  },
  {
    about: "Pressure falls on standing by 20 systolic (30 from 160 or more lying) or 10 diastolic, and it is felt",
    proposes: "Seated variants, no head-down positions, stand up in stages",
    source: CONSENSUS,
    read: (answers) =>
      found(
        dropped(answers) && answers.drop?.felt === true,
        "pressure falls on standing",
        "seated",
        CONSENSUS,
        "rise in stages",
        [{ channel: "barredFeature", limit: "headBelowHeart" }],
      ),
  },
  {
    about: "Same drop without symptoms",
    proposes: "Standing with support, calf pumps, stand up in stages",
    source: CONSENSUS,
    read: (answers) =>
      found(
        dropped(answers) && answers.drop?.felt === false,
        "pressure falls on standing, not felt",
        "class",
        CONSENSUS,
        "calf pumps, rise in stages",
        [{ channel: "heldStanding" }],
      ),
  },
  {
    about: "Low oxygen saturation at rest, below the threshold or the participant's own minimum",
    proposes: "sit out",
    source: USUAL,
    read: ({ saturation }, limits, { saturationLeast }) =>
      found(
        saturation !== undefined && saturation < Math.max(limits.saturationLeast, saturationLeast ?? 0),
        "low saturation",
        "sitOut",
        USUAL,
        "tell the clinician",
      ),
  },
  {
    about: "Low glucose, on treatment",
    proposes: "Treat first; no pool today",
    source: ADA,
    read: ({ glucose }, limits) =>
      found(glucose !== undefined && glucose < limits.glucoseLeast, "low glucose", "hold", ADA, "treat first", [
        { channel: "barredForm", limit: "water" },
      ]),
  },
  {
    about: "Glucose near the low end, on treatment",
    proposes: "carbohydrate and re-check, start seated",
    source: ADA,
    read: ({ glucose }, limits) =>
      found(
        glucose !== undefined && glucose >= limits.glucoseLeast && glucose < limits.glucoseSteady,
        "glucose on the low side",
        "seated",
        ADA,
        "carbohydrate and re-check",
      ),
  },
  {
    about: "High glucose with ketones or feeling ill",
    proposes: "sit out",
    source: ADA,
    read: ({ glucose, glucoseIll }, limits) =>
      found(
        glucose !== undefined && glucose > limits.glucoseMost && glucoseIll,
        "high glucose and unwell",
        "sitOut",
        ADA,
        "tell the clinician",
      ),
  },
  {
    about: "Fever, infection or a new wound",
    proposes: "usually not in the group, not in the pool",
    source: USUAL,
    read: ({ illness }) => found(illness === "feverOrWound", "unwell today", "sitOut", USUAL, "go home; return when well"),
  },
  {
    about: "Diarrhoea",
    proposes: "out of the pool until 48 h after the last, 14 days for cryptosporidium",
    source: USUAL,
    read: ({ illness }) =>
      found(illness === "bowels", "not in the pool today", "class", USUAL, "out of the pool until 48 h after the last", [
        { channel: "barredForm", limit: "water" },
      ]),
  },
];
