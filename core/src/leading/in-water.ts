import type { Posture } from "../fit/version.ts";
import type { SheetItem } from "./session-sheet.ts";

/** Postures that are in the water. */
const IN_WATER: readonly Posture[] = ["poolChair", "atWall", "water"];

/**
 * Whether a posture is in the water.
 *
 * @param posture of a version
 */
export const isInWater = (posture: Posture): boolean => IN_WATER.includes(posture);

/** What of an item as it is led says who is in the water. */
type WaterItem = Pick<SheetItem, "apart"> & { readonly versions: readonly Pick<SheetItem["versions"][number], "posture">[] };

const isLedInWater = ({ versions }: WaterItem): boolean => versions.some(({ posture }) => isInWater(posture));

/**
 * Who stays out of the water in a session that is led there: whoever does none of its movements. Someone who rests during
 * a few movements waits in the water.
 *
 * @param items of the session as it is led, with everyone who may take part
 * @returns participants' ids; no one in a session on land
 */
export function outOfWater(items: readonly WaterItem[]): string[] {
  const [first, ...others] = items;
  if (first === undefined || !items.some(isLedInWater)) return [];
  return first.apart.filter((id) => others.every(({ apart }) => apart.includes(id)));
}

/**
 * Whether the people of a session are in the water when the last movement is done.
 *
 * @param items of the session as it is led
 */
export function endsInWater(items: readonly WaterItem[]): boolean {
  const last = items.findLast(({ versions }) => versions.length > 0);
  return last !== undefined && isLedInWater(last);
}
