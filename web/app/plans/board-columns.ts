import { itemAt } from "@able-tide/core/checked-access";
import type { CellView } from "@able-tide/core/fit/cell-view";
import { taughtName } from "@able-tide/core/movement/format";
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

const joinedPass = ({ part }: ScheduledItem): string | null =>
  part?.pass.how === "joined" ? `${part.item.id} ${part.passNumber}` : null;

/** The columns of a plan, in their order. */
export function columnsOf(blocks: readonly ScheduledItem[]): readonly BoardColumn[] {
  const columns: { key: string | null; items: number[] }[] = [];
  blocks.forEach((block, i) => {
    const key = joinedPass(block);
    const before = columns.at(-1);
    if (key !== null && before?.key === key) before.items.push(i);
    else columns.push({ key, items: [i] });
  });
  return columns.map(({ items }) => {
    const own = items.map((i) => itemAt(blocks, i));
    return {
      id: itemAt(own, 0).id,
      name: [...new Set(own.map(({ movement }) => taughtName(movement)))].join(" + "),
      items,
      total: own.reduce((sum, { total }) => sum + total, 0),
    };
  });
}

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

/**
 * A participant's cell in a column: the part of which they keep least, with what is different in any.
 *
 * @param cells of the participant, one a scheduled item
 * @returns undefined while they are not known
 */
export function cellOfColumn(cells: readonly CellView[] | null, { items }: BoardColumn): CellView | undefined {
  const own = items.flatMap((i) => cells?.[i] ?? []);
  const [first] = own;
  if (first === undefined || own.length < 2) return first;
  const least = own.reduce((a, b) => (b.fidelity < a.fidelity ? b : a));
  return { ...least, brief: [...new Set(own.map(({ brief }) => brief).filter(Boolean))].join("; ") };
}
