import { column, MIDLINE_RANGES, SIDED_RANGES, sidedColumn, sidedColumns } from "../body/channels.ts";
import type { Demand } from "../movement/demand.ts";
import { armMoves, type FormChoice, FULL_SIZE } from "../movement/form.ts";
import { SIDES, type Side } from "../side.ts";

/**
 * How much of the meant movement a form keeps, 0 to 1:
 * r R + s S + b C + l K + p P, with R range kept, S sides kept, C steadiness asked over meant, K depth kept,
 * P breath and timing kept. The weights are our own. Every form here keeps both sides, its rounds and the breath.
 */
const WEIGHTS = { range: 0.4, sides: 0.2, steadiness: 0.2, depth: 0.1, breath: 0.1 } as const;

/** A channel counts when the meant form moves it by more than this many degrees. */
const MOVING = 10;
/** Below this the meant form asks too little steadiness for less of it to matter. */
const STEADINESS_THAT_COUNTS = 1.5;
const DEPTH_THAT_COUNTS = 10;
/** Weight held back over the heels loads the knees another way than meant: half the depth counts as kept. */
const DEPTH_KEPT_WITH_WEIGHT_BACK = 0.5;

/** The part of the body whose size scales a range. */
export type Part = Side | "body";

const ARM_RANGES: readonly string[] = ["shoulderElevation", "shoulderPlane", "shoulderAxial", "elbow", "forearm", "wrist"];
const RANGES: readonly { readonly column: number; readonly part: Part }[] = [
  ...MIDLINE_RANGES.map((range) => ({ column: column(range.name), part: "body" as const })),
  ...SIDED_RANGES.flatMap((range) =>
    SIDES.map((side) => ({
      column: sidedColumn(range.name, side),
      part: ARM_RANGES.includes(range.name) ? side : ("body" as const),
    })),
  ),
];
const LOADED_KNEE = sidedColumns("loadedKnee");

const span = (demands: readonly Demand[], index: number): number =>
  Math.max(...demands.map((demand) => demand.highest[index] as number)) -
  Math.min(...demands.map((demand) => demand.lowest[index] as number));

const steadiest = (demands: readonly Demand[]): number => Math.max(...demands.map((demand) => demand.steadiness.total));

const deepest = (demands: readonly Demand[]): number =>
  Math.max(...demands.flatMap((demand) => LOADED_KNEE.map((index) => demand.highest[index] as number)));

/** What of the meant form there is to keep. */
export interface Meant {
  readonly moving: readonly { readonly column: number; readonly part: Part; readonly span: number }[];
  readonly steadiness: number;
  readonly depth: number;
}

export const readMeant = (demands: readonly Demand[]): Meant => ({
  moving: RANGES.map((range) => ({ ...range, span: span(demands, range.column) })).filter((range) => range.span > MOVING),
  steadiness: steadiest(demands),
  depth: deepest(demands),
});

/** What a shape keeps of the meant form at its full size. */
export interface ShapeKeeps {
  /** Range kept per moving channel of the meant form, 0 to 1. */
  readonly ranges: readonly number[];
  readonly steadiness: number;
  readonly depth: number;
}

const share = (done: number, meant: number, counts: number): number => (meant < counts ? 1 : Math.min(1, done / meant));

/** @param whole the shape's demands at full size; null where only smaller sizes can be done, which are then taken at their best */
export function readShape(meant: Meant, shape: FormChoice, whole: readonly Demand[] | null): ShapeKeeps {
  const most = shape.weightBack ? DEPTH_KEPT_WITH_WEIGHT_BACK : 1;
  if (whole === null) return { ranges: meant.moving.map(() => 1), steadiness: 1, depth: most };
  return {
    ranges: meant.moving.map((range) => Math.min(1, span(whole, range.column) / range.span)),
    steadiness: share(steadiest(whole), meant.steadiness, STEADINESS_THAT_COUNTS),
    depth: Math.min(most, share(deepest(whole), meant.depth, DEPTH_THAT_COUNTS)),
  };
}

/** Share of full size of a part of the body; an arm that holds on or rests keeps what its shape gives it. */
function sizeOf(choice: FormChoice, part: Part): number {
  if (part === "body") return choice.sizes.body / FULL_SIZE;
  if (!armMoves(choice, part)) return 1;
  return (part === "left" ? choice.sizes.armLeft : choice.sizes.armRight) / FULL_SIZE;
}

/** Range kept, 0 to 1: the mean over the moving channels of the shape's own range times the size done. */
export function rangeKept(meant: Meant, shape: ShapeKeeps, choice: FormChoice): number {
  if (meant.moving.length === 0) return 1;
  let kept = 0;
  meant.moving.forEach((range, i) => {
    kept += (shape.ranges[i] as number) * sizeOf(choice, range.part);
  });
  return kept / meant.moving.length;
}

/** The most that a candidate can keep, known before it is solved: its own range, its shape's steadiness and depth. */
export const mostFidelity = (shape: ShapeKeeps, range: number): number =>
  WEIGHTS.range * range + WEIGHTS.sides + WEIGHTS.steadiness * shape.steadiness + WEIGHTS.depth * shape.depth + WEIGHTS.breath;

/** Fidelity of a solved candidate; a smaller size is never credited with more than the whole of its shape. */
export const fidelity = (meant: Meant, shape: ShapeKeeps, range: number, done: readonly Demand[]): number =>
  mostFidelity(
    {
      ranges: shape.ranges,
      steadiness: Math.min(shape.steadiness, share(steadiest(done), meant.steadiness, STEADINESS_THAT_COUNTS)),
      depth: Math.min(shape.depth, share(deepest(done), meant.depth, DEPTH_THAT_COUNTS)),
    },
    range,
  );

/** The share of full size that a choice does over the parts of the body that the movement uses: what the vessel shows. */
export function levelOf(meant: Meant, choice: FormChoice): number {
  if (meant.moving.length === 0) return 1;
  const done = meant.moving.map(({ part }) => (part === "body" || armMoves(choice, part) ? sizeOf(choice, part) : 0));
  return done.reduce((sum, size) => sum + size, 0) / done.length;
}
