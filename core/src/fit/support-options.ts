import { type Build, canStand, seatOf } from "../body/build.ts";
import { seatNamed } from "../body/seats.ts";
import { HAND_SUPPORTS, type HandSupport, type OwnAid } from "../body/supports.ts";
import { SUPPORT_MODES, type SupportMode } from "../movement/support-mode.ts";
import { LAND_VARIANT_KINDS, type VariantKind } from "../movement/variant.ts";
import type { VenueResources } from "../venues/resources.ts";

/**
 * What a mode costs in addition to what is lost of a movement: a chair back can tip, and a helper's hand is soon wanted
 * elsewhere.
 */
const COSTS: Readonly<Partial<Record<SupportMode, number>>> = { chairBack: 0.05, helper: 0.05 };
export const supportModeCost = (mode: SupportMode): number => COSTS[mode] ?? 0;

/** The kinds of variant and the holds that there are for one person in one place. */
export interface SupportOptions {
  readonly kinds: readonly VariantKind[];
  readonly holds: readonly HandSupport[];
  /** Whether there are chairs with arms. */
  readonly armrests: boolean;
  /** Whether chairs stand in the water. */
  readonly inWater: boolean;
}

/** A hall with a rail for one hand. */
export const HALL_SUPPORT_OPTIONS: SupportOptions = {
  kinds: LAND_VARIANT_KINDS,
  holds: HAND_SUPPORTS.filter(({ by, hand }) => by === "rail" && hand !== "both"),
  armrests: true,
  inWater: false,
};

/** What of a place there may not be enough of for everyone. */
export interface LimitedResources {
  readonly rail: boolean;
  readonly helpers: boolean;
  readonly chairs: boolean;
}

/** What so many people may run short of. */
export const limitedResources = (place: VenueResources, people: number): LimitedResources => ({
  rail: place.rail < people,
  helpers: place.helpers < people,
  chairs: place.chairs < people,
});

/**
 * What a place and a person's own aids offer. A chair back can tip: it is only offered where there is no place at the
 * rail for everyone. In a pool those who cannot stand are belted to a chair, and no one else is.
 */
export function supportOptions(
  place: VenueResources,
  aids: readonly OwnAid[],
  scarce: LimitedResources,
  build: Build,
): SupportOptions {
  const onLand = place.pool === null;
  const there = ({ by }: HandSupport): boolean => {
    switch (by) {
      case "rail":
        return place.rail > 0;
      case "fingertips":
        // It spares less than the rail held, and a hand that must not hold on is not to be leaned on at all.
        return false;
      case "chairBack":
        return onLand && (place.chairBacks ?? place.chairs) > 0 && scarce.rail;
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
  return { kinds, holds: HAND_SUPPORTS.filter(there), armrests: onLand && risesWithArms(place, build), inWater: !onLand };
}

/** Whether someone has arms to push up from: those of their own seat, or of a chair that they change to. */
function risesWithArms(place: VenueResources, build: Build): boolean {
  const seat = seatOf(build);
  if (seatNamed(seat).arms !== null) return true;
  return (seat === "chair" || seat === "wheelchair") && (place.armchairs ?? 0) > 0;
}

/**
 * Ways that take the same equipment and help, where these can run short: a session chooses between such groups, and
 * within one the best variant wins.
 */
export function supportModeGroups(scarce: LimitedResources): readonly (readonly SupportMode[])[] {
  const takes = (mode: SupportMode): string => {
    if (mode === "rail" || mode === "wall") return scarce.rail ? "rail" : "";
    if (mode === "helper") return scarce.helpers ? "helper" : "";
    return mode === "chairBack" ? "chair" : "";
  };
  const groups = new Map<string, SupportMode[]>();
  for (const mode of SUPPORT_MODES) {
    const key = `${mode === "seated"} ${takes(mode)}`;
    groups.set(key, [...(groups.get(key) ?? []), mode]);
  }
  return [...groups.values()];
}
