import { describe, expect, test } from "vitest";
import { ROW_WIDTH, sidedColumn } from "../body/channels.ts";
import type { Demand } from "../movement/demand.ts";
import { FULL_SIZE, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import {
  balanceFidelity,
  depthFidelity,
  fidelity,
  mostFidelity,
  rangeFidelity,
  rangeShare,
  readPlanned,
  readPlannedRanges,
  readShape,
} from "./fidelity.ts";

/** A demand in which only some columns move, from 0 to a number of degrees. */
function demandOf(spans: Readonly<Record<number, number>>, balance = 4): Demand {
  const highest = new Float64Array(ROW_WIDTH);
  for (const [index, span] of Object.entries(spans)) highest[Number(index)] = span;
  return { highest, lowest: new Float64Array(ROW_WIDTH), balance: { total: balance } } as unknown as Demand;
}
const RIGHT = sidedColumn("shoulderElevation", "right");
const LEFT = sidedColumn("shoulderElevation", "left");
const HIP = sidedColumn("hipFlexion", "right");
const KNEE = sidedColumn("loadedKnee", "right");

/** Both arms to 100, a hip to 50, a knee under load to 40, a wrist by too little to count. */
const PLANNED = demandOf({ [RIGHT]: 100, [LEFT]: 100, [HIP]: 50, [KNEE]: 40, [sidedColumn("wrist", "left")]: 9 });
const ranges = readPlannedRanges(FULL_STANDING_VARIANT, [PLANNED]);
const planned = readPlanned({ purpose: [] as never }, ranges, [PLANNED]);
const sized = (sizes: Partial<VariantSpec["sizes"]>): VariantSpec => ({
  ...FULL_STANDING_VARIANT,
  sizes: { ...FULL_STANDING_VARIANT.sizes, ...sizes },
});

describe("what of the planned variant there is to keep", () => {
  test("the ranges that move by more than 10 degrees, the deepest loaded knee and the balance demand", () => {
    const columns = ranges.moving.map(({ column }) => column);
    expect(columns).toEqual(expect.arrayContaining([RIGHT, LEFT, HIP]));
    expect(columns).not.toContain(sidedColumn("wrist", "left"));
    expect(planned).toMatchObject({ depth: 40, balance: 4 });
  });

  test("without a purpose the weights are 0.4, 0.2, 0.2, 0.1 and 0.1", () => {
    expect(planned.weights).toEqual({ range: 0.4, sides: 0.2, balance: 0.2, depth: 0.1, breath: 0.1 });
  });
});

describe("what a variant keeps", () => {
  const whole = readShape(planned, FULL_STANDING_VARIANT, [PLANNED]);

  test("is all of it for the planned variant itself", () => {
    expect(whole.ranges.every((share) => share === 1)).toBe(true);
    expect(rangeFidelity(planned, whole, FULL_STANDING_VARIANT)).toEqual({ range: 1, sides: 1 });
    const body = { balance: 1, depth: 1 };
    expect(fidelity(planned, body, { range: 1, sides: 1 }, [PLANNED], true)).toBeCloseTo(1, 12);
  });

  test("of ranges is the mean over those that move, each by the size of its part", () => {
    // Two arms, one hip: half of one arm leaves (0.5 + 1 + 1) / 3.
    const moving = ranges.moving.length;
    const half = rangeFidelity(planned, whole, sized({ armRight: FULL_SIZE / 2 }));
    expect(half.range).toBeCloseTo((moving - 0.5) / moving, 12);
    expect(half.sides).toBe(1);
  });

  test("of sides is one of two where an arm does less than a tenth and that side has nothing else", () => {
    const arms = readPlannedRanges(FULL_STANDING_VARIANT, [demandOf({ [RIGHT]: 100, [LEFT]: 100 })]);
    const own = readPlanned({ purpose: [] as never }, arms, [PLANNED]);
    const shape = { ranges: arms.moving.map(() => 1) };
    expect(rangeFidelity(own, shape, sized({ armRight: 0 })).sides).toBe(0.5);
  });

  test("legs that stand still count as one more range that is lost", () => {
    const moving = ranges.moving.length;
    const still = rangeFidelity(planned, whole, sized({ legs: 0 }));
    const legs = ranges.moving.filter(({ part }) => part === "legs").length;
    expect(still.range).toBeCloseTo((moving - legs) / (moving + 1), 12);
  });

  test("of depth and balance demand is a share of the planned, never over 1", () => {
    expect(depthFidelity(planned, [demandOf({ [KNEE]: 20 })])).toBeCloseTo(0.5, 12);
    expect(depthFidelity(planned, [demandOf({ [KNEE]: 80 })])).toBe(1);
    expect(balanceFidelity(planned, [demandOf({}, 1)])).toBeCloseTo(0.25, 12);
    expect(balanceFidelity(planned, [demandOf({}, 9)])).toBe(1);
  });

  test("of a movement that asks for little balance or depth nothing is lost", () => {
    const easy = demandOf({ [RIGHT]: 100, [KNEE]: 9 }, 1.4);
    const own = readPlanned({ purpose: [] as never }, readPlannedRanges(FULL_STANDING_VARIANT, [easy]), [easy]);
    expect(depthFidelity(own, [demandOf({})])).toBe(1);
    expect(balanceFidelity(own, [demandOf({}, 0)])).toBe(1);
  });

  test("weight held back over the heels keeps half of the depth at most", () => {
    expect(readShape(planned, { ...FULL_STANDING_VARIANT, weightBack: true }, [PLANNED]).depth).toBe(0.5);
  });

  test("is worked out by hand: 0.4 x 0.5 + 0.2 x 1 + 0.2 x 0.25 + 0.1 x 0.5 + 0.1", () => {
    const body = { balance: 0.25, depth: 0.5 };
    expect(mostFidelity(planned, body, { range: 0.5, sides: 1 }, true)).toBeCloseTo(0.6, 12);
    expect(mostFidelity(planned, body, { range: 0.5, sides: 1 }, false)).toBeCloseTo(0.5, 12);
  });

  test("is never more than the plainest variant of the same trunk and legs is credited with", () => {
    const plain = { balance: 0.5, depth: 0.5 };
    const kept = { range: 1, sides: 1 };
    expect(fidelity(planned, plain, kept, [PLANNED], true)).toBeCloseTo(mostFidelity(planned, plain, kept, true), 12);
  });
});

test("the symbol shows the mean size of the parts that move", () => {
  expect(rangeShare(planned, FULL_STANDING_VARIANT)).toBe(1);
  const moving = ranges.moving.length;
  expect(rangeShare(planned, sized({ armLeft: 0, armRight: 0 }))).toBeCloseTo((moving - 2) / moving, 12);
});
