import { TO_BALL, TO_HEEL } from "../body/leg-parts.ts";
import { sidedSlot } from "../body/pose.ts";
import { DEGREE } from "../body/rotation.ts";
import { numberAt } from "../checked-access.ts";
import { type Pair, SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import type { AuthoredKey } from "./authored-keys.ts";
import type { PIVOTS } from "./format.ts";

/** What of the foot stays where it is while the foot turns. */
export type Pivot = (typeof PIVOTS)[number];

/** From the ankle along the foot to what it turns on, shares of H. */
const TO_PIVOT: Readonly<Record<Pivot, number>> = { heel: TO_HEEL, ball: TO_BALL };

/** A foot turns under no more than this share of the weight: what carries more would twist the knee. Usual practice. */
export const TURNS_UNDER = 0.15;

/**
 * Whether a foot stands turned otherwise in another key pose.
 *
 * @param a one key pose
 * @param b the other
 * @param side of the foot
 */
export const turnsBetween = (a: AuthoredKey, b: AuthoredKey, side: Side): boolean =>
  Math.abs(numberAt(a.values, sidedSlot("toeOut", side)) - numberAt(b.values, sidedSlot("toeOut", side))) > 1e-9;

/**
 * A pose with each turned foot moved so that its heel or ball is where it is unturned.
 *
 * @param values of the pose; its feet stand where the stance and the steps have them
 * @param pivot what the feet turn on
 * @param straight how far each foot is turned out in the stance, degrees
 * @returns the same values where no foot is turned
 */
export function withTurnedFeet(values: Float64Array, pivot: Pivot, straight: Pair): Float64Array {
  const turned = SIDES.filter((side) => numberAt(values, sidedSlot("toeOut", side)) !== straight[sideIndex(side)]);
  if (turned.length === 0) return values;
  const placed = values.slice();
  for (const side of turned) {
    const before = straight[sideIndex(side)] * DEGREE;
    const now = numberAt(values, sidedSlot("toeOut", side)) * DEGREE;
    const along = TO_PIVOT[pivot];
    const x = sidedSlot("footX", side);
    const z = sidedSlot("footZ", side);
    placed[x] = numberAt(values, x) + along * (Math.cos(before) - Math.cos(now));
    placed[z] = numberAt(values, z) + sideSign(side) * along * (Math.sin(before) - Math.sin(now));
  }
  return placed;
}
