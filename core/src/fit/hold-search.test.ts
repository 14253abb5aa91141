import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { anyLimit, tightened } from "../caps/any-limit.fixture.ts";
import type { CapLimit } from "../caps/cap.ts";
import { violatesCap } from "../caps/cap-violations.ts";
import { newcomerCaps } from "../caps/newcomers.ts";
import { itemAt } from "../checked-access.ts";
import { holdSeconds, type TimedHold } from "../movement/timed-hold.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { cases } from "../test-size.fixture.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { fitPerson } from "./fit-person.ts";
import { fitPlanOf } from "./fit-plan.ts";
import { capsOf } from "./group.fixture.ts";
import type { FitPerson } from "./session.ts";
import { createVariantCache } from "./variant-cache.ts";

const variants = createVariantCache();
const HALF_MINUTE: TimedHold = [{ seconds: 30, share: 1 }];

const planOf = (movementId: string, timedHold: TimedHold, rounds = 1, blocks = 1) =>
  fitPlanOf(
    schedulePlan(planned(...Array.from({ length: blocks }, () => ({ movementId, rounds, timedHold }))), circumstances()),
    OPEN_HALL,
    { size: "longStretch" },
  );
const personWith = (...limits: CapLimit[]): FitPerson => ({ id: "p", stature: 1.62, measured: USUAL_BODY, caps: capsOf(limits) });
const fitted = (movementId: string, limits: readonly CapLimit[], hold = HALF_MINUTE, rounds = 1, blocks = 1) =>
  fitPerson(planOf(movementId, hold, rounds, blocks), personWith(...limits), variants);
const cellOf = (movementId: string, ...limits: CapLimit[]) => itemAt(fitted(movementId, limits).cells, 0);

describe("a timed hold fitted to a participant", () => {
  test("is the whole hold without caps", () => {
    expect(cellOf("low-and-still")).toMatchObject({ holdSeconds: 30, rounds: 1, fidelity: 1 });
  });

  test("is as long as a cap on holds allows, and keeps with its seconds", () => {
    const cell = cellOf("low-and-still", { channel: "holdSeconds", limit: 12 });
    expect(cell.holdSeconds).toBe(10);
    expect(cell.fidelity).toBeCloseTo(0.3 + 0.7 / 3, 6);
    expect(itemAt(cell.demands, 0).longestHold).toBeLessThanOrEqual(12);
  });

  test("on one leg is as long as a cap on one leg allows", () => {
    const cell = cellOf(
      "one-leg-arms-rise",
      { channel: "oneLegSeconds", side: "both", limit: 20 },
      { channel: "barredForm", limit: "seated" },
    );
    for (const demand of cell.demands) expect(Math.max(...demand.longestOneLeg)).toBeLessThanOrEqual(20.001);
    expect(cell.choice).not.toBeNull();
  });

  test("a cap on the share of repetitions leaves that share of the seconds", () => {
    const cell = cellOf("low-and-still", { channel: "roundsShare", part: "all", limit: 50 });
    expect(cell).toMatchObject({ holdSeconds: 15, rounds: 1 });
  });

  test("without any hold allowed is gone through without holding where the movement stays nowhere", () => {
    const cell = cellOf("heels-up", { channel: "holdSeconds", limit: 0 });
    expect(cell.holdSeconds).toBe(0);
    expect(cell.fidelity).toBeCloseTo(0.3, 6);
  });

  test("an arm that may never be held out rests, and the other does its own", () => {
    expect(cellOf("low-and-still", { channel: "heldOutShare", side: "right", limit: 0 })).toMatchObject({
      holdSeconds: 30,
      choice: { arms: "left", hold: null },
    });
  });

  test("a cap on the load leaves a smaller hold of the whole time", () => {
    const cell = cellOf("low-and-still", { channel: "loadedKnee", side: "both", limit: 20 });
    expect(cell.holdSeconds).toBe(30);
    expect(cell.fidelity).toBeLessThan(1);
  });

  test("a newcomer holds for ten seconds at a time, and thirty in all", () => {
    const row = fitted("low-and-still", newcomerCaps("tandem"), HALF_MINUTE, 1, 5);
    for (const { holdSeconds: each } of row.cells) expect(each ?? 0).toBeLessThanOrEqual(10);
    expect(row.sums.held).toBeLessThanOrEqual(30.001);
    // Ten seconds three times: as much as they may.
    expect(row.sums.held).toBeCloseTo(30, 3);
  });

  test("its seconds add up to those of the session", () => {
    const row = fitted("low-and-still", [{ channel: "holdSeconds", limit: 20 }], HALF_MINUTE, 2, 2);
    expect(row.sums.held).toBeCloseTo(2 * 2 * 20, 6);
  });
});

describe("with any caps", () => {
  const anyHeld = fc.constantFrom("low-and-still", "heels-up", "one-leg-toe-near", "small-knee-bends");

  test("no cap is broken, and no hold is longer than the group's", () => {
    fc.assert(
      fc.property(anyHeld, fc.array(anyLimit, { maxLength: 3 }), fc.integer({ min: 0, max: 60 }), (id, limits, seconds) => {
        const caps = capsOf([...limits, { channel: "holdSeconds", limit: seconds }]);
        const row = fitPerson(planOf(id, HALF_MINUTE), { ...personWith(), caps }, variants);
        const { choice, demands, rounds, holdSeconds: held } = itemAt(row.cells, 0);
        if (choice === null) return;
        expect(held ?? 0).toBeLessThanOrEqual(holdSeconds(HALF_MINUTE));
        for (const cap of caps)
          for (const demand of demands) expect(violatesCap(cap, choice, demand, rounds), JSON.stringify(cap.limit)).toBe(false);
      }),
      { numRuns: cases(40, 400) },
    );
  });

  test("tightening a cap never helps", () => {
    fc.assert(
      fc.property(anyHeld, anyLimit, (id, limit) => {
        const loose = fitPerson(planOf(id, HALF_MINUTE), personWith(limit), variants);
        const tight = fitPerson(planOf(id, HALF_MINUTE), personWith(tightened(limit)), variants);
        expect(tight.fidelity).toBeLessThanOrEqual(loose.fidelity + 1e-9);
      }),
      { numRuns: cases(40, 400) },
    );
  });
});
