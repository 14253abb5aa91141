import * as v from "valibot";
import { describe, expect, test } from "vitest";
import { OPEN_HALL, venueResources } from "./resources.ts";
import { seatsOf, Venue } from "./venue.ts";

const room = (said: v.InferInput<typeof Venue>) => v.parse(Venue, said);
const HALL = room({
  chairs: [
    { height: 0.45, count: 8 },
    { height: 0.48, count: 3, arms: true },
    { height: 0.45, count: 4, kind: "bench" },
    { height: 0.5, count: 2, kind: "bed" },
  ],
  rail: 4,
});
const on = { inWater: false, helpers: 2 };

describe("what a venue has to sit on and to hold", () => {
  test("every seat counts as a place, chairs alone have a back to hold, chairs with arms alone have arms", () => {
    expect(venueResources(HALL, on)).toEqual({ chairs: 17, armchairs: 3, chairBacks: 11, rail: 5, helpers: 2, pool: null });
  });

  test("seats are told apart by kind, as older venues said them too", () => {
    expect(seatsOf(HALL)?.map(({ kind, count }) => [kind, count])).toEqual([
      ["chair", 8],
      ["armchair", 3],
      ["bench", 4],
      ["bed", 2],
    ]);
  });

  test("at home everyone has their own seat; no rail, spare chair or helper is planned", () => {
    const home = room({ homes: true });
    expect(seatsOf(home)).toBeNull();
    expect(venueResources(home, on)).toMatchObject({ armchairs: 0, chairBacks: 0, rail: 0, helpers: 0, pool: null });
    expect(venueResources(home, on).chairs).toBeGreaterThanOrEqual(60);
  });

  test("in the pool only pool chairs are there to sit on", () => {
    const pool = room({ chairs: [{ height: 0.45, count: 8 }], poolLength: 8, poolChairs: 2, water: 32 });
    expect(venueResources(pool, { inWater: true, helpers: 1 })).toEqual({
      chairs: 2,
      armchairs: 0,
      chairBacks: 0,
      rail: 16,
      helpers: 1,
      pool: { temperature: 32 },
    });
  });

  test("a venue without a description has enough of everything", () => {
    expect(venueResources(null, on)).toEqual({ ...OPEN_HALL, helpers: 2 });
  });
});
