import type { Movement } from "../movement/format.ts";
import { armMoves, FULL_SIZE, FULL_STANDING_VARIANT, type Sizes } from "../movement/variant.ts";
import type { Side } from "../side.ts";
import { plainShape, type Shape } from "./candidates.ts";

/** Sizes of a variant as one number; the same for no other sizes. */
export const sizesCode = ({ armLeft, armRight, trunk, legs }: Sizes): number =>
  ((armLeft * 16 + armRight) * 16 + trunk) * 16 + legs;

/** A part of a variant, as two sizes in which what does not belong to it is at its fullest and at its smallest. */
export type SizePart = readonly [Sizes, Sizes];

/** A part of a variant by the sizes that belong to it. Where neither of its sizes is allowed the part is not. */
export function sizePart(shape: Shape, own: Partial<Sizes>): SizePart {
  const arm = (side: Side, size: number): number => (armMoves(shape, side) ? size : FULL_SIZE);
  const of = (size: number): Sizes => ({
    armLeft: own.armLeft ?? arm("left", size),
    armRight: own.armRight ?? arm("right", size),
    trunk: own.trunk ?? size,
    legs: own.legs ?? (shape.sizes.legs === 0 ? 0 : size),
  });
  return [of(FULL_SIZE), of(1)];
}

/** Trunk and legs of a variant together. */
export const bodyOf = (shape: Shape, { trunk, legs }: Sizes): SizePart => sizePart(shape, { trunk, legs });

/** An arm of a variant, over the trunk and legs that it goes with; a carried arm and the one that carries it are one part. */
export function armOnBody(shape: Shape, { armLeft, armRight, trunk, legs }: Sizes, side: Side): SizePart {
  if (shape.carried !== undefined) return sizePart(shape, { trunk, legs, armLeft, armRight });
  return sizePart(shape, { trunk, legs, ...(side === "left" ? { armLeft } : { armRight }) });
}

/** The plainest shape in which arms do the same as in another. */
export function armShape(movement: Movement, shape: Shape): Shape {
  const plain = plainShape(movement, shape);
  if (plain.kind === "standing")
    return plain.carried === undefined ? FULL_STANDING_VARIANT : { ...FULL_STANDING_VARIANT, carried: plain.carried };
  return { ...plain, toeDown: false, weightBack: false };
}

/** Legs at a size that nearly every body can do: an arm's way over its own body does not depend on them. */
export const SMALL_LEGS = 2;
