import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY, WHOLE } from "../body/build.ts";
import { capOf } from "../caps/cap.fixture.ts";
import type { CapLimit } from "../caps/cap.ts";
import { hasWaterVariant } from "../movement/format.ts";
import { load, loadAll } from "../movement/library.fixture.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { fitCell } from "./cell.ts";
import { limitedResources } from "./support-options.ts";
import { createVariantCache, leadingSides } from "./variant-cache.ts";

const variants = createVariantCache();
const WHEELCHAIR = { ...USUAL_BODY, wheelchair: true };
const MEANT = { ...FULL_STANDING_VARIANT, kind: "water" } as const;

interface Asked {
  readonly measured?: typeof USUAL_BODY;
  readonly stature?: number;
  readonly depth?: number;
  readonly chairs?: number;
  readonly limits?: readonly CapLimit[];
}

const fit = (id: string, { measured = WHEELCHAIR, stature = 1.66, depth = 0.9, chairs = 1, limits = [] }: Asked = {}) => {
  const movement = load(id);
  const place = { chairs, rail: 8, helpers: 0, pool: { temperature: 33 } };
  return fitCell(
    {
      movement,
      breathSeconds: 8,
      turns: leadingSides(movement).map((lead) => ({ lead, rounds: 4 })),
      plannedVariant: MEANT,
      stature,
      build: buildOf(measured, stature),
      depth,
      aids: [],
      resources: place,
      scarce: limitedResources(place, 1),
      workingShare: 0.8,
      caps: limits.map((limit) => capOf(limit)),
    },
    variants,
  );
};

describe("a chair that stands in the pool", () => {
  test("carries those who cannot stand through every movement of the pool", () => {
    for (const { id } of loadAll().filter(hasWaterVariant)) {
      const { choice, fidelity, demands } = fit(id);
      expect(choice?.kind, id).toBe("seated");
      expect(fidelity, id).toBeGreaterThan(0.9);
      for (const { water } of demands) expect(water, id).toMatchObject({ outOfDepth: false, needsRail: false });
    }
  });

  test("is for no one who can stand, and there have to be any", () => {
    expect(fit("settling-breath", { measured: USUAL_BODY }).choice?.kind).toBe("water");
    expect(fit("settling-breath", { chairs: 0 }).choice).toBeNull();
  });

  test("walks are done by the arms alone", () => {
    const { demands } = fit("wing-arm-walk");
    for (const { steps, oneLegSeconds, heldOutSeconds } of demands) {
      expect(steps).toEqual([]);
      expect(oneLegSeconds).toEqual([0, 0]);
      expect(Math.min(...heldOutSeconds)).toBeGreaterThan(0);
    }
  });

  test("the water may be too deep or too warm to sit in, for breathing along too", () => {
    expect(fit("settling-breath", { stature: 1.5, depth: 1.2 }).choice).toBeNull();
    const warm = fit("settling-breath", { limits: [{ channel: "waterWarmest", limit: 31 }] });
    expect(warm).toMatchObject({ choice: null, breathing: false });
    expect(warm.because).toHaveLength(1);
  });

  test("an arm that is still rests, and a cap on the other is kept", () => {
    const oneArm = { ...WHEELCHAIR, arms: [WHOLE, { kind: "still" }] } as const;
    const limit = { channel: "handHeight", side: "left", limit: "chest" } as const;
    const free = fit("open-and-gather", { measured: oneArm });
    const capped = fit("open-and-gather", { measured: oneArm, limits: [limit] });
    expect(free.fidelity).toBeCloseTo(1, 6);
    expect(capped.fidelity).toBeLessThan(free.fidelity);
    expect(capped.choice?.kind).toBe("seated");
  });
});
