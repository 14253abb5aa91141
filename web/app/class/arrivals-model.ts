import type { SeatUse } from "@able-tide/core/body/seats";
import { AS_USUAL, type CheckIn } from "@able-tide/core/caps/answers";
import { type DayFinding, readCheckIn } from "@able-tide/core/caps/check-in";
import type { Policy } from "@able-tide/core/caps/policy";
import type { ScreenedPerson } from "@able-tide/core/caps/screening";
import type { CheckedIn } from "@able-tide/core/class/events";
import { formatFinding } from "@able-tide/words/findings";
import { formatOutcome } from "./outcome.ts";

export interface Arriving {
  readonly id: string;
  readonly name: string;
  readonly digit: string;
  /** What they sit on, where it is no usual chair. */
  readonly seat?: SeatUse;
  /** Whether they do no movement of a class in water. */
  readonly outOfWater: boolean;
}

/** A participant's row during arrivals. */
export interface ArrivalRow extends Arriving {
  readonly here: boolean;
  /** The one-touch answer that was given; null where there is none or more was answered. */
  readonly overall: CheckIn["overall"] | null;
  /** What the answers mean, in words; null where they change nothing. */
  readonly meaning: { readonly words: string; readonly takesPart: boolean } | null;
}

const meaningOf = (
  outcome: Parameters<typeof formatOutcome>[0],
  findings: readonly DayFinding[],
  because: string | null,
): string =>
  `${formatOutcome(outcome)}: ${findings.map(({ finding }) => formatFinding(finding)).join("; ")}${because ? `. Takes part; reason given: ${because}` : ""}`;

/** One participant's row. @param screened what the participant's answers are read with */
export function arrivalRow(
  person: Arriving,
  here: ReadonlySet<string>,
  checkedIn: CheckedIn | undefined,
  policy: Policy,
  screened: ScreenedPerson,
): ArrivalRow {
  const row = { ...person, here: here.has(person.id) };
  if (!checkedIn) return { ...row, overall: null, meaning: null };
  const { outcome, findings } = readCheckIn(checkedIn.answers, policy, screened);
  const words = findings.length === 0 ? null : meaningOf(outcome, findings, checkedIn.overriddenBecause);
  return {
    ...row,
    overall: findings.length <= 1 ? checkedIn.answers.overall : null,
    meaning: words === null ? null : { words, takesPart: outcome === "class" },
  };
}

/** The command of a key during arrivals. */
export type ArrivalCommand =
  | { readonly kind: "choose"; readonly personId: string }
  | { readonly kind: "more"; readonly personId: string }
  | { readonly kind: "answer"; readonly personId: string; readonly answers: CheckIn };

/**
 * The command of a key during arrivals; a digit also ticks its participant, which the class itself does.
 *
 * @param lastId the participant whose digit was pressed last
 */
export function arrivalKey(key: string, people: readonly Arriving[], lastId: string | null): ArrivalCommand | null {
  const person = people.find(({ digit }) => digit !== "" && digit === key);
  if (person) return { kind: "choose", personId: person.id };
  const last = people.find(({ id }) => id === lastId);
  if (!last) return null;
  if (key === "m") return { kind: "more", personId: last.id };
  const overall = key === "l" ? "lighter" : key === "o" ? "sitOut" : null;
  return overall && { kind: "answer", personId: last.id, answers: { ...AS_USUAL, overall } };
}
