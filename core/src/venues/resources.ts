import { type FurnitureName, seatNamed } from "../body/seats.ts";
import { seatsOf, type Venue } from "./venue.ts";

/** Hand supports and seats of a venue, and helpers. */
export interface VenueResources {
  /** Places to sit; in a pool the chairs for the water, which only those sit on who cannot stand. */
  readonly chairs: number;
  /** How many of them have arms to push up from. */
  readonly armchairs?: number;
  /** How many are chairs, whose backs can be held; all of them where it is not said. */
  readonly chairBacks?: number;
  /** Rail spaces, or those at the walls of a pool: whoever is given one keeps it for the session. */
  readonly rail: number;
  /** Helpers, each with a hand for one person at a time. */
  readonly helpers: number;
  /** The pool that everyone is in; null on land. */
  readonly pool: { readonly temperature: number | null } | null;
}

/** Rail that one participant needs, metres. */
export const RAIL_SPACE = 0.8;

/** Where the rail of a hall begins, and where there is no more room for someone at its end, metres from the end walls. */
export const RAIL_FROM = 1;
const RAIL_END = 0.4;

/**
 * How many people find a place along a rail or a wall one behind another, each with a share of it.
 *
 * @param rail its length, metres
 * @param floor length of the hall or pool, metres; null where no one has measured it
 */
export function railSpaces(rail: number, floor: number | null): number {
  const there = floor === null ? rail : Math.min(rail, floor - RAIL_FROM - RAIL_END + RAIL_SPACE / 2);
  return Math.max(0, Math.floor(there / RAIL_SPACE + 1e-9));
}

/** Chairs or rail spaces of a venue where no one has counted them. */
const UNCOUNTED = 200;

/** A hall with a chair and a rail space for everyone, and no helper. */
export const OPEN_HALL: VenueResources = { chairs: UNCOUNTED, armchairs: UNCOUNTED, rail: UNCOUNTED, helpers: 0, pool: null };

/**
 * Counts the chairs, rail spaces and helpers that a group has.
 *
 * @param room null where no one has described the venue: chairs and a rail space for everyone
 */
export function venueResources(
  room: Pick<Venue, "chairs" | "homes" | "rail" | "floorLength" | "poolLength" | "poolChairs" | "water"> | null,
  { inWater, helpers }: { readonly inWater: boolean; readonly helpers: number },
): VenueResources {
  const pool = inWater ? { temperature: room?.water ?? null } : null;
  if (room === null) return { ...OPEN_HALL, chairs: inWater ? 0 : OPEN_HALL.chairs, helpers, pool };
  // The wall of a pool can be held all along its length, on both sides.
  const rail = inWater ? 2 * railSpaces(room.poolLength ?? 0, room.poolLength) : railSpaces(room.rail ?? 0, room.floorLength);
  const seats = seatsOf(room);
  // At home everyone has a seat of their own, no rail and no helper's hand; whose chair has arms is said for each.
  if (seats === null && !inWater) return { chairs: UNCOUNTED, armchairs: 0, chairBacks: 0, rail: 0, helpers: 0, pool };
  const those = (counts: (kind: FurnitureName) => boolean): number =>
    (seats ?? []).reduce((sum, { kind, count }) => sum + (counts(kind) ? count : 0), 0);
  const armchairs = those((kind) => seatNamed(kind).arms !== null);
  return {
    chairs: inWater ? room.poolChairs : those(() => true),
    armchairs: inWater ? 0 : armchairs,
    chairBacks: inWater ? 0 : armchairs + those((kind) => kind === "chair"),
    rail: inWater && room.poolLength === null ? UNCOUNTED : rail,
    helpers,
    pool,
  };
}
