import type { Movement, PURPOSES } from "../movement/format.ts";

/**
 * What a variant keeps of the planned movement, weighed: range, both sides, balance demand, depth or load, breath and
 * timing.
 */
export interface Weights {
  readonly range: number;
  readonly sides: number;
  readonly balance: number;
  readonly depth: number;
  readonly breath: number;
}

/** Our own weights, each row adding up to 1. */
const WEIGHTS = {
  usual: { range: 0.4, sides: 0.2, balance: 0.2, depth: 0.1, breath: 0.1 },
  steadiness: { range: 0.2, sides: 0.15, balance: 0.5, depth: 0.1, breath: 0.05 },
  mobility: { range: 0.55, sides: 0.25, balance: 0.05, depth: 0.05, breath: 0.1 },
  hipsAndKnees: { range: 0.2, sides: 0.15, balance: 0.2, depth: 0.4, breath: 0.05 },
  calmBreath: { range: 0.25, sides: 0.1, balance: 0.05, depth: 0, breath: 0.6 },
  memory: { range: 0.2, sides: 0.35, balance: 0.15, depth: 0, breath: 0.3 },
} as const satisfies Record<string, Weights>;

const OF_PURPOSE: Readonly<Record<(typeof PURPOSES)[number], Weights>> = {
  steadiness: WEIGHTS.steadiness,
  spine: WEIGHTS.mobility,
  "neck and shoulders": WEIGHTS.mobility,
  "hips and knees": WEIGHTS.hipsAndKnees,
  "ankles and feet": WEIGHTS.mobility,
  "hands and wrists": WEIGHTS.mobility,
  breath: WEIGHTS.calmBreath,
  calm: WEIGHTS.calmBreath,
  "memory and coordination": WEIGHTS.memory,
};

/** The weights of a movement, by the first purpose that its file names. */
export function weightsOf({ purpose }: Pick<Movement, "purpose">): Weights {
  const [first] = purpose;
  return first === undefined ? WEIGHTS.usual : OF_PURPOSE[first];
}
