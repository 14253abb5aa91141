import { describe, expect, test } from "vitest";
import { type Arm, USUAL_BODY, WHOLE } from "../body/build.ts";
import { sidedColumn } from "../body/channels.ts";
import { capOf } from "../caps/cap.fixture.ts";
import type { CapLimit } from "../caps/cap.ts";
import { itemAt, numberAt, present } from "../checked-access.ts";
import { load } from "../movement/library.fixture.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import type { FittedCell } from "./cell.ts";
import { readCell } from "./cell-reading.ts";
import { fitPerson } from "./fit-person.ts";
import { plannedAmount } from "./fit-plan.ts";
import { planOf } from "./group.fixture.ts";
import { createVariantCache } from "./variant-cache.ts";

const variants = createVariantCache();
const CARRIED: Arm = { kind: "carried" };
const plan = planOf([load("shift-and-press")], OPEN_HALL);

/** How someone is fitted whose left arm is so, within caps. */
function cellOf(left: Arm, limits: readonly CapLimit[] = [], of = plan): FittedCell {
  const caps = limits.map((limit, i) => ({ ...capOf(limit), id: `c${i}` }));
  const person = { id: "p", stature: 1.65, measured: { ...USUAL_BODY, arms: [left, WHOLE] as const }, caps };
  return itemAt(fitPerson(of, person, variants).cells, 0);
}
const most = ({ demands }: FittedCell, name: "shoulderElevation" | "shoulderLoad", side: "left" | "right"): number =>
  Math.max(...demands.map(({ highest }) => numberAt(highest, sidedColumn(name, side))));
const briefly = (cell: FittedCell, of = plan) => {
  const block = itemAt(of.blocks, 0);
  return readCell(cell, block.plannedVariant, plannedAmount(block));
};

describe("someone whose arm the other hand may carry", () => {
  test("has it carried in full where both hands move together, and everyone sees that", () => {
    const cell = cellOf(CARRIED);
    expect(cell.choice).toMatchObject({ kind: "standing", carried: "left", sizes: { armLeft: 8, armRight: 8 } });
    expect(cell.fidelity).toBeCloseTo(1, 9);
    expect(briefly(cell)).toMatchObject({ whole: false, changes: [{ change: "carries", arm: "left" }] });
    expect(most(cell, "shoulderElevation", "left")).toBeGreaterThan(70);
  });

  test.each([
    ["an arm that only rests", { kind: "still" } as const],
    ["an arm that moves", WHOLE],
  ])("is not the same as %s", (_, arm) => {
    expect(cellOf(arm).choice?.carried).toBeUndefined();
  });

  test("lets it rest where the hands move apart", () => {
    const apart = planOf([load("press-then-open")], OPEN_HALL);
    const cell = cellOf(CARRIED, [], apart);
    expect(cell.choice).toMatchObject({ kind: "standing" });
    expect(cell.choice?.carried).toBeUndefined();
    expect(most(cell, "shoulderElevation", "left")).toBeLessThan(45);
  });

  test("keeps the arm's own caps: its range is smaller, and the other hand goes along", () => {
    const limit = 60;
    const lift = planOf([load("settling-breath")], OPEN_HALL);
    const cell = cellOf(CARRIED, [{ channel: "motion", motion: "shoulderElevation", side: "left", limit }], lift);
    expect(most(cellOf(CARRIED, [], lift), "shoulderElevation", "left")).toBeGreaterThan(limit);
    expect(cell.choice?.carried).toBe("left");
    expect(cell.choice?.sizes.armLeft).toBe(cell.choice?.sizes.armRight);
    expect(most(cell, "shoulderElevation", "left")).toBeLessThanOrEqual(limit);
    expect(cell.fidelity).toBeLessThan(1);
  });

  test("keeps the caps of the arm that carries, whose load is greater", () => {
    const free = most(cellOf(WHOLE), "shoulderLoad", "right");
    const carrying = most(cellOf(CARRIED), "shoulderLoad", "right");
    expect(carrying).toBeGreaterThan(free);
    const limit = 50 * (free + carrying);
    const cell = cellOf(CARRIED, [{ channel: "shoulderLoad", side: "right", limit }]);
    expect(100 * most(cell, "shoulderLoad", "right")).toBeLessThanOrEqual(limit);
    expect(cell.fidelity).toBeLessThan(1);
    expect(cellOf(WHOLE, [{ channel: "shoulderLoad", side: "right", limit }]).fidelity).toBeCloseTo(1, 9);
  });

  test.each([
    ["a cap bars it", { channel: "barredFeature", limit: "leftArmCarried" }],
    ["the arm is to rest, as soon after an injury", { channel: "sizeShare", part: "leftArm", limit: 0 }],
  ] as const)("does not have it carried where %s", (_, limit) => {
    const cell = cellOf(CARRIED, [limit]);
    expect(cell.choice?.carried).toBeUndefined();
    expect(present(cell.choice, "variant").kind).toBe("standing");
    expect(most(cell, "shoulderElevation", "left")).toBeLessThan(45);
  });
});
