import { column, type MidlineRange, SIDED_RANGES, type SidedRange, sidedColumn } from "../body/channels.ts";
import { numberAt } from "../checked-access.ts";
import type { Side } from "../side.ts";

const ARM: readonly SidedRange[] = ["shoulderElevation", "shoulderPlane", "shoulderTurn", "elbow", "forearm", "wrist"];
const LEG = SIDED_RANGES.map(({ name }) => name).filter((name) => !ARM.includes(name));
const NECK: readonly MidlineRange[] = ["headFlexion", "headSideBend", "headRotation"];
const BACK: readonly MidlineRange[] = ["pelvisTilt", "spineFlexion", "spineSideBend", "spineRotation"];

const sided = (names: readonly SidedRange[], side: Side): readonly number[] => names.map((name) => sidedColumn(name, side));

/**
 * Parts of the body that hurt or tire for themselves, with the columns of their ranges and the size that scales them.
 */
export const BODY_PARTS = [
  { name: "neck", columns: NECK.map(column), size: "trunk" },
  { name: "back", columns: BACK.map(column), size: "trunk" },
  { name: "leftArm", columns: sided(ARM, "left"), size: "armLeft" },
  { name: "rightArm", columns: sided(ARM, "right"), size: "armRight" },
  { name: "leftLeg", columns: sided(LEG, "left"), size: "legs" },
  { name: "rightLeg", columns: sided(LEG, "right"), size: "legs" },
] as const;
export type BodyPart = (typeof BODY_PARTS)[number]["name"];

/** A part of the body, or all of it. */
export const WHOLE_OR_PART = ["all", ...BODY_PARTS.map(({ name }) => name)] as const;
export type WholeOrPart = (typeof WHOLE_OR_PART)[number];

/** A part takes part in a variant when one of its joints moves by more than this, degrees. */
export const TAKES_PART = 10;

/** Whether a variant whose highest and lowest values are known moves a part of the body. */
export function movesPart(
  part: WholeOrPart,
  { highest, lowest }: { readonly highest: Float64Array; readonly lowest: Float64Array },
): boolean {
  const found = BODY_PARTS.find(({ name }) => name === part);
  return !found || found.columns.some((at) => numberAt(highest, at) - numberAt(lowest, at) > TAKES_PART);
}
