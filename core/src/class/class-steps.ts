import type { Side } from "../side.ts";
import type { ScriptItem } from "./script.ts";

/** One thing done together in class: a block, or one side of it. */
export interface ClassStep {
  readonly blockIndex: number;
  /** Which turn of the block it is, from 0. */
  readonly turn: number;
  /** The side that leads; null where both are done in turn within a repetition. */
  readonly side: Side | null;
  readonly rounds: number;
  /** Seconds of one repetition. */
  readonly roundSeconds: number;
  /** Seconds before its repetitions: getting there, talk and showing it, or changing sides. */
  readonly lead: number;
  /** When it should begin, seconds from the start of the class. */
  readonly from: number;
}

/** The order of a class: each block, a sided one as many times as it has sides. */
export const classSteps = (blocks: readonly ScriptItem[]): ClassStep[] =>
  blocks.flatMap(({ movement, turns, cycleSeconds, parts }, blockIndex) =>
    turns.map(({ lead: side, rounds, from }, turn) => {
      const lead = turn === 0 ? parts.link + parts.talk + parts.showing : parts.sideChange;
      return {
        blockIndex,
        turn,
        side: movement.sided ? side : null,
        rounds,
        roundSeconds: cycleSeconds,
        lead,
        from: from - lead,
      };
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
