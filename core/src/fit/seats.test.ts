import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY } from "../body/build.ts";
import { FURNITURE_NAMES, positionsOn, type SeatUse } from "../body/seats.ts";
import { present } from "../checked-access.ts";
import { loadAll } from "../movement/library.fixture.ts";
import { FULL_SEATED_VARIANT } from "../movement/variant.ts";
import { bodyOnSeat, capsOfSeat } from "../setup/seating.ts";
import { someOf } from "../test-size.fixture.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { fitCell } from "./cell.ts";
import { cellInputOf } from "./cell-input.fixture.ts";
import { limitedResources, supportOptions } from "./support-options.ts";
import { createVariantCache } from "./variant-cache.ts";

const variants = createVariantCache();
const STATURE = 1.68;

/** The best variant of a movement on a seat, with the cap that the seat is. */
function fitOn(id: string, use: SeatUse) {
  const seat = { ...use, height: null };
  const caps = capsOfSeat("a", seat);
  const build = buildOf(bodyOnSeat({ measured: USUAL_BODY, stature: STATURE, caps }, seat), STATURE);
  const resources = { ...OPEN_HALL, rail: 0 };
  return fitCell(cellInputOf(id, { plannedVariant: FULL_SEATED_VARIANT, stature: STATURE, build, resources, caps }), variants);
}

const USES: readonly SeatUse[] = FURNITURE_NAMES.flatMap((seat) => positionsOn(seat).map((position) => ({ seat, position })));
const seated = someOf(
  loadAll().filter(({ forms }) => forms.seated !== undefined && forms.seated !== false),
  5,
);

describe("fitted on a seat", () => {
  test.each(USES)("$seat, $position: no variant goes through the seat", (use) => {
    for (const { id } of seated)
      for (const { features } of fitOn(id, use).demands) expect(features.has("meetsSeat"), id).toBe(false);
  });

  test("elbows that would go into a raised back go less far, and it is said why", () => {
    const free = fitOn("row-lift-and-settle", { seat: "bench", position: "middle" });
    const inBed = fitOn("row-lift-and-settle", { seat: "bed", position: "back" });
    expect(free.fidelity).toBeCloseTo(1, 6);
    expect(inBed.fidelity).toBeGreaterThan(0.4);
    expect(inBed.fidelity).toBeLessThan(free.fidelity);
    expect(inBed.because.map(({ reason }) => reason)).toEqual([{ because: "seat", seat: "bed" }]);
  });

  test("someone on a bench has no arms to push up from, whatever chairs there are", () => {
    const on = (use: SeatUse) => buildOf({ ...USUAL_BODY, sits: use }, STATURE);
    const scarce = limitedResources(OPEN_HALL, 1);
    const arms = (use: SeatUse) => supportOptions(OPEN_HALL, [], scarce, on(use)).armrests;
    expect(arms({ seat: "bench", position: "middle" })).toBe(false);
    expect(arms({ seat: "armchair", position: "middle" })).toBe(true);
    expect(arms({ seat: "chair", position: "front" })).toBe(true);
  });

  test("a hall of benches has no chair back to hold", () => {
    const place = { ...OPEN_HALL, rail: 0, chairBacks: 0 };
    const holds = supportOptions(place, [], limitedResources(place, 1), present(buildOf(USUAL_BODY, STATURE), "build")).holds;
    expect(holds.some(({ by }) => by === "chairBack")).toBe(false);
  });
});
