import { column, MIDLINE_RANGES, SIDED_RANGES, sidedColumn, sidedColumns } from "../body/channels.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import type { Demand } from "../movement/demand.ts";
import type { Movement } from "../movement/format.ts";
import { armMoves, FULL_SIZE, type VariantSpec } from "../movement/variant.ts";
import { SIDES, type Side } from "../side.ts";
import { type Weights, weightsOf } from "./fidelity-weights.ts";

/**
 * How much of the planned movement a variant keeps in a repetition, 0 to 1: r R + s S + b C + l K + p P, with R range
 * kept, S sides kept, C balance demand over the planned one, K depth kept, P breath and timing kept. The weights follow
 * from the purpose.
 */

/** A channel counts when the planned variant moves it by more than this many degrees. */
const MOVING = 10;
/** Below this the balance demand of the planned variant is too low for a lower one to matter. */
const STEADINESS_THAT_COUNTS = 1.5;
const DEPTH_THAT_COUNTS = 10;
/** Weight held back over the heels loads the knees another way than planned: half the depth counts as kept. */
const DEPTH_KEPT_WITH_WEIGHT_BACK = 0.5;
/** A side is kept when it does at least this share of its range. */
const SIDE_KEPT = 0.1;
/** Match of a participant who only sits and breathes along: low, so that any movement is preferred. */
export const BREATHING_FIDELITY = 0.1;

/** The part of the body whose size scales a range. */
export type ScaledPart = Side | "trunk" | "legs";

/** Ranges that one arm has to itself. */
export const ARM_RANGES: readonly string[] = ["shoulderElevation", "shoulderPlane", "shoulderTurn", "elbow", "forearm", "wrist"];
interface RangeOfPart {
  readonly column: number;
  readonly part: ScaledPart;
  /** The side of the body it belongs to; null in the midline. */
  readonly side: Side | null;
}
const RANGES: readonly RangeOfPart[] = [
  ...MIDLINE_RANGES.map((range) => ({ column: column(range.name), part: "trunk" as const, side: null })),
  ...SIDED_RANGES.flatMap((range) =>
    SIDES.map((side) => ({
      column: sidedColumn(range.name, side),
      part: ARM_RANGES.includes(range.name) ? side : ("legs" as const),
      side,
    })),
  ),
];
const LOADED_KNEE = sidedColumns("loadedKnee");

const span = (demands: readonly Demand[], index: number): number =>
  Math.max(...demands.map((demand) => numberAt(demand.highest, index))) -
  Math.min(...demands.map((demand) => numberAt(demand.lowest, index)));

const steadiest = (demands: readonly Demand[]): number => Math.max(...demands.map((demand) => demand.balance.total));

const deepest = (demands: readonly Demand[]): number =>
  Math.max(...demands.flatMap((demand) => LOADED_KNEE.map((index) => numberAt(demand.highest, index))));

/** What the ranges of the planned variant are, for any participant at any pace. */
export interface PlannedRanges {
  readonly moving: readonly (RangeOfPart & { readonly span: number })[];
  readonly depth: number;
}

/** What of the planned variant there is to keep. */
export interface PlannedVariant extends PlannedRanges {
  readonly weights: Weights;
  readonly balance: number;
}

/** Whether a part of the body does the movement in a variant, rather than holding on or resting. */
const takesPart = (choice: VariantSpec, part: ScaledPart): boolean =>
  part === "trunk" || part === "legs" || armMoves(choice, part);

/** @param plain demands of the plainest shape of the planned variant */
export const readPlannedRanges = (choice: VariantSpec, plain: readonly Demand[]): PlannedRanges => ({
  moving: RANGES.filter(({ part }) => takesPart(choice, part))
    .map((range) => ({ ...range, span: span(plain, range.column) }))
    .filter((range) => range.span > MOVING),
  depth: deepest(plain),
});

/** @param demands of the planned variant */
export const readPlanned = (
  movement: Pick<Movement, "purpose">,
  ranges: PlannedRanges,
  demands: readonly Demand[],
): PlannedVariant => ({
  ...ranges,
  weights: weightsOf(movement),
  balance: steadiest(demands),
});

/** What a shape keeps of the planned ranges and depth at its full size, 0 to 1. */
export interface ShapeFidelity {
  /** Per moving channel of the planned variant. */
  readonly ranges: readonly number[];
  readonly depth: number;
}

const share = (done: number, planned: number, counts: number): number => (planned < counts ? 1 : Math.min(1, done / planned));

/**
 * @param plain demands of its plainest shape at full size; null where only smaller sizes can be done, which are then
 * taken at their best
 */
export function readShape(planned: PlannedVariant, shape: VariantSpec, plain: readonly Demand[] | null): ShapeFidelity {
  const most = shape.weightBack ? DEPTH_KEPT_WITH_WEIGHT_BACK : 1;
  const done = (range: PlannedVariant["moving"][number]): number =>
    plain === null ? 1 : Math.min(1, span(plain, range.column) / range.span);
  return {
    ranges: planned.moving.map((range) => (takesPart(shape, range.part) ? done(range) : 0)),
    depth: plain === null ? most : Math.min(most, depthFidelity(planned, plain)),
  };
}

/** What trunk and legs keep of the planned balance demand and depth, 0 to 1. */
export interface BodyFidelity {
  readonly balance: number;
  readonly depth: number;
}

/** How much of the planned depth a variant goes to, 0 to 1. */
export const depthFidelity = (planned: PlannedVariant, done: readonly Demand[]): number =>
  share(deepest(done), planned.depth, DEPTH_THAT_COUNTS);

/**
 * Balance demand of a variant as a share of the planned one, 0 to 1.
 *
 * @param relief what is held takes off what was solved without
 */
export const balanceFidelity = (planned: PlannedVariant, done: readonly Demand[], relief = 0): number =>
  share(relief > 0 ? Math.max(1, steadiest(done) - relief) : steadiest(done), planned.balance, STEADINESS_THAT_COUNTS);

/** Share of full size of a part of the body. */
function sizeOf({ sizes }: VariantSpec, part: ScaledPart): number {
  const { armLeft, armRight, trunk, legs } = sizes;
  return { left: armLeft, right: armRight, trunk, legs }[part] / FULL_SIZE;
}

/** Ranges and sides kept, 0 to 1. */
export interface RangeFidelity {
  /** The mean over the moving channels of the shape's own range times the size done. */
  readonly range: number;
  /** Of the sides of the body that the planned variant moves, those that still move. */
  readonly sides: number;
}

/** What a choice keeps of the planned ranges; it does not depend on stature nor pace. */
export function rangeFidelity(
  planned: PlannedVariant,
  { ranges }: Pick<ShapeFidelity, "ranges">,
  choice: VariantSpec,
): RangeFidelity {
  if (planned.moving.length === 0) return { range: 1, sides: 1 };
  let kept = 0;
  const plannedSides = new Set<Side>();
  const keptSides = new Set<Side>();
  planned.moving.forEach(({ part, side }, i) => {
    const done = itemAt(ranges, i) * sizeOf(choice, part);
    kept += done;
    if (side === null) return;
    plannedSides.add(side);
    if (done >= SIDE_KEPT) keptSides.add(side);
  });
  // Legs that stand still count as one more channel that is not kept, however little they were planned to move.
  const lost = choice.sizes.legs === 0 ? 1 : 0;
  return {
    range: kept / (planned.moving.length + lost),
    sides: plannedSides.size === 0 ? 1 : keptSides.size / plannedSides.size,
  };
}

/**
 * The most that a candidate can keep, known before it is solved: its own range, and balance demand and depth of its
 * trunk and legs.
 *
 * @param inTime whether breath and timing are the group's
 */
export const mostFidelity = (
  { weights }: PlannedVariant,
  body: BodyFidelity,
  { range, sides }: RangeFidelity,
  inTime: boolean,
): number =>
  // Weights add up to 1 but for the last digit.
  Math.min(
    1,
    weights.range * range +
      weights.sides * sides +
      weights.balance * body.balance +
      weights.depth * body.depth +
      (inTime ? weights.breath : 0),
  );

/**
 * How much of the planned variant a solved candidate keeps, 0 to 1; a candidate is never credited with more than the
 * plainest variant of the same trunk and legs.
 *
 * @param plain what that plainest variant keeps
 * @param kept ranges and sides of the candidate
 * @param done its demands, one reading a turn
 * @param inTime whether breath and timing are the group's
 */
export const fidelity = (
  planned: PlannedVariant,
  plain: BodyFidelity,
  kept: RangeFidelity,
  done: readonly Demand[],
  inTime: boolean,
): number =>
  mostFidelity(
    planned,
    {
      balance: Math.min(plain.balance, balanceFidelity(planned, done)),
      depth: Math.min(plain.depth, depthFidelity(planned, done)),
    },
    kept,
    inTime,
  );

/** Share of full range that a choice does, over the parts of the body that the planned variant moves, 0 to 1. */
export function rangeShare(planned: PlannedVariant, choice: VariantSpec): number {
  if (planned.moving.length === 0) return 1;
  const done = planned.moving.map(({ part }) => (takesPart(choice, part) ? sizeOf(choice, part) : 0));
  return done.reduce((sum, size) => sum + size, 0) / done.length;
}
