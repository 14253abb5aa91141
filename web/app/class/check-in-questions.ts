import type { CheckIn, Reading } from "@able-tide/core/caps/answers";
import type { Question } from "@able-tide/core/caps/policy";

/** Answers that are one of a few words. */
type ChoiceKey = "overall" | "dizziness" | "breath" | "sleep" | "fall" | "medicine" | "illness";
/** Answers that are yes or no. */
type YesNoKey = "glucoseIll" | "warning";
/** Answers that are one measured number. */
type MeasureKey = "fatigue" | "saturation" | "glucose";

type ChoiceField<Key extends ChoiceKey> = {
  readonly kind: "choice";
  readonly key: Key;
  readonly label: string;
  readonly options: readonly (readonly [CheckIn[Key], string])[];
};

/** One thing that is asked when a participant arrives. */
export type CheckInField =
  | { [Key in ChoiceKey]: ChoiceField<Key> }[ChoiceKey]
  | {
      readonly kind: "yesNo";
      readonly key: YesNoKey;
      readonly label: string;
      readonly options: readonly [readonly ["no", string], readonly ["yes", string]];
    }
  | { readonly kind: "measure"; readonly key: MeasureKey; readonly reading: Reading; readonly label: string }
  | { readonly kind: "pain" | "leans" | "pressure" | "drop" };

/** What everyone is asked first, whatever the group's check-in asks. */
export const TODAY: CheckInField = {
  kind: "choice",
  key: "overall",
  label: "Today",
  options: [
    ["asUsual", "As usual"],
    ["lighter", "lighter"],
    ["sitOut", "Not taking part"],
  ],
};

/** What everyone is asked last. */
export const WARNING_SIGNS: CheckInField = {
  kind: "yesNo",
  key: "warning",
  label:
    "Warning signs since yesterday: chest pain, blackout, palpitations, alcohol, severe low glucose, or 2 kg weight gain in 3 days with heart failure",
  options: [
    ["no", "No, none"],
    ["yes", "One of these"],
  ],
};

/** What is asked under each question of a group's check-in, in order. */
export const CHECK_IN_QUESTIONS: Readonly<Record<Question, readonly CheckInField[]>> = {
  pain: [{ kind: "pain" }, { kind: "leans" }],
  dizziness: [
    {
      kind: "choice",
      key: "dizziness",
      label: "Dizziness",
      options: [
        ["none", "none"],
        ["settled", "Earlier, now settled"],
        ["now", "now"],
      ],
    },
  ],
  breath: [
    {
      kind: "choice",
      key: "breath",
      label: "Breath",
      options: [
        ["asUsual", "As usual"],
        ["more", "More breathless"],
        ["noSentence", "Cannot finish a sentence"],
      ],
    },
  ],
  sleep: [
    {
      kind: "choice",
      key: "sleep",
      label: "Sleep",
      options: [
        ["fine", "fine"],
        ["badNight", "A bad night"],
        ["twoBadNights", "Two bad nights, or a new sedative"],
      ],
    },
  ],
  fatigue: [{ kind: "measure", key: "fatigue", reading: "fatigue", label: "Fatigue, 0 to 10" }],
  fall: [
    {
      kind: "choice",
      key: "fall",
      label: "Since last time",
      options: [
        ["none", "No fall"],
        ["nearFall", "Near-fall"],
        ["oneUnhurt", "One fall, cause known, no injury"],
        ["worse", "A fall with injury, without a known cause, or more than one"],
      ],
    },
  ],
  medicine: [
    {
      kind: "choice",
      key: "medicine",
      label: "Medicines",
      options: [
        ["asUsual", "As usual"],
        ["changed", "Changed this week"],
        ["wearingOff", "Medicine wearing off"],
      ],
    },
  ],
  illness: [
    {
      kind: "choice",
      key: "illness",
      label: "Illness",
      options: [
        ["none", "none"],
        ["firstClassBack", "First class after illness"],
        ["secondClassBack", "Second class back"],
        ["feverOrWound", "Fever, infection or new wound"],
        ["bowels", "diarrhoea"],
      ],
    },
  ],
  pressure: [{ kind: "pressure" }, { kind: "drop" }],
  saturation: [{ kind: "measure", key: "saturation", reading: "saturation", label: "Oxygen saturation, %" }],
  glucose: [
    { kind: "measure", key: "glucose", reading: "glucose", label: "Glucose, mmol/l" },
    {
      kind: "yesNo",
      key: "glucoseIll",
      label: "Ketones, or unwell with it",
      options: [
        ["no", "no"],
        ["yes", "yes"],
      ],
    },
  ],
};
