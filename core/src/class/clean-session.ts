import { classSteps } from "./class-steps.ts";
import type { ClassState, Observation } from "./events.ts";
import { allMoves } from "./moves.ts";
import type { ClassScript } from "./script.ts";

/** Shares of a session, by the clock, that someone has to be there for, and of what was fitted that they have to do. */
export const CLEAN = { there: 2 / 3, done: 1 / 2 } as const;

/** Signs that a session was too much. A rest by choice counts for nothing. */
export const TOO_MUCH: readonly Observation[] = ["wobbled", "caught", "dizzy", "pain"];

/** Why a session does not count as clean. */
export const NOT_CLEAN = ["notThere", "tooShort", "didTooLittle", "showedSigns", "leftEarly", "painLasted"] as const;
export type NotClean = (typeof NOT_CLEAN)[number];

const secondsBetween = (from: string, to: string): number => Math.max(0, (Date.parse(to) - Date.parse(from)) / 1000);

/** When someone was there between two instants, from and to. */
function presence(state: ClassState, personId: string, begun: string, ended: string): [from: string, to: string][] {
  const spans: [string, string][] = [];
  let since: string | null = null;
  for (const { at, here } of state.comings.get(personId) ?? []) {
    if (here) since ??= at;
    else if (since !== null) {
      spans.push([since, at]);
      since = null;
    }
  }
  if (since !== null) spans.push([since, ended]);
  return spans
    .map(([from, to]): [string, string] => [from < begun ? begun : from, to > ended ? ended : to])
    .filter(([from, to]) => from < to);
}

const within = (spans: readonly (readonly [string, string])[], from: string, to: string): number =>
  spans.reduce((sum, [start, end]) => sum + secondsBetween(start > from ? start : from, end < to ? end : to), 0);

/** Seconds that someone did of what was fitted to them, and seconds that were fitted. */
function doneAndFitted(
  script: ClassScript,
  state: ClassState,
  personId: string,
  spans: readonly (readonly [string, string])[],
  ended: string,
) {
  const cells = script.people.find(({ id }) => id === personId)?.cells ?? [];
  const rested = new Set(
    state.notes.filter((note) => note.personId === personId && note.sign === "rested").map(({ step }) => step),
  );
  let done = 0;
  let fitted = 0;
  const steps = classSteps(script.blocks);
  const moves = allMoves(steps, state.moves, ended);
  steps.forEach((step, number) => {
    if ((cells[step.blockIndex]?.form ?? "rest") === "rest") return;
    const seconds = step.rounds * step.roundSeconds;
    fitted += seconds;
    if (rested.has(number)) return;
    const spent = moves.reduce((sum, move, i) => {
      if (move.step !== number) return sum;
      return sum + within(spans, move.at, moves[i + 1]?.at ?? ended);
    }, 0);
    done += Math.min(seconds, Math.max(0, spent - step.lead));
  });
  return { done, fitted };
}

/**
 * Whether a class counts for someone as a session without anything too much: there for two thirds of it by the clock, at least
 * half done of what was fitted, no lost balance, no catch, no dizziness, no pain above the usual, not gone early, and no pain
 * that lasted on the day after.
 *
 * @returns why it does not count; null where it does
 */
export function notClean(script: ClassScript, state: ClassState, personId: string): NotClean | null {
  const { begunAt, ended } = state;
  if (begunAt === null || ended === null || !state.comings.get(personId)?.some(({ here }) => here)) return "notThere";
  if (state.notes.some((note) => note.personId === personId && TOO_MUCH.includes(note.sign))) return "showedSigns";
  if (!state.here.has(personId)) return "leftEarly";
  const spans = presence(state, personId, begunAt, ended.at);
  if (within(spans, begunAt, ended.at) < CLEAN.there * script.total) return "tooShort";
  const { done, fitted } = doneAndFitted(script, state, personId, spans, ended.at);
  if (fitted === 0 || done < CLEAN.done * fitted) return "didTooLittle";
  return state.nextDay.get(personId) === "lasted" ? "painLasted" : null;
}
