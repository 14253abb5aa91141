import { ROW_WIDTH, sidedColumns, VALUE_WIDTH } from "../body/channels.ts";
import { TURN_READ_TO } from "../body/shoulder-turn.ts";
import { numberAt } from "../checked-access.ts";

const TURN = sidedColumns("shoulderTurn");
const ELEVATION = sidedColumns("shoulderElevation");

/** Highest and lowest value of every range and reading over some samples; lengths as shares of H. */
export interface Extremes {
  readonly highest: Float64Array;
  readonly lowest: Float64Array;
}

/** Extremes of nothing yet: every value widens them. */
export const noExtremes = (): Extremes => ({
  highest: new Float64Array(VALUE_WIDTH).fill(Number.NEGATIVE_INFINITY),
  lowest: new Float64Array(VALUE_WIDTH).fill(Number.POSITIVE_INFINITY),
});

/** Whether the turn of a shoulder is read in a sample; with the arm high overhead it says too little. */
export const isTurnRead = (rows: Float64Array, start: number, side: 0 | 1): boolean =>
  numberAt(rows, start + ELEVATION[side]) <= TURN_READ_TO;

/** Takes one solved sample into extremes. @param sample its number */
export function widen({ highest, lowest }: Extremes, rows: Float64Array, sample: number): void {
  const start = sample * ROW_WIDTH;
  const left = isTurnRead(rows, start, 0);
  const right = isTurnRead(rows, start, 1);
  for (let i = 0; i < VALUE_WIDTH; i += 1) {
    if ((i === TURN[0] && !left) || (i === TURN[1] && !right)) continue;
    const value = numberAt(rows, start + i);
    if (value > numberAt(highest, i)) highest[i] = value;
    if (value < numberAt(lowest, i)) lowest[i] = value;
  }
}

/** The same with 0 for a turn that is not read in any sample. */
export function closeExtremes({ highest, lowest }: Extremes): void {
  for (const i of TURN)
    if (numberAt(highest, i) < numberAt(lowest, i)) {
      highest[i] = 0;
      lowest[i] = 0;
    }
}
