import { column, MIDLINE_RANGES, type MidlineRange, rangeNamed, type SidedRange, sidedColumn } from "../body/channels.ts";
import { numberAt } from "../checked-access.ts";
import { entryNamed } from "../named.ts";
import type { Side } from "../side.ts";

/**
 * Motions of joints as they are measured and limited: a range of the body model read in one direction.
 * `toSide` motions belong to the midline and go to the person's left or right; right is positive in the model.
 */
export const MOTIONS = [
  { name: "neckFlexion", range: "headFlexion", direction: 1, sides: "none" },
  { name: "neckExtension", range: "headFlexion", direction: -1, sides: "none" },
  { name: "neckSideBend", range: "headSideBend", direction: 1, sides: "toSide" },
  { name: "neckRotation", range: "headRotation", direction: 1, sides: "toSide" },
  { name: "spineFlexion", range: "spineFlexion", direction: 1, sides: "none" },
  { name: "spineExtension", range: "spineFlexion", direction: -1, sides: "none" },
  { name: "spineSideBend", range: "spineSideBend", direction: 1, sides: "toSide" },
  { name: "spineRotation", range: "spineRotation", direction: 1, sides: "toSide" },
  { name: "shoulderElevation", range: "shoulderElevation", direction: 1, sides: "own" },
  {
    name: "shoulderInwardTurn",
    range: "shoulderTurn",
    direction: -1,
    sides: "own",
  },
  {
    name: "shoulderOutwardTurn",
    range: "shoulderTurn",
    direction: 1,
    sides: "own",
  },
  { name: "elbowFlexion", range: "elbow", direction: 1, sides: "own" },
  { name: "wristFlexion", range: "wrist", direction: 1, sides: "own" },
  { name: "wristExtension", range: "wrist", direction: -1, sides: "own" },
  { name: "hipFlexion", range: "hipFlexion", direction: 1, sides: "own" },
  { name: "hipExtension", range: "hipFlexion", direction: -1, sides: "own" },
  { name: "hipAbduction", range: "hipAbduction", direction: 1, sides: "own" },
  { name: "hipAdduction", range: "hipAbduction", direction: -1, sides: "own" },
  { name: "hipOutwardTurn", range: "hipRotation", direction: 1, sides: "own" },
  { name: "hipInwardTurn", range: "hipRotation", direction: -1, sides: "own" },
  { name: "kneeFlexion", range: "knee", direction: 1, sides: "own" },
  { name: "plantarFlexion", range: "dorsiflexion", direction: -1, sides: "own" },
] as const satisfies readonly {
  readonly name: string;
  readonly range: MidlineRange | SidedRange;
  readonly direction: 1 | -1;
  readonly sides: "none" | "toSide" | "own";
}[];
export type MotionName = (typeof MOTIONS)[number]["name"];
export type Motion = (typeof MOTIONS)[number];
export const MOTION_NAMES = MOTIONS.map(({ name }) => name);

export const motionNamed = (name: MotionName): Motion => entryNamed(MOTIONS, name);

/** Upper bound of the motion's ordinary active range in adults, degrees. */
export function mostOfMotion(name: MotionName): number {
  const { range, direction } = motionNamed(name);
  const bounds = rangeNamed(range);
  return direction === 1 ? bounds.highest : -bounds.lowest;
}

const isMidline = (range: string): range is MidlineRange => MIDLINE_RANGES.some(({ name }) => name === range);

/**
 * How far a motion goes in poses of which the highest and lowest of every column are known.
 *
 * @param side of the body, or the side it goes to; a motion without sides is the same for both
 * @returns degrees, negative where the joint stays on the other side of zero
 */
export function reachOfMotion(
  name: MotionName,
  side: Side,
  { highest, lowest }: { readonly highest: Float64Array; readonly lowest: Float64Array },
): number {
  const { range, direction, sides } = motionNamed(name);
  const at = isMidline(range) ? column(range) : sidedColumn(range, side);
  const sign = sides === "toSide" && side === "left" ? -direction : direction;
  return sign === 1 ? numberAt(highest, at) : -numberAt(lowest, at);
}
