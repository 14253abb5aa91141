import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { capOf } from "../caps/cap.fixture.ts";
import type { CapLimit } from "../caps/cap.ts";
import { readDemand } from "../movement/demand.ts";
import { load } from "../movement/library.fixture.ts";
import { sampleTrack } from "../movement/samples.ts";
import { trackOf } from "../movement/track.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { USUAL_STYLE } from "../plan/style.ts";
import type { VenueSupports } from "../schedule/body-state.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { dragCycles } from "./drag-cycles.ts";
import type { FitPerson } from "./session.ts";
import { createVariantCache } from "./variant-cache.ts";

const OPEN = load("open-and-close-under");
const variants = createVariantCache();
const person = (...limits: CapLimit[]): FitPerson => ({
  id: "p",
  stature: 1.65,
  mass: 70,
  measured: USUAL_BODY,
  depth: 1.2,
  caps: limits.map((limit) => capOf(limit)),
});
const CAP: CapLimit = { channel: "shoulderDrag", side: "both", limit: 0.4 };
const cyclesOf = (...people: FitPerson[]) => dragCycles([OPEN, load("rise-and-sit")], people, variants, 1);

/** What a shoulder meets, read again at a pace, in percent of weight times stature. */
const metAt = (seconds: number, equipment: "bare" | "paddles"): number => {
  const track = trackOf(OPEN, { ...FULL_STANDING_VARIANT, kind: "water" }, "right");
  if (!track) throw new Error("no form for the water");
  const { water } = readDemand(sampleTrack(track), { stature: 1.65, mass: 70, depth: 1.2, equipment }, seconds);
  return 100 * Math.max(...(water?.dragShare?.shoulder ?? []));
};

describe("the shortest repetition that keeps a group's caps on drag", () => {
  test("is none where no one has such a cap, and only for movements of the pool", () => {
    expect(cyclesOf(person())).toEqual({});
    expect(Object.keys(cyclesOf(person(CAP)))).toEqual(["open-and-close-under"]);
  });

  test.each(["bare", "paddles"] as const)("keeps the cap, and a little less would break it: %s", (equipment) => {
    const seconds = cyclesOf(person(CAP))[OPEN.id]?.[equipment] ?? 0;
    expect(metAt(seconds * 1.001, equipment)).toBeLessThanOrEqual(0.4);
    expect(metAt(seconds * 0.98, equipment)).toBeGreaterThan(0.4);
  });

  test("goes with the strictest of several people and grows with what is in the hands", () => {
    const strict = person({ ...CAP, limit: 0.1 });
    const alone = cyclesOf(person(CAP))[OPEN.id];
    const both = cyclesOf(person(CAP), strict)[OPEN.id];
    expect(both).toEqual(cyclesOf(strict)[OPEN.id]);
    // Half the cap twice over is half the pace: drag goes with the square of speed.
    expect((both?.bare ?? 0) / (alone?.bare ?? 1)).toBeCloseTo(2, 6);
    expect(both?.paddles).toBeGreaterThan(both?.bare ?? 0);
  });
});

describe("a block in the pool", () => {
  const POOL: VenueSupports = { chairs: false, rail: "right", pool: true };
  const cycles = { [OPEN.id]: { bare: 30, paddles: 40, floats: 45 } };
  const secondsOf = (drag: "person" | "room", equipment?: "paddles") =>
    schedulePlan(
      planned({ movementId: OPEN.id, ...(equipment ? { equipment } : {}) }),
      circumstances({ supports: POOL, style: { ...USUAL_STYLE, drag }, dragCycles: cycles }),
    ).blocks[0]?.cycleSeconds ?? 0;

  test("slows for everyone where the style says so, more with paddles, and not where the person slows", () => {
    expect(secondsOf("room")).toBeGreaterThanOrEqual(30);
    expect(secondsOf("room", "paddles")).toBeGreaterThanOrEqual(40);
    expect(secondsOf("person")).toBeLessThan(30);
  });
});
