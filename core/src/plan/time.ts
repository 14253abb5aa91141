import type { Movement } from "../movement/format.ts";

/** A movement in a plan: what is done, how often, at what pace. */
export interface Block {
  readonly id: string;
  readonly movementId: string;
  /** Rounds on each side; an unsided movement is done so many times in all. */
  readonly rounds: number;
}

export const ROUNDS = { least: 3, most: 12, usual: 6 } as const;
/** Seconds of one breath, in and out. */
export const BREATH_SECONDS = { least: 4, most: 14, usual: 8 } as const;

/** Seconds that are not movement. Usual practice; a style will set its own. */
export const ALLOWANCES = {
  /** Showing a movement before it is done together. */
  showing: 20,
  /** Turning from one side to the other. */
  sideChange: 8,
  /** Going from one block to the next. */
  link: 10,
  /** The end of every session: sit, calf pumps, rise in stages, light-headed? */
  leaveSafely: 60,
} as const;

/** Seconds a block takes, part by part. */
export interface BlockTime {
  readonly showing: number;
  readonly rounds: number;
  readonly sideChange: number;
  readonly link: number;
  readonly total: number;
}

/** Times a movement is done over both sides. */
export const repetitions = (movement: Movement, rounds: number): number => (movement.sided ? 2 * rounds : rounds);

/**
 * Seconds of one block: showing + rounds x breaths x breath + side change + link to the next.
 *
 * @param breathSeconds seconds of one breath, positive
 * @param last whether nothing follows, so that there is no link
 */
export function blockTime(movement: Movement, rounds: number, breathSeconds: number, last: boolean): BlockTime {
  const moving = repetitions(movement, rounds) * movement.breaths * breathSeconds;
  const sideChange = movement.sided ? ALLOWANCES.sideChange : 0;
  const link = last ? 0 : ALLOWANCES.link;
  return {
    showing: ALLOWANCES.showing,
    rounds: moving,
    sideChange,
    link,
    total: ALLOWANCES.showing + moving + sideChange + link,
  };
}

/** When each block starts and ends, and the whole with its leave-safely minute. Seconds. */
export interface PlanTime {
  readonly blocks: readonly (BlockTime & { readonly from: number; readonly to: number })[];
  readonly leaveSafely: number;
  readonly total: number;
}

/** Lays the blocks of a plan one after another. */
export function planTime(
  blocks: readonly { readonly movement: Movement; readonly rounds: number }[],
  breathSeconds: number,
): PlanTime {
  let clock = 0;
  const timed = blocks.map(({ movement, rounds }, i) => {
    const time = blockTime(movement, rounds, breathSeconds, i === blocks.length - 1);
    const from = clock;
    clock += time.total;
    return { ...time, from, to: clock };
  });
  return { blocks: timed, leaveSafely: ALLOWANCES.leaveSafely, total: clock + ALLOWANCES.leaveSafely };
}

/** "12:05" of a number of seconds. */
export function minutesAndSeconds(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}
