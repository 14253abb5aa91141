/**
 * Movements practised as one thing: first each for itself, then joined, then once more with few words. It stands in a plan as one
 * item; docs/planning.md explains it.
 */

/** One movement of a combination. */
export interface CombinationPart {
  readonly movementId: string;
  /** Repetitions of it to one of the combination; one where it is left out. */
  readonly times?: number;
}

/**
 * How the parts of a joined pass follow one another: all of them on one side and then on the other (A left, B left, A right,
 * B right), each on both sides before the next (A left, A right, B left, B right), or one repetition of each in turn.
 */
export const PART_ORDERS = ["sides", "parts", "inTurn"] as const;
/** How the parts of a joined pass follow one another. */
export type PartOrder = (typeof PART_ORDERS)[number];

/** Going through a combination once in one way. What is left out is the item's. */
export interface CombinationPass {
  /** Each part for itself and on both sides, shown before; or all joined, without stopping. */
  readonly how: "parts" | "joined";
  /** With names and counts only. */
  readonly quiet?: true;
  /** On one side only: the one that the item begins with, or the other. */
  readonly side?: "first" | "other";
  /** Repetitions as they are called. */
  readonly rounds?: number;
  /** Seconds of one breath. */
  readonly breathSeconds?: number;
  /** What the instructor says before it. */
  readonly say?: string;
}

/** Movements that are practised and fitted as one thing. */
export interface Combination {
  readonly name: string;
  readonly parts: readonly CombinationPart[];
  readonly order: PartOrder;
  readonly passes: readonly CombinationPass[];
}

/** Parts, passes and repetitions of a part that a combination may have. */
export const COMBINATION_BOUNDS = {
  parts: { least: 2, most: 4 },
  passes: { least: 1, most: 4 },
  times: { least: 1, most: 3 },
  name: 60,
  say: 200,
} as const;

/** What a combination is taught in at first: in parts, joined, and once more with few words. */
export const USUAL_PASSES: readonly CombinationPass[] = [{ how: "parts" }, { how: "joined" }, { how: "joined", quiet: true }];

/**
 * The most scheduled items that a combination can make, whatever the style counts.
 *
 * @param combination its parts and passes
 * @param rounds repetitions of a pass that has none of its own
 */
export const combinedItems = ({ parts, passes, order }: Combination, rounds: number): number =>
  passes.reduce((sum, pass) => {
    const sides = pass.side === undefined ? 2 : 1;
    if (pass.how === "parts" || order === "parts") return sum + parts.length;
    return sum + parts.length * sides * (order === "inTurn" ? Math.max(2, pass.rounds ?? rounds) : 1);
  }, 0);
