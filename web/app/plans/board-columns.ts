import { itemAt } from "@able-tide/core/checked-access";
import type { CellView } from "@able-tide/core/fit/cell-view";
import { joinedCell } from "@able-tide/core/fit/joined-cell";
import { joinedName, joinedPasses } from "@able-tide/core/schedule/joined-passes";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import type { Span } from "./board-layout.ts";

/** A column of the board: a movement, or all parts of a joined pass of a combination. */
export interface BoardColumn {
  /** Id of its first scheduled item. */
  readonly id: string;
  /** What the movements in it are called. */
  readonly name: string;
  /** Numbers of its scheduled items, from the first to the last. */
  readonly items: readonly number[];
  /** Seconds. */
  readonly total: number;
}

/** The columns of a plan, in their order. */
export const columnsOf = (blocks: readonly ScheduledItem[]): readonly BoardColumn[] =>
  joinedPasses(blocks).map((items) => {
    const own = items.map((i) => itemAt(blocks, i));
    return {
      id: itemAt(own, 0).id,
      name: joinedName(own.map(({ movement }) => movement)),
      items,
      total: own.reduce((sum, { total }) => sum + total, 0),
    };
  });

/** The column that a scheduled item is in; null where it is in none. */
export const columnWith = (
  columns: readonly BoardColumn[],
  blocks: readonly { readonly id: string }[],
  id: string | null,
): BoardColumn | null => columns.find(({ items }) => items.some((i) => blocks[i]?.id === id)) ?? null;

/** Where each scheduled item lies: its column's span is shared out by their seconds. */
export const spansOfItems = (
  columns: readonly BoardColumn[],
  spans: readonly Span[],
  blocks: readonly { readonly total: number }[],
): readonly Span[] =>
  columns.flatMap(({ items, total }, column) => {
    const { left, right } = itemAt(spans, column);
    let from = left;
    return items.map((i): Span => {
      const width = total > 0 ? ((right - left) * itemAt(blocks, i).total) / total : (right - left) / items.length;
      const span = { left: from, right: from + width };
      from = span.right;
      return span;
    });
  });

/** A participant's cell in a column; undefined while their cells are not known. */
export const cellOfColumn = (cells: readonly CellView[] | null, { items }: Pick<BoardColumn, "items">): CellView | undefined =>
  joinedCell(items.flatMap((i) => cells?.[i] ?? []));
