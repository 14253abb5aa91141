import { type Build, canStand } from "../body/build.ts";
import { HOLDS, type Hold } from "../body/supports.ts";
import { LAND_VARIANT_KINDS, type VariantKind, type VariantSpec } from "../movement/variant.ts";
import type { Room } from "../places/place.ts";

/** What there is to hold on to and to sit on where a group moves. */
export interface FitPlace {
  /** Chairs to sit on; in a pool the chairs for the water, which only those sit on who cannot stand. */
  readonly chairs: number;
  /** How many of them have arms to push up from. */
  readonly armchairs?: number;
  /** People who can stand at the rail, or at the wall of a pool, at a time. */
  readonly rail: number;
  /** Helpers, each with a hand for one person at a time. */
  readonly helpers: number;
  /** The pool that everybody is in; null on land. */
  readonly pool: { readonly temperature: number | null } | null;
}

/** Metres of rail that one person takes. */
export const RAIL_PLACE = 0.8;

/** Chairs, or places to hold on, where nobody has counted them. */
const UNCOUNTED = 200;

/** A hall with a chair and a place at the rail for everybody, and nobody to help. */
export const OPEN_HALL: FitPlace = { chairs: UNCOUNTED, armchairs: UNCOUNTED, rail: UNCOUNTED, helpers: 0, pool: null };

/**
 * What a group has to hold on to and to sit on.
 *
 * @param room null where nobody has described it: chairs and a rail for everybody
 */
export function fitPlaceOf(
  room: Pick<Room, "chairs" | "rail" | "poolLength" | "poolChairs" | "water"> | null,
  { inWater, helpers }: { readonly inWater: boolean; readonly helpers: number },
): FitPlace {
  const pool = inWater ? { temperature: room?.water ?? null } : null;
  if (room === null) return { ...OPEN_HALL, chairs: inWater ? 0 : OPEN_HALL.chairs, helpers, pool };
  // The wall of a pool can be held all along its length, on both sides.
  const rail = Math.floor((inWater ? 2 * (room.poolLength ?? 0) : (room.rail ?? 0)) / RAIL_PLACE + 1e-9);
  const chairs = inWater ? room.poolChairs : room.chairs.reduce((sum, { count }) => sum + count, 0);
  const armchairs = inWater ? 0 : room.chairs.reduce((sum, { count, arms }) => sum + (arms === true ? count : 0), 0);
  return { chairs, armchairs, rail: inWater && room.poolLength === null ? UNCOUNTED : rail, helpers, pool };
}

/** What a person brings to hold on to. */
export const OWN_AIDS = ["frame", "stick"] as const;
export type OwnAid = (typeof OWN_AIDS)[number];

/**
 * Ways to do a block that differ in what they take of the room, least supported first. Of two that keep as much the one
 * listed first wins.
 */
export const WAYS = ["standing", "aid", "rail", "chairBack", "helper", "seated", "water", "wall"] as const;
export type Way = (typeof WAYS)[number];

const WAY_LABELS: Readonly<Record<Way, string>> = {
  standing: "standing without support",
  aid: "standing with own aid",
  rail: "standing at the rail",
  chairBack: "standing behind the chair",
  helper: "standing with a helper's hand",
  seated: "seated",
  water: "in the water without support",
  wall: "at the wall of the pool",
};
export const wayLabel = (way: Way): string => WAY_LABELS[way];

/** What a way costs beside what is kept of a movement: a chair back can tip, and a helper's hand is soon wanted elsewhere. */
const COSTS: Readonly<Partial<Record<Way, number>>> = { chairBack: 0.05, helper: 0.05 };
export const wayCost = (way: Way): number => COSTS[way] ?? 0;

/** The way that a form is done in. */
export function wayOf({ kind, hold }: Pick<VariantSpec, "kind" | "hold">): Way {
  if (kind === "seated") return "seated";
  if (kind === "water") return hold === null ? "water" : "wall";
  if (hold === null) return "standing";
  switch (hold.by) {
    case "frame":
    case "stick":
      return "aid";
    case "fingertips":
      return "rail";
    case "armrests":
      // They stand on their own feet; the chair is there anyhow.
      return "standing";
    default:
      return hold.by;
  }
}

/** The kinds of form and the holds that there are for one person in one place. */
export interface SupportOptions {
  readonly kinds: readonly VariantKind[];
  readonly holds: readonly Hold[];
  /** Whether there are chairs with arms. */
  readonly armrests: boolean;
  /** Whether chairs stand in the water. */
  readonly inWater: boolean;
}

/** A hall with a rail for one hand. */
export const HALL_OFFERS: SupportOptions = {
  kinds: LAND_VARIANT_KINDS,
  holds: HOLDS.filter(({ by, hand }) => by === "rail" && hand !== "both"),
  armrests: true,
  inWater: false,
};

/** What of a place there may not be enough of for everybody. */
export interface LimitedResources {
  readonly rail: boolean;
  readonly helpers: boolean;
  readonly chairs: boolean;
}

/** What so many people may run short of. */
export const limitedResources = (place: FitPlace, people: number): LimitedResources => ({
  rail: place.rail < people,
  helpers: place.helpers < people,
  chairs: place.chairs < people,
});

/**
 * What a place and a person's own aids offer. A chair back can tip: it is only offered where there is no place at the
 * rail for everybody. In a pool those who cannot stand are belted to a chair, and nobody else is.
 */
export function offersOf(place: FitPlace, aids: readonly OwnAid[], scarce: LimitedResources, build: Build): SupportOptions {
  const onLand = place.pool === null;
  const there = ({ by }: Hold): boolean => {
    switch (by) {
      case "rail":
        return place.rail > 0;
      case "fingertips":
        // It spares less than the rail held, and a hand that must not hold on is not to be leaned on at all.
        return false;
      case "chairBack":
        return onLand && place.chairs > 0 && scarce.rail;
      case "helper":
        return onLand && place.helpers > 0;
      case "armrests":
        // Only for rising from a chair, which has shapes of its own.
        return false;
      default:
        return onLand && aids.includes(by);
    }
  };
  const seats = place.chairs > 0 ? (["seated"] as const) : [];
  const kinds = onLand
    ? LAND_VARIANT_KINDS.filter((kind) => kind !== "seated" || place.chairs > 0)
    : canStand(build)
      ? (["water"] as const)
      : seats;
  return { kinds, holds: HOLDS.filter(there), armrests: onLand && (place.armchairs ?? 0) > 0, inWater: !onLand };
}

/**
 * Ways that take the same of the room, where it can run short: a session chooses between such groups, and within one the
 * best form wins.
 */
export function wayGroups(scarce: LimitedResources): readonly (readonly Way[])[] {
  const takes = (way: Way): string => {
    if (way === "rail" || way === "wall") return scarce.rail ? "rail" : "";
    if (way === "helper") return scarce.helpers ? "helper" : "";
    return way === "chairBack" ? "chair" : "";
  };
  const groups = new Map<string, Way[]>();
  for (const way of WAYS) {
    const key = `${way === "seated"} ${takes(way)}`;
    groups.set(key, [...(groups.get(key) ?? []), way]);
  }
  return [...groups.values()];
}
