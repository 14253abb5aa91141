import { describe, expect, test } from "vitest";
import { createVariantCache } from "../fit/variant-cache.ts";
import { hasLandVariant } from "../movement/format.ts";
import { loadAll } from "../movement/library.fixture.ts";
import { EMPTY_PLAN } from "../plan/plan.ts";
import { withMovements } from "../schedule/items-with-movements.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { analyzePlan } from "./analyze-plan.ts";
import { copyForward } from "./copy-forward.ts";
import { overrunSeconds } from "./fix-duration.ts";

const variants = createVariantCache();
const movements = loadAll().filter(hasLandVariant);
const last = planned(
  { movementId: "settling-breath", rounds: 8 },
  { movementId: "open-and-gather", rounds: 8 },
  { movementId: "shoulder-circles", rounds: 8 },
  { movementId: "trunk-turn", rounds: 8 },
  "side-weight-shift",
  "lift-and-part",
  { movementId: "gather-and-close", rounds: 8 },
);
const had = new Set(last.map(({ movement }) => movement.id));
const given = circumstances({ familiarityWith: (id) => (had.has(id) ? "known" : "new") });
const next = (news: number, minutes: number) =>
  copyForward({
    last: { ...EMPTY_PLAN, purpose: "steadiness", blocks: last.map(({ block }) => block) },
    movements,
    context: given,
    minutes,
    news,
    variants,
  });

describe("the next session from the last", () => {
  test("has two new movements and a recap of what was there, and keeps to its minutes", () => {
    const { blocks } = next(2, 30);
    const analysis = analyzePlan(withMovements(blocks, movements), given, variants);
    expect(analysis.reading.blocks.filter(({ familiarity }) => familiarity === "new")).toHaveLength(2);
    for (const { block } of last) expect(blocks.map(({ movementId }) => movementId)).toContain(block.movementId);
    expect(overrunSeconds(analysis, { minutes: 30, changing: 0 })).toBeLessThanOrEqual(0);
  });

  test("keeps what is new where it has to be shortened", () => {
    const { blocks } = next(2, 12);
    const analysis = analyzePlan(withMovements(blocks, movements), given, variants);
    expect(analysis.reading.blocks.filter(({ familiarity }) => familiarity === "new")).toHaveLength(2);
    expect(blocks.length).toBeLessThan(last.length + 2);
  });

  test("brings what it is for, before the settling", () => {
    const { blocks } = next(1, 30);
    const fresh = blocks.findIndex(({ movementId }) => !had.has(movementId));
    expect(blocks.findIndex(({ movementId }) => movementId === "gather-and-close")).toBeGreaterThan(fresh);
    const analysis = analyzePlan(withMovements(blocks, movements), given, variants);
    expect(analysis.balance[fresh]).toBeGreaterThan(5);
  });

  test("without anything new it is the same again", () => {
    const minutes = Math.ceil(analyzePlan(last, given, variants).reading.total / 60);
    expect(next(0, minutes).blocks).toEqual(last.map(({ block }) => block));
  });
});
