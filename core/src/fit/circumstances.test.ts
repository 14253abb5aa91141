import { describe, expect, test } from "vitest";
import { type Circumstances, circumstanceDemand } from "../body/balance-demand.ts";
import { buildOf, USUAL_BODY } from "../body/build.ts";
import { capOf } from "../caps/cap.fixture.ts";
import type { Cap } from "../caps/cap.ts";
import { present } from "../checked-access.ts";
import { load, loadAll } from "../movement/library.fixture.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, mirrorVariant, variantCode } from "../movement/variant.ts";
import { circumstancesOf } from "../plan/plan-item.ts";
import { analyzePlan } from "../planner/analyze-plan.ts";
import { circumstances as context } from "../schedule/plan.fixture.ts";
import { someOf } from "../test-size.fixture.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { shapesOf } from "./candidates.ts";
import { fitCell } from "./cell.ts";
import { cellInputOf } from "./cell-input.fixture.ts";
import { createVariantCache, leadingSides } from "./variant-cache.ts";

const variants = createVariantCache();
const build = buildOf(USUAL_BODY, 1.65);
const BARE = { ...OPEN_HALL, rail: 0, chairs: 0 };
const HARD: readonly Circumstances[] = [
  { secondTask: "familiar" },
  { secondTask: "new" },
  { softFloor: true },
  { secondTask: "new", softFloor: true },
];

const fit = (id: string, caps: readonly Cap[], around: Circumstances | null, resources = OPEN_HALL) =>
  fitCell(cellInputOf(id, { workingShare: 1, resources, caps, ...(around && { circumstances: around }) }), variants);
const demandOf = (id: string, around: Circumstances | null, eased = false, kind = FULL_STANDING_VARIANT) => {
  const movement = load(id);
  const doer = { stature: 1.65, build, ...(around && { circumstances: around }) };
  const choice = eased ? { ...kind, eased: true as const } : kind;
  return Math.max(
    ...present(variants.demands(movement, choice, doer, 8, leadingSides(movement)), id).map(({ balance }) => balance.total),
  );
};

describe("a second task and a soft surface", () => {
  test.each(HARD)("%j add to every standing movement what the scale says, and nothing where the variant is eased", (around) => {
    for (const { id } of someOf(
      loadAll().filter(({ forms }) => forms.standing !== false && !forms.standing?.keys),
      4,
    )) {
      const plain = demandOf(id, null);
      const added = circumstanceDemand(around, false);
      // Nothing goes over the top of the scale.
      expect(demandOf(id, around), id).toBeCloseTo(Math.min(10, plain + added), 9);
      expect(demandOf(id, around, true), id).toBe(plain);
    }
  });

  test("on a chair the surface under the feet says nothing", () => {
    const seated = (around: Circumstances | null) => demandOf("look-over-shoulder", around, false, FULL_SEATED_VARIANT);
    expect(seated({ softFloor: true })).toBe(seated(null));
    expect(seated({ secondTask: "familiar" })).toBeCloseTo(seated(null) + 0.5, 9);
  });

  test("whoever may not be asked so much does the whole movement without", () => {
    const plain = demandOf("side-weight-shift", null);
    const capped = [capOf({ channel: "steadiness", limit: plain + 0.2 })];
    const found = fit("side-weight-shift", capped, { secondTask: "new" }, BARE);
    expect(found.choice).toMatchObject({ kind: "standing", eased: true, sizes: FULL_STANDING_VARIANT.sizes });
    expect(found.fidelity).toBeLessThan(1);
    expect(found.because).toEqual(capped);
    expect(fit("side-weight-shift", [], { secondTask: "new" }, BARE)).toMatchObject({
      choice: FULL_STANDING_VARIANT,
      fidelity: 1,
    });
  });

  test("no cap is ever broken, and an easier cell is never emptier than one with the task alone", () => {
    for (const limit of [2, 3, 4, 5, 6])
      for (const around of HARD) {
        const caps = [capOf({ channel: "steadiness", limit })];
        const found = fit("step-ahead-and-home", caps, around);
        for (const { balance } of found.demands) expect(balance.total).toBeLessThanOrEqual(limit + 0.001);
        expect(found.fidelity).toBeGreaterThanOrEqual(
          fit("step-ahead-and-home", [capOf({ channel: "steadiness", limit: limit - 1 })], around).fidelity - 1e-9,
        );
      }
  });

  test("every shape is there with and without; on a chair only a task makes two of one", () => {
    const shapes = (around: Circumstances) => shapesOf(load("look-over-shoulder"), "middle", undefined, null, around);
    const plain = shapes({});
    expect(plain.some(({ eased }) => eased)).toBe(false);
    expect(shapes({ secondTask: "new" })).toHaveLength(2 * plain.length);
    const seated = plain.filter(({ kind }) => kind === "seated").length;
    expect(shapes({ softFloor: true })).toHaveLength(2 * plain.length - seated);
    const codes = shapes({ secondTask: "new" }).map(variantCode);
    expect(new Set(codes).size).toBe(codes.length);
    expect(mirrorVariant({ ...FULL_STANDING_VARIANT, eased: true }).eased).toBe(true);
  });
});

describe("in a plan", () => {
  test("what is only pictured asks nothing, and the floor of a pool is even", () => {
    expect(circumstancesOf({ secondTask: "new", softFloor: true }, false)).toEqual({ secondTask: "new", softFloor: true });
    expect(circumstancesOf({ softFloor: true }, true)).toBeNull();
    expect(circumstancesOf({ secondTask: "new", inMind: true }, false)).toBeNull();
    expect(circumstancesOf({}, false)).toBeNull();
  });

  test("the tide line rises by what they add", () => {
    const movement = load("side-weight-shift");
    const tide = (said: { secondTask?: "new"; softFloor?: true }) =>
      analyzePlan([{ block: { id: "a", movementId: movement.id, rounds: 4, ...said }, movement }], context(), variants)
        .balance[0] ?? 0;
    expect(tide({ secondTask: "new" })).toBeCloseTo(tide({}) + 1, 9);
    expect(tide({ secondTask: "new", softFloor: true })).toBeCloseTo(tide({}) + 2.5, 9);
  });
});
