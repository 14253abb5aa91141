import type { ClassState } from "./events.ts";
import type { ScriptPerson } from "./script.ts";

/**
 * The notes of a person that the rest of the class is fitted by: all that stand but a rest by choice.
 *
 * @returns their ids in a fixed order
 */
export const notesToFit = ({ notes }: Pick<ClassState, "notes">, personId: string): string[] =>
  notes
    .filter((note) => note.personId === personId && note.sign !== "rested")
    .map(({ id }) => id)
    .sort();

/**
 * Whose remaining blocks do not follow from what is noted of them now: a note is new, or was taken back. This is told
 * from the script and the events alone, so that a fit that was cut short is still due for the next request. No one once
 * the class has ended.
 */
export function fitsDue(
  people: readonly Pick<ScriptPerson, "id" | "fittedAfter">[],
  state: Pick<ClassState, "notes" | "ended">,
): ReadonlySet<string> {
  if (state.ended !== null) return new Set();
  const due = people.filter(({ id, fittedAfter }) => notesToFit(state, id).join() !== (fittedAfter ?? []).join());
  return new Set(due.map(({ id }) => id));
}
