import { type Build, hasFoot, lengthIndexes, USUAL_BUILD } from "../body/build.ts";
import { SHARE } from "../body/segments.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES, sideIndex } from "../side.ts";

/** Height of the knee crease over the floor, share of stature: where a seat leaves the feet flat. */
const KNEE_CREASE = 0.25;
const SHANK = lengthIndexes("shank");
/** A usual indoor shoe, metres. */
export const USUAL_SHOE = 0.02;
/** A seat for rising is higher than one for sitting still by so much, metres. Usual practice. */
const HIGHER_FOR_RISING = { least: 0.05, most: 0.1 } as const;

/** Chair heights for one person, metres over the floor. */
export interface SeatHeights {
  /** For sitting still with the feet flat. */
  readonly sitting: number;
  /** For rising, from and to. */
  readonly rising: { readonly least: number; readonly most: number };
}

/**
 * Seat heights by stature: the knee crease and the shoe for sitting still, 5 to 10 cm more for rising.
 *
 * @param stature metres
 * @param build a longer shank than usual takes a higher seat
 * @example seatHeights(1.6).sitting // 0.42
 */
export function seatHeights(stature: number, build: Build = USUAL_BUILD, shoe: number = USUAL_SHOE): SeatHeights {
  const shanks = SIDES.filter((side) => hasFoot(build, side)).map((side) => numberAt(build.lengths, SHANK[sideIndex(side)]));
  const longer = shanks.length > 0 ? Math.max(...shanks) - SHARE.shank : 0;
  const sitting = (KNEE_CREASE + longer) * stature + shoe;
  return { sitting, rising: { least: sitting + HIGHER_FOR_RISING.least, most: sitting + HIGHER_FOR_RISING.most } };
}

/** A hip that bends less than this sits higher, degrees; sitting upright bends it by a right angle. */
const HIP_SITTING = 90;
/** Room left to lean forward by before the cap is reached, degrees. Usual practice. */
export const HIP_ROOM = 10;

/**
 * The least seat for hips that may not bend far: high enough for the thighs to slope down, with room to lean.
 *
 * @param hipFlexion what the hip may bend, degrees
 * @returns metres over the floor; the ordinary sitting height where the cap asks for no more
 * @example seatForHips(1.65, 90) // .50: 7 cm over the ordinary seat
 */
export function seatForHips(stature: number, hipFlexion: number, build: Build = USUAL_BUILD, shoe: number = USUAL_SHOE): number {
  const { sitting } = seatHeights(stature, build, shoe);
  const slope = Math.min(HIP_SITTING, Math.max(0, HIP_SITTING + HIP_ROOM - hipFlexion));
  return sitting + SHARE.thigh * stature * Math.sin((slope * Math.PI) / 180);
}

/**
 * Thickness of the cushion under the feet that a chair needs, metres; 0 where the feet stand flat.
 * The cushion comes away before anyone rises.
 *
 * @param chair height of the seat over the floor, metres
 */
export const cushionUnderFeet = (stature: number, chair: number, build: Build = USUAL_BUILD, shoe: number = USUAL_SHOE): number =>
  Math.max(0, chair - seatHeights(stature, build, shoe).sitting);
