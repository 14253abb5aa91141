import type { CellView } from "@able-tide/core/fit/cell-view";
import { circumstances, combined, planned } from "@able-tide/core/schedule/plan.fixture";
import { schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import { expect, test } from "vitest";
import { cellOfColumn, columnsOf, columnWith, spansOfItems } from "./board-columns.ts";

const { blocks } = schedulePlan(
  planned("settling-breath", { ...combined(["shift-and-press", "side-drift"]), rounds: 2 }, "quiet-feet"),
  circumstances(),
);
const columns = columnsOf(blocks);

test("a movement and a part by itself have a column each, a joined pass has one", () => {
  expect(columns.map(({ id, name, items }) => [id, name, items.length])).toEqual([
    ["b1", "Settling breath", 1],
    ["b2.1.1", "Shift and press", 1],
    ["b2.1.2", "Side drift with turning palms", 1],
    ["b2.2.1", "Shift and press + Side drift with turning palms", 4],
    ["b2.3.1", "Shift and press + Side drift with turning palms", 4],
    ["b3", expect.any(String), 1],
  ]);
  expect(columns.reduce((sum, { total }) => sum + total, 0)).toBeCloseTo(blocks.reduce((sum, { total }) => sum + total, 0));
});

test("a column is found by any part in it", () => {
  expect(columnWith(columns, blocks, "b2.2.3")?.id).toBe("b2.2.1");
  expect(columnWith(columns, blocks, "gone")).toBeNull();
});

test("the items of a column share its span by their seconds, without a gap", () => {
  const spans = columns.map((_, i) => ({ left: 100 * i, right: 100 * i + 100 }));
  const items = spansOfItems(columns, spans, blocks);
  expect(items).toHaveLength(blocks.length);
  items.forEach(({ left }, i) => {
    if (i > 0) expect(left).toBeCloseTo(items[i - 1]?.right ?? 0);
  });
  expect(items.at(-1)?.right).toBeCloseTo(600);
});

test("a participant's cell in a joined pass is the part they keep least of, with every difference", () => {
  const cells = blocks.map((_, i) => ({ fidelity: i === 5 ? 0.4 : 1, brief: i === 5 ? "seated" : "" }) as CellView);
  const [first, , , joined] = columns;
  if (!first || !joined) throw new Error("there are no columns");
  expect(cellOfColumn(cells, joined)).toMatchObject({ fidelity: 0.4, brief: "seated" });
  expect(cellOfColumn(cells, first)).toBe(cells[0]);
  expect(cellOfColumn(null, joined)).toBeUndefined();
});
