import type { PlacedPerson } from "./standing-positions.ts";

/** Someone of usual reach who holds nothing, sees well and walks nowhere. */
export const placedPerson = (id: string, more: Partial<PlacedPerson> = {}): PlacedPerson => ({
  id,
  stature: 1.65,
  reach: 0.8,
  atRail: 0,
  helped: 0,
  hand: null,
  near: false,
  depth: null,
  walk: [],
  ...more,
});
