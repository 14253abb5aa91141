import { describe, expect, test } from "vitest";
import { createVariantCache } from "../fit/variant-cache.ts";
import { analyzePlan } from "../planner/analyze-plan.ts";
import { readContent } from "../planner/content.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { readDemand } from "./demand.ts";
import { imaginedMovement } from "./imagined.ts";
import { type load, loadAll } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT, LAND_VARIANT_KINDS, type VariantKind } from "./variant.ts";

const BREATH = 8;
const CASES = loadAll().flatMap((movement) =>
  LAND_VARIANT_KINDS.filter((kind) => movement.forms[kind] !== false).map((kind) => [movement.id, kind, movement] as const),
);

const demandOf = (movement: ReturnType<typeof load>, kind: VariantKind) => {
  const track = trackOf(movement, { ...FULL_STANDING_VARIANT, kind }, "right");
  if (!track) throw new Error(`${movement.id} has no ${kind} variant`);
  return readDemand(sampleTrack(track), { stature: 1.6 }, BREATH * movement.breaths);
};

describe.each(CASES)("%s, %s, in the mind only", (_, kind, movement) => {
  const imagined = imaginedMovement(movement);

  test("takes as long as the movement, moves nothing and stands on no single leg", () => {
    const demand = demandOf(imagined, kind);
    expect(demand.cycleSeconds).toBe(BREATH * movement.breaths);
    for (const [i, value] of demand.highest.entries()) expect(value - (demand.lowest[i] ?? 0)).toBeCloseTo(0, 6);
    expect(demand.oneLegSeconds).toEqual([0, 0]);
    expect(demand.handAboveShoulderSeconds).toEqual([0, 0]);
    expect(demand.steps).toEqual([]);
  });

  test("has the same sides and variants, and is made once", () => {
    expect(imagined.sided).toBe(movement.sided);
    expect(imagined.forms.water === undefined).toBe(movement.forms.water === undefined);
    expect(imaginedMovement(movement)).toBe(imagined);
  });
});

test("an item in the mind takes the same time as one that is moved, and counts as calm", () => {
  const variants = createVariantCache();
  const of = (inMind: boolean) =>
    analyzePlan(
      planned({ movementId: "one-leg-arms-rise", rounds: 4, ...(inMind && { inMind: true as const }) }),
      circumstances(),
      variants,
    );
  const [moved, still] = [of(false), of(true)];
  expect(still.reading.blocks[0]?.parts.repetitions).toBe(moved.reading.blocks[0]?.parts.repetitions);
  const calm = (analysis: typeof moved) =>
    readContent(analysis, null).find(({ content }) => content === "calmBreath")?.seconds ?? 0;
  expect(calm(still)).toBeCloseTo(still.reading.blocks[0]?.parts.repetitions ?? 0, 6);
  expect(calm(still)).toBeGreaterThan(calm(moved));
  expect(still.totals.oneLegSeconds).toEqual([0, 0]);
});
