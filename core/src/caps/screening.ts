import { AS_USUAL, type CheckIn, type Outcome } from "./answers.ts";
import type { CapLimit } from "./cap.ts";
import type { DayAnswer } from "./day-answers.ts";
import type { FindingName } from "./findings.ts";
import { type Thresholds, USUAL_THRESHOLDS } from "./policy.ts";
import type { Source } from "./source.ts";

/** A finding of the day's screening; it scales nothing, it decides. */
export type ScreeningFinding = Pick<DayAnswer, "finding" | "outcome" | "limits" | "source">;

/** What is known of a person that their readings are compared with. */
export interface ScreenedPerson {
  /** Whether they have atrial fibrillation. */
  readonly atrialFibrillation: boolean;
  /** Their own lowest oxygen saturation at rest, percent; null where no one has said. */
  readonly saturationLeast: number | null;
}
export const NOTHING_SPECIAL: ScreenedPerson = { atrialFibrillation: false, saturationLeast: null };

/** Rules of the screening. */
export type ScreeningRow =
  | "highReading"
  | "pressureRaised"
  | "lowReading"
  | "warning"
  | "dropFelt"
  | "dropNotFelt"
  | "lowSaturation"
  | "lowGlucose"
  | "glucoseNearLow"
  | "highGlucose"
  | "unwell"
  | "bowels";

/** A rule of the screening: what it reads from the day's answers, and an example of what it is about. */
export interface ScreeningRule {
  readonly name: ScreeningRow;
  readonly source: Source;
  /** Answers that the rule is about, at the usual thresholds. */
  readonly example: Partial<CheckIn>;
  readonly read: (answers: CheckIn, thresholds: Thresholds, person: ScreenedPerson) => readonly ScreeningFinding[];
}

const found = (
  condition: boolean,
  name: FindingName,
  outcome: Outcome,
  source: Source,
  limits: readonly CapLimit[] = [],
): readonly ScreeningFinding[] => (condition ? [{ finding: { name }, outcome, source, limits }] : []);

const ATS = "ats";
const USUAL = "commonPractice";
const CONSENSUS = "consensus";
const ADA = "ada";

/** A first high reading is taken again after five minutes of sitting before anyone is sent home. */
function highReading({ pressures }: CheckIn, limits: Thresholds, person: ScreenedPerson): readonly ScreeningFinding[] {
  const mostBeats = person.atrialFibrillation ? limits.fibrillatingHeartRateMost : limits.restingHeartRateMost;
  const high = pressures.map(
    ({ systolic, diastolic, heartRate = 0 }) =>
      systolic > limits.systolicMost || diastolic > limits.diastolicMost || heartRate > mostBeats,
  );
  if (high.length === 1) return found(high[0] === true, "highReading", "takeAgain", ATS);
  return found(high[1] === true, "highTwice", "sitOut", ATS);
}

/** The longest static hold with a raised systolic pressure, seconds; common practice. */
export const RAISED_PRESSURE_HOLD = 10;

/** A fall of pressure on standing that counts; from a high pressure lying down it has to be greater. */
export const DROP = { systolic: 20, systolicFromHigh: 30, diastolic: 10, highLying: 160 } as const;
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
export const WITH_SYMPTOMS = 10;

/** The last reading of blood pressure and pulse. */
const last = ({ pressures }: CheckIn) => pressures.at(-1);

const reading = (systolic: number) => ({ systolic, diastolic: 75 });

/** The rules of the day's screening, each with its source. Thresholds are the organisation's. */
export const SCREENING: readonly ScreeningRule[] = [
  {
    name: "highReading",
    source: ATS,
    example: { pressures: [reading(USUAL_THRESHOLDS.systolicMost + 1)] },
    read: highReading,
  },
  {
    name: "pressureRaised",
    source: USUAL,
    example: { pressures: [reading(USUAL_THRESHOLDS.systolicRaised)] },
    read: (answers, limits) => {
      const systolic = last(answers)?.systolic ?? 0;
      return found(systolic >= limits.systolicRaised && systolic <= limits.systolicMost, "pressureRaised", "class", USUAL, [
        { channel: "holdSeconds", limit: RAISED_PRESSURE_HOLD },
        { channel: "roundsShare", part: "all", limit: 80 },
      ]);
    },
  },
  {
    name: "lowReading",
    source: USUAL,
    example: { pressures: [reading(USUAL_THRESHOLDS.systolicLeast - 1)] },
    read: (answers, limits) => {
      const reading = last(answers);
      const low =
        reading !== undefined &&
        (reading.systolic < limits.systolicLeast ||
          (reading.heartRate !== undefined && reading.heartRate < limits.restingHeartRateLeast) ||
          (reading.systolic < limits.systolicLeast + WITH_SYMPTOMS && hasSymptom(answers)));
      return found(low, "lowReading", "sitOut", USUAL);
    },
  },
  {
    name: "warning",
    source: USUAL,
    example: { warning: true },
    read: ({ warning }) => found(warning, "warning", "sitOut", USUAL),
  },
  {
    name: "dropFelt",
    source: CONSENSUS,
    example: { drop: { ...DROP, felt: true } },
    read: (answers) =>
      found(dropped(answers) && answers.drop?.felt === true, "dropFelt", "seated", CONSENSUS, [
        { channel: "barredFeature", limit: "headBelowHeart" },
      ]),
  },
  {
    name: "dropNotFelt",
    source: CONSENSUS,
    example: { drop: { ...DROP, felt: false } },
    read: (answers) =>
      found(dropped(answers) && answers.drop?.felt === false, "dropNotFelt", "class", CONSENSUS, [{ channel: "heldStanding" }]),
  },
  {
    name: "lowSaturation",
    source: USUAL,
    example: { saturation: USUAL_THRESHOLDS.saturationLeast - 1 },
    read: ({ saturation }, limits, { saturationLeast }) =>
      found(
        saturation !== undefined && saturation < Math.max(limits.saturationLeast, saturationLeast ?? 0),
        "lowSaturation",
        "sitOut",
        USUAL,
      ),
  },
  {
    name: "lowGlucose",
    source: ADA,
    example: { glucose: USUAL_THRESHOLDS.glucoseLeast - 1 },
    read: ({ glucose }, limits) =>
      found(glucose !== undefined && glucose < limits.glucoseLeast, "lowGlucose", "hold", ADA, [
        { channel: "barredForm", limit: "water" },
      ]),
  },
  {
    name: "glucoseNearLow",
    source: ADA,
    example: { glucose: USUAL_THRESHOLDS.glucoseLeast },
    read: ({ glucose }, limits) =>
      found(
        glucose !== undefined && glucose >= limits.glucoseLeast && glucose < limits.glucoseSteady,
        "glucoseNearLow",
        "seated",
        ADA,
      ),
  },
  {
    name: "highGlucose",
    source: ADA,
    example: { glucose: USUAL_THRESHOLDS.glucoseMost + 1, glucoseIll: true },
    read: ({ glucose, glucoseIll }, limits) =>
      found(glucose !== undefined && glucose > limits.glucoseMost && glucoseIll, "highGlucose", "sitOut", ADA),
  },
  {
    name: "unwell",
    source: USUAL,
    example: { illness: "feverOrWound" },
    read: ({ illness }) => found(illness === "feverOrWound", "unwell", "sitOut", USUAL),
  },
  {
    name: "bowels",
    source: USUAL,
    example: { illness: "bowels" },
    read: ({ illness }) => found(illness === "bowels", "bowels", "class", USUAL, [{ channel: "barredForm", limit: "water" }]),
  },
];

/** What the answers of a rule's example lead to, at the usual thresholds. */
export const screeningEffect = ({ read, example }: ScreeningRule): readonly ScreeningFinding[] =>
  read({ ...AS_USUAL, ...example }, USUAL_THRESHOLDS, NOTHING_SPECIAL);
