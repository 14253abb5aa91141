import type { WaterEquipment } from "../body/water-equipment.ts";
import { daysBetween } from "../calendar.ts";
import type { Cap } from "../caps/cap.ts";
import type { TeachingStyle } from "../plan/style.ts";
import type { PoolFloor } from "../setup/pool-depth.ts";
import type { Floor } from "../setup/standing-positions.ts";
import type { VenueResources } from "../venues/resources.ts";
import type { Seat, Venue } from "../venues/venue.ts";
import type { VenueSupports } from "./body-state.ts";
import type { PlanContext } from "./schedule-plan.ts";
import { familiarityOf } from "./time.ts";

/** What a plan is made for, as plain data: the group, its place, the week and what it has been taught. */
export interface PlanSetting {
  readonly seatedOnly: boolean;
  readonly supports: VenueSupports;
  /** What there is of chairs, rail and helpers. */
  readonly fitPlace: VenueResources;
  /** The seats of the place; null where everyone is at home. */
  readonly seats: readonly Seat[] | null;
  /** Whether there is a surface that gives way to stand on: mats, foam or grass. */
  readonly softFloor: boolean;
  readonly poolFloor: PoolFloor;
  /** The floor that people stand on; null where no one has measured it. */
  readonly floor: Floor | null;
  readonly week: number;
  readonly slowestCycle: number;
  /** What caps on drag ask of movements in the pool; left out where no one has one. */
  readonly dragCycles?: DragCycles;
  /** Sessions before this one in which each movement was taught, by its id. */
  readonly taught: Readonly<Record<string, number>>;
}

/** A Monday, from which weeks are counted. */
const FIRST_MONDAY = "2024-01-01";

/** Weeks from Monday to Monday, for sides that alternate. */
export const weekOf = (day: string): number => Math.floor(daysBetween(FIRST_MONDAY, day) / 7);

/** A hall whose place no one has described: chairs, and a rail on the right. */
const USUAL_HALL: VenueSupports = { chairs: true, rail: "right", pool: false };

/** In the water there are no chairs, and the wall may be held. */
const POOL: VenueSupports = { chairs: false, rail: "right", pool: true };

/** What a room offers for joining movements. @param room null where the venue is not described */
export function venueSupportsOf(room: Pick<Venue, "chairs" | "homes" | "rail"> | null, inWater = false): VenueSupports {
  if (inWater) return POOL;
  if (room === null) return USUAL_HALL;
  if (room.homes) return { chairs: true, rail: null, pool: false };
  return { chairs: room.chairs.length > 0, rail: room.rail !== null && room.rail > 0 ? "right" : null, pool: false };
}

/** The longest of the shortest cycles that people may move at, seconds; 0 where no one has one. */
export const slowestCycle = (people: readonly (readonly Cap[])[]): number =>
  Math.max(0, ...people.flatMap((caps) => caps.flatMap(({ limit }) => (limit.channel === "shortestCycle" ? [limit.limit] : []))));

/** What reading a plan takes: where and for whom, and how it is taught. */
export const planContextOf = (
  setting: Omit<PlanSetting, "fitPlace" | "seats" | "softFloor" | "poolFloor" | "floor">,
  { style, breathSeconds }: { readonly style: TeachingStyle; readonly breathSeconds: number },
): PlanContext => ({
  style,
  breathSeconds,
  seatedOnly: setting.seatedOnly,
  supports: setting.supports,
  week: setting.week,
  slowestCycle: setting.slowestCycle,
  ...(setting.dragCycles && { dragCycles: setting.dragCycles }),
  familiarityWith: (movementId) => familiarityOf(setting.taught[movementId] ?? 0),
});
/**
 * Shortest repetition of each movement, seconds, by what is in the hands: set by the group's caps on water resistance.
 */

export type DragCycles = Readonly<Record<string, Readonly<Record<WaterEquipment, number>>>>;
