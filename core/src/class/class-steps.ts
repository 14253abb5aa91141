import type { Movement } from "../movement/format.ts";
import { type Way, waysOf } from "../movement/reversal.ts";
import type { Side } from "../side.ts";
import type { ScriptItem } from "./script.ts";

/** One thing done together in class: a block, or one side or one way of it. */
export interface ClassStep {
  readonly blockIndex: number;
  /** Which turn of the block it is, from 0. */
  readonly turn: number;
  /** The side that leads; null where both are done in turn within a repetition. */
  readonly side: Side | null;
  readonly rounds: number;
  /** Seconds of one repetition. */
  readonly roundSeconds: number;
  /** Seconds between two repetitions: getting back to the start, or standing tall after a hold. */
  readonly between: number;
  /** Which way its repetitions go. */
  readonly way: Way;
  /** Whether it goes on where the step before stopped, the other way. */
  readonly turnsRound: boolean;
  /** Whether it is the way back of a walk. */
  readonly walksBack: boolean;
  /** Whether it begins by the clock when the step before it is done: the other way, or the next part of a joined pass. */
  readonly goesOn: boolean;
  /** Seconds before its repetitions: getting there, talk and showing it, or changing sides; none to go the other way. */
  readonly lead: number;
  /** When it should begin, seconds from the start of the class. */
  readonly from: number;
}

/** The order of a class: each block, a sided one as many times as it has sides, one that turns round each way for itself. */
export const classSteps = (blocks: readonly ScriptItem[]): ClassStep[] =>
  blocks.flatMap(({ movement, turns, cycleSeconds, parts, part: combined }, blockIndex) =>
    turns.flatMap(({ lead: side, rounds: all, from, seconds, back, other }, turn) => {
      const before = turn === 0 ? parts.link + parts.talk + parts.showing : parts.sideChange;
      const between = all > 1 ? (seconds - all * cycleSeconds) / (all - 1) : 0;
      let done = 0;
      return waysOf(movement, turn, { rounds: all, ...(other && { other }) }).map(({ way, rounds }, part): ClassStep => {
        const lead = part === 0 ? before : 0;
        const step = {
          blockIndex,
          turn,
          side: movement.sided ? side : null,
          way,
          turnsRound: part > 0,
          walksBack: back === true,
          goesOn: part > 0 || (turn === 0 && combined?.runsOn === true),
          rounds,
          roundSeconds: cycleSeconds,
          between,
          lead,
          from: from + done * (cycleSeconds + between) - lead,
        };
        done += rounds;
        return step;
      });
    }),
  );

/** What the number of a plan item's steps depends on. */
export interface CountedItem {
  readonly movement: Pick<Movement, "reversal">;
  readonly turns: readonly { readonly rounds: number; readonly other?: true }[];
}

/**
 * How many steps a class has; as many as {@link classSteps} makes of its whole script.
 *
 * @param blocks of the class: of each, the repetitions of its turns, and whether its movement turns round
 */
export const countSteps = (blocks: readonly CountedItem[]): number =>
  blocks.reduce(
    (sum, { movement, turns }) => sum + turns.reduce((of, each, turn) => of + waysOf(movement, turn, each).length, 0),
    0,
  );

/**
 * Where the repetitions of a step stand.
 *
 * @param seconds since the step began
 * @returns 0 while it is being shown, then the repetition from 1; after the last repetition it stays there
 */
export const repetitionAt = (step: ClassStep, seconds: number): number =>
  seconds < step.lead ? 0 : repetitionSince(step, seconds - step.lead).number + 1;

/**
 * The repetition that a step is in once it is no longer being shown; after the last it stays there.
 *
 * @param step of a class
 * @param since seconds since the first repetition began, not negative
 * @returns its number from 0, and seconds since it began
 */
export function repetitionSince(
  { rounds, roundSeconds, between }: ClassStep,
  since: number,
): { readonly number: number; readonly seconds: number } {
  const number = Math.min(rounds - 1, Math.floor(since / (roundSeconds + between)));
  return { number, seconds: since - number * (roundSeconds + between) };
}

/**
 * Where the picture of a step is in its repetition, 0 to 1: going through it while it is being shown, and as the group goes from
 * its first repetition on. A hold is shown as it is held, and stays at its end once it is over.
 *
 * @param seconds since the step began
 * @param heldFrom seconds of a repetition before it is held; null where it is repeated
 */
export function phaseOfStep(step: ClassStep, seconds: number, heldFrom: number | null): number {
  const { lead, roundSeconds, between } = step;
  const since = seconds - lead;
  if (heldFrom === null) {
    const within = since < 0 ? ((since % roundSeconds) + roundSeconds) % roundSeconds : since % (roundSeconds + between);
    return Math.min(1, within / roundSeconds);
  }
  if (since < 0) return heldFrom / roundSeconds;
  return Math.min(1, repetitionSince(step, since).seconds / roundSeconds);
}

/** Seconds of a step from its first repetition to the end of its last. */
export const movingSeconds = ({ rounds, roundSeconds, between }: ClassStep): number =>
  rounds * roundSeconds + (rounds - 1) * between;
