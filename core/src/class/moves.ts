import { type ClassStep, movingSeconds } from "./class-steps.ts";
import type { ClassState } from "./events.ts";

/** When a step of a class began: an ISO instant. */
export type Move = ClassState["moves"][number];

/**
 * When each step of a class began: those that someone moved to, and those that went on from them by the clock. No event is
 * recorded for the latter, so every device comes to the same without a network.
 *
 * @param steps of the class
 * @param moves that were recorded, in order
 * @param until ISO instant after which nothing has begun yet
 * @returns in order; the last one is the step being done then
 */
export function allMoves(steps: readonly ClassStep[], moves: readonly Move[], until: string): readonly Move[] {
  return moves.flatMap((move, i) => {
    const next = Date.parse(moves[i + 1]?.at ?? until);
    const all: Move[] = [move];
    let { step } = move;
    let ends = Date.parse(move.at);
    for (let on = steps[step + 1]; on?.goesOn; on = steps[step + 1]) {
      const done = steps[step];
      if (done === undefined) break;
      ends += 1000 * (done.lead + movingSeconds(done));
      if (ends >= next) break;
      step += 1;
      all.push({ at: new Date(ends).toISOString(), step });
    }
    return all;
  });
}
