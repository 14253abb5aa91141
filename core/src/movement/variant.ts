import { type HandSupport, isHandSupported, SUPPORT_NAMES } from "../body/supports.ts";
import { otherSide, SIDES, type Side } from "../side.ts";

export const VARIANT_KINDS = ["standing", "supported", "seated", "water"] as const;
/** The ways to do a movement that differ in what carries the body. */
export type VariantKind = (typeof VARIANT_KINDS)[number];

/** The variants that a hall allows. */
export const LAND_VARIANT_KINDS = ["standing", "supported", "seated"] as const satisfies readonly VariantKind[];

export const DEPTHS = ["high", "middle", "low"] as const;
/** How low the stance is: middle is as authored, high has half the sink and a shorter step, low half as much again. */
export type Depth = (typeof DEPTHS)[number];

/** Sizes run in eighths of the full movement. */
export const FULL_SIZE = 8;

/** Size of each group of joints in eighths, 1 to 8; legs may also stand still, 0, while arms and trunk go along. */
export interface Sizes {
  readonly armLeft: number;
  readonly armRight: number;
  /** Trunk and head. */
  readonly trunk: number;
  readonly legs: number;
}

/** Everything at one size. */
export const evenSizes = (size: number): Sizes => ({ armLeft: size, armRight: size, trunk: size, legs: size });

/** One exact way to do a movement. Sides are the person's own. */
export interface VariantSpec {
  readonly kind: VariantKind;
  /** What is held and with which hand; only when supported or in water. */
  readonly hold: HandSupport | null;
  readonly depth: Depth;
  /** Whether a foot that would lift keeps its toe on the floor. */
  readonly toeDown: boolean;
  /** The arms that move; the other hand rests. The side that holds means that the other hand rests too. */
  readonly arms: "both" | Side;
  /** The arm that the other hand carries from under its forearm; absent where each moves of itself. Only with nothing held. */
  readonly carried?: Side;
  /** Without the second task, and on the even floor, where the group has one or the other harder. */
  readonly eased?: true;
  readonly sizes: Sizes;
  /** Weight kept back over the heels, which spares the ankles. */
  readonly weightBack: boolean;
}

/** The movement as authored, standing and whole. */
export const FULL_STANDING_VARIANT: VariantSpec = {
  kind: "standing",
  hold: null,
  depth: "middle",
  toeDown: false,
  arms: "both",
  sizes: evenSizes(FULL_SIZE),
  weightBack: false,
};

/** The whole movement on a chair. */
export const FULL_SEATED_VARIANT: VariantSpec = { ...FULL_STANDING_VARIANT, kind: "seated" };

/**
 * The same variant as the body does it: what is done or stood on besides moves nothing.
 *
 * @param choice eased or not
 */
export function uneased(choice: VariantSpec): VariantSpec {
  if (choice.eased === undefined) return choice;
  const { eased: _, ...plain } = choice;
  return plain;
}

/** Whether an arm follows the movement in this variant, rather than holding on or resting. */
export const armMoves = (choice: VariantSpec, side: Side): boolean =>
  !isHandSupported(choice.hold, side) && (choice.arms === "both" || choice.arms === side);

const inMirror = (sided: "both" | Side): "both" | Side => (sided === "both" ? sided : otherSide(sided));

/** The same variant done on the other side. Mirroring twice gives back the variant. */
export const mirrorVariant = (choice: VariantSpec): VariantSpec => ({
  ...choice,
  hold: choice.hold && { ...choice.hold, hand: inMirror(choice.hold.hand) },
  arms: inMirror(choice.arms),
  ...(choice.carried && { carried: otherSide(choice.carried) }),
  sizes: { ...choice.sizes, armLeft: choice.sizes.armRight, armRight: choice.sizes.armLeft },
});

const HANDS = ["left", "right", "both"] as const;
/** Holds by number; 0 is none. */
const HOLD_CODES = SUPPORT_NAMES.length * HANDS.length + 1;
const SIZE_CODES = FULL_SIZE + 1;

const holdCode = (hold: HandSupport | null): number =>
  hold === null ? 0 : 1 + SUPPORT_NAMES.indexOf(hold.by) * HANDS.length + HANDS.indexOf(hold.hand);

/** All choices have numbers below this. */
export const VARIANT_CODES =
  VARIANT_KINDS.length * HOLD_CODES * DEPTHS.length * HANDS.length * HANDS.length * 8 * SIZE_CODES ** 4;

/** A number that is the same for the same choice and differs for any other. */
export function variantCode({ kind, hold, depth, toeDown, arms, carried, eased, sizes, weightBack }: VariantSpec): number {
  let code = VARIANT_KINDS.indexOf(kind) * HOLD_CODES + holdCode(hold);
  code = (code * DEPTHS.length + DEPTHS.indexOf(depth)) * HANDS.length + HANDS.indexOf(arms);
  code = code * HANDS.length + (carried === undefined ? 0 : 1 + SIDES.indexOf(carried));
  code = 8 * code + (eased ? 4 : 0) + (toeDown ? 2 : 0) + (weightBack ? 1 : 0);
  code = (code * SIZE_CODES + sizes.armLeft) * SIZE_CODES + sizes.armRight;
  return (code * SIZE_CODES + sizes.trunk) * SIZE_CODES + sizes.legs;
}
