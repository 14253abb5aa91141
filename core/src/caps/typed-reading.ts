import { glucoseFromMgPerDl, MAX_READINGS, type Reading } from "./answers.ts";

/** Units that a glucose meter shows. */
export const GLUCOSE_UNITS = ["mmol/l", "mg/dl"] as const;
export type GlucoseUnit = (typeof GLUCOSE_UNITS)[number];

/** Why a reading is asked about: no number, impossible in its unit, or more than the unit allows. */
export type ReadingDoubt = "notANumber" | "notPossible" | "whichUnit" | "tooMuch";

/** What was typed for a reading: nothing, a value in the reading's unit, or something that has to be asked about. */
export type TypedReading =
  | { readonly kind: "empty" }
  | { readonly kind: "value"; readonly value: number }
  | { readonly kind: "ask"; readonly doubt: ReadingDoubt; readonly text: string };

/** Glucose in mg/dl outside these was read or typed wrong. */
const MG_PER_DL = { least: 10, most: 720 } as const;

const numberIn = (text: string): number | null => {
  const number = Number(text.trim().replace(",", "."));
  return Number.isFinite(number) && number >= 0 ? number : null;
};

/**
 * Reads what was typed for a measured value. A number that cannot be is never dropped and never converted by itself: it is asked
 * about, glucose with its unit.
 *
 * @param unit of the meter, where someone has said which; only glucose has two
 * @example readTyped("glucose", "142", null).kind // "ask"
 * @example readTyped("glucose", "142", "mg/dl") // { kind: "value", value: 7.9 }
 */
export function readTyped(reading: Reading, text: string, unit: GlucoseUnit | null): TypedReading {
  if (text.trim() === "") return { kind: "empty" };
  const ask = (doubt: ReadingDoubt): TypedReading => ({ kind: "ask", doubt, text: text.trim() });
  const number = numberIn(text);
  if (number === null) return ask("notANumber");
  if (reading === "glucose" && unit === "mg/dl") {
    if (number < MG_PER_DL.least || number > MG_PER_DL.most) return ask("notPossible");
    return { kind: "value", value: glucoseFromMgPerDl(number) };
  }
  if (number <= MAX_READINGS[reading]) return { kind: "value", value: number };
  if (reading === "glucose") return ask("whichUnit");
  return ask("tooMuch");
}
