import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import type { CapLimit } from "../caps/cap.ts";
import { itemAt } from "../checked-access.ts";
import type { PlanItem } from "../plan/plan-item.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { readCell } from "./cell-reading.ts";
import { fitPerson } from "./fit-person.ts";
import { fitPlanOf, plannedAmount } from "./fit-plan.ts";
import { capsOf } from "./group.fixture.ts";
import { createVariantCache } from "./variant-cache.ts";

const variants = createVariantCache();

function cellWith(differs: Partial<PlanItem>, ...limits: CapLimit[]) {
  const plan = fitPlanOf(schedulePlan(planned({ movementId: "side-drift", rounds: 4, ...differs }), circumstances()), OPEN_HALL, {
    size: "longStretch",
  });
  const block = itemAt(plan.blocks, 0);
  const row = fitPerson(plan, { id: "p", stature: 1.62, measured: USUAL_BODY, caps: capsOf(limits) }, variants);
  return readCell(itemAt(row.cells, 0), block.plannedVariant, plannedAmount(block));
}
const TWO_SECONDS = { pause: { at: "top", seconds: 2 } } as const;

describe("a chosen pause of the breath", () => {
  test("is for everyone whose caps allow it", () => {
    expect(cellWith(TWO_SECONDS).whole).toBe(true);
    expect(cellWith(TWO_SECONDS, { channel: "breathPause", limit: 2 }).whole).toBe(true);
  });

  test("is left out by whoever must not pause so long, who does the movement all the same", () => {
    const cell = cellWith(TWO_SECONDS, { channel: "breathPause", limit: 1 });
    expect(cell.form).toBe("standing");
    expect(cell.fidelity).toBeLessThan(1);
    expect(cell.changes).toEqual([{ change: "noPause" }]);
    expect(cell.because.map(({ limit }) => limit.channel)).toEqual(["breathPause"]);
  });

  test("never keeps more with a stricter cap", () => {
    const kept = [3, 2, 1, 0].map((limit) => cellWith(TWO_SECONDS, { channel: "breathPause", limit }).fidelity);
    expect(kept).toEqual([...kept].sort((a, b) => b - a));
  });

  test("counts as part of the breath where the breath is capped", () => {
    expect(cellWith({}, { channel: "longestBreath", limit: 9 }).whole).toBe(true);
    expect(cellWith(TWO_SECONDS, { channel: "longestBreath", limit: 9 }).whole).toBe(false);
  });
});

test("two breaths to one take twice as long and suit a short breath as well as one does", () => {
  expect(cellWith({ breathsToOne: 2 }).whole).toBe(true);
  expect(cellWith({ breathsToOne: 2 }, { channel: "longestBreath", limit: 8 }).whole).toBe(true);
});
