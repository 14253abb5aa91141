import { itemAt } from "@able-tide/core/checked-access";
import fc from "fast-check";
import { expect, test } from "vitest";
import { itemSpans, layBoard, phaseStretches, placePulledTo } from "./board-layout.ts";

const totals = (seconds: readonly number[]) => seconds.map((total) => ({ total }));

test("blocks lie side by side over the whole width, none too narrow, a longer one never narrower", () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 20, max: 400 }), { minLength: 1, maxLength: 30 }),
      fc.integer({ min: 200, max: 2000 }),
      (seconds, available) => {
        const { blocks, leaving, width } = layBoard(totals(seconds), 60, available);
        const spans = [...blocks, leaving];
        expect(width).toBeGreaterThanOrEqual(available);
        expect(spans[0]?.left).toBe(0);
        expect(leaving.right).toBeCloseTo(width, 6);
        spans.slice(1).forEach((span, i) => {
          expect(span.left).toBeCloseTo(spans[i]?.right ?? 0, 9);
        });
        const widths = blocks.map(({ left, right }) => right - left);
        for (const each of widths) expect(each).toBeGreaterThanOrEqual(44);
        seconds.forEach((a, i) => {
          seconds.forEach((b, j) => {
            if (a > b) expect(widths[i]).toBeGreaterThanOrEqual(itemAt(widths, j) - 1e-9);
          });
        });
      },
    ),
  );
});

test("neighbours of one phase are one stretch; the same phase later is another", () => {
  const spans = [0, 10, 20, 30].map((left) => ({ left, right: left + 10 }));
  const phases = (["loosen", "loosen", "flow", "loosen"] as const).map((phase) => ({ phase }));
  expect(phaseStretches(phases, spans)).toEqual([
    { left: 0, right: 20, phase: "loosen" },
    { left: 20, right: 30, phase: "flow" },
    { left: 30, right: 40, phase: "loosen" },
  ]);
});

test.each([
  [0, 0, 0],
  [0, 99, 0],
  [0, 101, 1],
  [0, 900, 3],
  [3, -101, 2],
  [3, -900, 0],
])("block %d pulled by %d px has place %d", (from, by, place) => {
  const spans = [0, 100, 200, 300].map((left) => ({ left, right: left + 100 }));
  expect(placePulledTo(spans, from, by)).toBe(place);
});

test("the parts of a combination lie in one span of its item", () => {
  const spans = [0, 50, 100, 150].map((left) => ({ left, right: left + 50 }));
  expect(itemSpans([{ id: "b1" }, { id: "b2.1.1" }, { id: "b2.1.2" }, { id: "b3" }], spans)).toEqual([
    { itemId: "b1", left: 0, right: 50 },
    { itemId: "b2", left: 50, right: 150 },
    { itemId: "b3", left: 150, right: 200 },
  ]);
});
