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
  /** Which way its repetitions go. */
  readonly way: Way;
  /** Whether it goes on where the step before stopped, the other way. */
  readonly turnsRound: boolean;
  /** Seconds before its repetitions: getting there, talk and showing it, or changing sides; none to go the other way. */
  readonly lead: number;
  /** When it should begin, seconds from the start of the class. */
  readonly from: number;
}

/** The order of a class: each block, a sided one as many times as it has sides, one that turns round each way for itself. */
export const classSteps = (blocks: readonly ScriptItem[]): ClassStep[] =>
  blocks.flatMap(({ movement, turns, cycleSeconds, parts }, blockIndex) =>
    turns.flatMap(({ lead: side, rounds: all, from, seconds }, turn) => {
      const before = turn === 0 ? parts.link + parts.talk + parts.showing : parts.sideChange;
      let done = 0;
      return waysOf(movement, turn, all).map(({ way, rounds }, part): ClassStep => {
        const lead = part === 0 ? before : 0;
        const step = {
          blockIndex,
          turn,
          side: movement.sided ? side : null,
          way,
          turnsRound: part > 0,
          rounds,
          roundSeconds: cycleSeconds,
          lead,
          from: from + (seconds * done) / all - lead,
        };
        done += rounds;
        return step;
      });
    }),
  );

/**
 * Where the repetitions of a step stand.
 *
 * @param seconds since the step began
 * @returns 0 while it is being shown, then the repetition from 1; after the last repetition it stays there
 */
export const repetitionAt = (step: ClassStep, seconds: number): number =>
  seconds < step.lead ? 0 : Math.min(step.rounds, Math.floor((seconds - step.lead) / step.roundSeconds) + 1);
