import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { USUAL_BUILD } from "../body/build.ts";
import type { WaterEquipment } from "../body/water-equipment.ts";
import { capOf } from "../caps/cap.fixture.ts";
import type { CapLimit } from "../caps/cap.ts";
import { load } from "../movement/library.fixture.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { cases } from "../test-size.fixture.ts";
import { fitCell } from "./cell.ts";
import { limitedResources } from "./support-options.ts";
import { createVariantCache, leadingSides } from "./variant-cache.ts";

const variants = createVariantCache();
const ROUNDS = 6;

interface Asked {
  readonly limits?: readonly CapLimit[];
  readonly breathSeconds?: number;
  readonly equipment?: WaterEquipment;
  readonly depth?: number;
  readonly shallowest?: number;
}

const fit = (id: string, { limits = [], breathSeconds = 6, equipment = "bare", depth = 1.15, shallowest = depth }: Asked) => {
  const movement = load(id);
  const place = { chairs: 0, rail: 8, helpers: 0, pool: { temperature: 33 } };
  return fitCell(
    {
      movement,
      breathSeconds,
      turns: leadingSides(movement).map((lead) => ({ lead, rounds: ROUNDS })),
      plannedVariant: { ...FULL_STANDING_VARIANT, kind: "water" },
      stature: 1.65,
      mass: 70,
      build: USUAL_BUILD,
      depth,
      shallowest,
      equipment,
      aids: [],
      resources: place,
      scarce: limitedResources(place, 1),
      workingShare: 1,
      caps: limits.map((limit) => capOf(limit)),
    },
    variants,
  );
};
const dragOf = (cell: ReturnType<typeof fit>) => Math.max(...cell.demands.map(({ water }) => water?.dragShare?.shoulder[1] ?? 0));

describe("a cap on what a shoulder meets in water", () => {
  const free = dragOf(fit("open-and-close-under", {}));
  const capped = (share: number, more: Asked = {}) =>
    fit("open-and-close-under", { limits: [{ channel: "shoulderDrag", side: "right", limit: 100 * share * free }], ...more });

  test("is kept, whatever it is, and the tighter it is the less is kept of the movement", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.03, max: 1.1, noNaN: true }),
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        (share, tighter) => {
          const loose = capped(share);
          const tight = capped(share * tighter);
          expect(dragOf(loose)).toBeLessThanOrEqual(share * free + 1e-5);
          expect(dragOf(tight)).toBeLessThanOrEqual(share * tighter * free + 1e-5);
          expect(tight.fidelity).toBeLessThanOrEqual(loose.fidelity + 1e-9);
        },
      ),
      { numRuns: cases(12, 200) },
    );
  });

  test("is met by moving slower where that keeps most: fewer repetitions in the same time", () => {
    const paces = [0.9, 0.7, 0.5, 0.3, 0.2, 0.1].map((share) => capped(share));
    for (const { pace, rounds } of paces) expect(rounds).toBeLessThanOrEqual(Math.floor(ROUNDS / pace));
    expect(capped(1.1).pace).toBe(1);
    for (const { pace, demands } of paces) for (const { cycleSeconds } of demands) expect(cycleSeconds).toBe(6 * pace);
  });

  test("paddles and floats meet more than bare hands", () => {
    const bare = dragOf(fit("open-and-close-under", {}));
    const paddles = dragOf(fit("open-and-close-under", { equipment: "paddles" }));
    expect(paddles).toBeGreaterThan(1.2 * bare);
    expect(dragOf(fit("open-and-close-under", { equipment: "floats" }))).toBeGreaterThan(paddles);
  });
});

describe("a cap on the weight on a leg in a pool", () => {
  const half: CapLimit = { channel: "legShare", side: "right", limit: 50 };
  const shift = (limit: CapLimit, more: Asked = {}) => fit("side-weight-shift", { limits: [limit], breathSeconds: 8, ...more });

  test("counts the water where the clinician allows the pool: a slow shift at the breastbone is whole", () => {
    expect(shift({ ...half, poolAllowed: true }).fidelity).toBeCloseTo(1, 6);
    expect(shift(half).fidelity).toBeLessThan(1);
  });

  test("not for a leg that may only touch, not for fast steps, and by the shallowest place they come to", () => {
    const touch = { ...half, limit: 20 } as const;
    expect(shift({ ...touch, poolAllowed: true }).choice).toEqual(shift(touch).choice);
    expect(shift({ ...half, poolAllowed: true }, { breathSeconds: 3 }).fidelity).toBeLessThan(1);
    expect(shift({ ...half, poolAllowed: true }, { shallowest: 0.8 }).fidelity).toBeLessThan(1);
  });
});
