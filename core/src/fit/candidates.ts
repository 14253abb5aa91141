import type { Circumstances } from "../body/balance-demand.ts";
import { type HandSupport, ON_ARMRESTS } from "../body/supports.ts";
import { present } from "../checked-access.ts";
import { leavesHandToCarry } from "../movement/carried-arm.ts";
import { type Movement, rises } from "../movement/format.ts";
import { hasVariant } from "../movement/track.ts";
import {
  armMoves,
  DEPTHS,
  type Depth,
  evenSizes,
  FULL_SEATED_VARIANT,
  FULL_SIZE,
  FULL_STANDING_VARIANT,
  type Sizes,
  type VariantKind,
  type VariantSpec,
} from "../movement/variant.ts";
import type { Side } from "../side.ts";
import { HALL_SUPPORT_OPTIONS, type SupportOptions } from "./support-options.ts";

/** A way of doing a movement before its sizes are chosen, written at full size. */
export type Shape = VariantSpec;

/** A stance lower than planned suits no one: every demand rises. Lowest first. */
const fitDepths = (planned: Depth): readonly Depth[] => DEPTHS.slice(0, DEPTHS.indexOf(planned) + 1).toReversed();
const ARMS = ["both", "right", "left"] as const;
const ARM_SIZES = [8, 7, 6, 5, 4, 3, 2, 1] as const;
const BODY_SIZES = [8, 6, 4, 2] as const;
const WHOLE = evenSizes(FULL_SIZE);
/** All but the legs, which stand still. */
const STILL_LEGS: Sizes = { ...WHOLE, legs: 0 };

/** Whether there is anything to a movement without its legs. */
const movesAbove = ({ keys }: Movement): boolean =>
  keys.slice(1).some(({ arms, leadArm, trailArm, spine, head }) => (arms ?? leadArm ?? trailArm ?? spine ?? head) !== undefined);

/** A hand that holds is not free: with one hand on the rail the other does what it can, or rests. */
const mayMove = (movement: Movement, arms: Shape["arms"], hold: HandSupport | null): boolean =>
  arms === "both" || (movement.vary.oneArm === true && (hold === null || arms === hold.hand));

function* shapesOfKind(
  movement: Movement,
  kind: VariantKind,
  meantDepth: Depth,
  holds: readonly (HandSupport | null)[],
): Generator<Shape> {
  const seated = kind === "seated";
  const depths = movement.vary.depth && !seated ? fitDepths(meantDepth) : (["middle"] as const);
  const toes = movement.vary.toeDown && !seated ? [false, true] : [false];
  for (const hold of holds)
    for (const depth of depths)
      for (const toeDown of toes)
        for (const weightBack of seated ? [false] : [false, true])
          for (const arms of ARMS) {
            if (!mayMove(movement, arms, hold)) continue;
            yield { kind, hold, depth, toeDown, arms, weightBack, sizes: WHOLE };
          }
  if (seated || !movesAbove(movement)) return;
  const highest = present(depths.at(-1), "depth");
  for (const hold of holds)
    for (const arms of ARMS)
      if (mayMove(movement, arms, hold))
        yield { kind, hold, depth: highest, toeDown: false, arms, weightBack: false, sizes: STILL_LEGS };
}

/**
 * What may be held in a kind of variant: nothing on a chair or standing free, something when supported, either in
 * water.
 */
function holdsOf(kind: VariantKind, holds: readonly HandSupport[]): readonly (HandSupport | null)[] {
  if (kind === "supported") return holds;
  return kind === "water" ? [null, ...holds] : [null];
}

/**
 * Rising from a chair is done whole or not at all: without hands, with both on the arms of the chair, or what there is
 * of it seated.
 */
const risingShapes = (movement: Movement, kinds: readonly VariantKind[], armrests: boolean): Shape[] =>
  [
    FULL_STANDING_VARIANT,
    ...(armrests ? [{ ...FULL_STANDING_VARIANT, kind: "supported" as const, hold: ON_ARMRESTS }] : []),
    FULL_SEATED_VARIANT,
  ].filter(({ kind }) => kinds.includes(kind) && hasVariant(movement, kind, false));

/**
 * Every shape of a movement, for any participant, least supported and fullest first. Candidates do not
 * depend on caps: a cap only filters what they demand.
 *
 * @param meantDepth the deepest stance there may be
 * @param offers what there is to sit on and to hold
 * @param carried the arm that the person's other hand can carry; null where there is none
 * @param circumstances what the group does or stands on besides: each shape is there without, too
 */
export function shapesOf(
  movement: Movement,
  meantDepth: Depth = "middle",
  { kinds, holds, armrests, inWater }: SupportOptions = HALL_SUPPORT_OPTIONS,
  carried: Side | null = null,
  circumstances: Circumstances = {},
): Shape[] {
  const shapes = rises(movement)
    ? risingShapes(movement, kinds, armrests)
    : shapesOfKinds(movement, meantDepth, kinds, holds, inWater, carried);
  return shapes.flatMap((shape) => (easesIn(shape, circumstances) ? [shape, { ...shape, eased: true }] : [shape]));
}

/** Whether circumstances make a shape harder: what is stood on says nothing on a chair. */
const easesIn = ({ kind }: Shape, { secondTask, softFloor }: Circumstances): boolean =>
  secondTask !== undefined || (softFloor === true && kind !== "seated");

const shapesOfKinds = (
  movement: Movement,
  meantDepth: Depth,
  kinds: readonly VariantKind[],
  holds: readonly HandSupport[],
  inWater: boolean,
  carried: Side | null,
): Shape[] =>
  kinds
    .filter((kind) => hasVariant(movement, kind, inWater))
    .flatMap((kind) => [...shapesOfKind(movement, kind, meantDepth, holdsOf(kind, holds))])
    .flatMap((shape) => (carried !== null && leavesHandToCarry(shape) ? [{ ...shape, carried }, shape] : [shape]));

/**
 * The plainest shape in which the body goes through the same ranges: nothing held, both arms moving. What is held and
 * what an arm at rest weighs shift the balance a little and change no range that the movement means.
 */
export function plainShape({ forms }: Movement, shape: Shape): Shape {
  const patch = forms[shape.kind];
  const ownKeys = patch !== undefined && patch !== false && patch.keys !== undefined;
  if (shape.kind === "supported" && (ownKeys || forms.standing === false)) return shape;
  return { ...shape, kind: shape.kind === "supported" ? "standing" : shape.kind, hold: null, arms: "both" };
}

/**
 * Every size of a shape, largest first. What does not move has no size of its own and is written as full.
 *
 * @param moves whether the movement moves trunk and legs at all
 */
export function sizesOf(shape: Shape, moves: { readonly trunk: boolean; readonly legs: boolean }): Sizes[] {
  const steps = (side: Side): readonly number[] => (armMoves(shape, side) ? ARM_SIZES : [FULL_SIZE]);
  const legSizes = shape.sizes.legs === 0 ? [0] : moves.legs ? BODY_SIZES : [FULL_SIZE];
  const bodies = legSizes.flatMap((legs) => (moves.trunk ? BODY_SIZES : [FULL_SIZE]).map((trunk) => ({ trunk, legs })));
  // One of the two is whole, or both are alike: what else there is between them no one could tell from these.
  const told = bodies.filter(({ trunk, legs }) => trunk === legs || trunk === FULL_SIZE || legs === FULL_SIZE || legs === 0);
  // Carried, both arms go as far.
  if (shape.carried !== undefined)
    return told.flatMap((body) => ARM_SIZES.map((size) => ({ armLeft: size, armRight: size, ...body })));
  return told.flatMap((body) =>
    steps("left").flatMap((armLeft) => steps("right").map((armRight) => ({ armLeft, armRight, ...body }))),
  );
}
