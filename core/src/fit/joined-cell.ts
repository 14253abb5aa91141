import type { CellView } from "./cell-view.ts";

/**
 * A participant's cell in a joined pass of a combination: that of the part of which they keep least, with what is different in any.
 *
 * @param cells of its parts, in their order
 * @returns undefined where there is none
 */
export function joinedCell(cells: readonly CellView[]): CellView | undefined {
  const [first] = cells;
  if (first === undefined || cells.length < 2) return first;
  const least = cells.reduce((a, b) => (b.fidelity < a.fidelity ? b : a));
  return { ...least, brief: [...new Set(cells.map(({ brief }) => brief).filter(Boolean))].join("; ") };
}
