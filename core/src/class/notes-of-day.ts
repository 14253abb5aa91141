import { AS_USUAL, type CheckIn } from "../caps/answers.ts";
import type { CheckedIn, ClassState, Observation } from "./events.ts";

/**
 * What a note in class says of the rest of the day, as an answer of the check-in: a lost balance is a near-fall, a catch counts
 * like a fall unhurt, pain makes the rest lighter, and dizzy is dizzy now, which means sit and ask first. Resting by choice
 * says nothing of what comes, and a hand in standing up is a cap of its own (`capsOfRising`).
 */
const SAYS: Readonly<Record<Observation, Partial<Pick<CheckIn, "fall" | "overall" | "dizziness">>>> = {
  rested: {},
  hand: {},
  wobbled: { fall: "nearFall" },
  caught: { fall: "oneUnhurt" },
  pain: { overall: "lighter" },
  dizzy: { dizziness: "now" },
};

/** Answers of each question, gravest last: a note never takes the place of a graver answer. */
const GRAVEST = {
  fall: ["none", "nearFall", "oneUnhurt", "worse"],
  overall: ["asUsual", "lighter", "sitOut"],
  dizziness: ["none", "settled", "now"],
} as const;

function graver<Question extends keyof typeof GRAVEST>(
  question: Question,
  a: CheckIn[Question],
  b: CheckIn[Question] | undefined,
) {
  const order: readonly string[] = GRAVEST[question];
  return b !== undefined && order.indexOf(b) > order.indexOf(a) ? b : a;
}

/**
 * A person's answers with what was noted of them since they gave them; an answer given after a note is what counts.
 *
 * @returns null for someone who answered nothing and showed nothing
 */
export function currentAnswers(state: Pick<ClassState, "notes" | "checkIns">, personId: string): CheckedIn | null {
  const checked = state.checkIns.get(personId) ?? null;
  const since = state.notes.filter((note) => note.personId === personId && note.at > (checked?.at ?? ""));
  const said = since.filter(({ sign }) => Object.keys(SAYS[sign]).length > 0);
  if (said.length === 0) return checked;
  const answers: CheckIn = { ...(checked?.answers ?? AS_USUAL) };
  for (const { sign } of said) {
    answers.fall = graver("fall", answers.fall, SAYS[sign].fall);
    answers.overall = graver("overall", answers.overall, SAYS[sign].overall);
    answers.dizziness = graver("dizziness", answers.dizziness, SAYS[sign].dizziness);
  }
  // Letting someone in was said of the answers before.
  return { answers, overriddenBecause: null, at: said.at(-1)?.at ?? "" };
}
