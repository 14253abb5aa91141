import { type Movement, taughtName } from "../movement/format.ts";

/** An item that may go straight on from the one before it. */
interface JoinedItem {
  readonly part?: { readonly runsOn: boolean } | null;
}

/**
 * The items that are done without stopping, as numbers: all parts of a joined pass together, every other item by itself.
 *
 * @param items of a schedule or a script, in their order
 * @returns every number once, in order
 * @example joinedPasses([{}, {}, { part: { runsOn: true } }]) // [[0], [1, 2]]
 */
export function joinedPasses(items: readonly JoinedItem[]): readonly (readonly number[])[] {
  const passes: number[][] = [];
  items.forEach(({ part }, i) => {
    const before = passes.at(-1);
    if (part?.runsOn && before) before.push(i);
    else passes.push([i]);
  });
  return passes;
}

/**
 * What the movements of a joined pass are called together, each once.
 *
 * @param movements of its parts, in their order
 * @example joinedName([press, row, press]) // "Shift and press + Row the boat"
 */
export const joinedName = (movements: readonly Pick<Movement, "name">[]): string =>
  [...new Set(movements.map(taughtName))].join(" + ");
