import { marginOfStability } from "../body/base-of-support.ts";
import { GRIP_SHARE, isOutOfDepth, RAIL_SHARE, waterRelief, weightInWater } from "../body/buoyancy.ts";
import { ROW_WIDTH, sidedColumns } from "../body/channels.ts";
import { GRAVITY } from "../body/segments.ts";
import { uprightRow } from "../body/upright.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import type { Pair } from "../side.ts";
import { BALANCE, type Balance, type Doer, isSeatedThroughout, times, USUAL_MASS } from "./demand-samples.ts";
import { type DragMoments, dragMoments } from "./drag.ts";
import type { VariantSamples } from "./samples.ts";
import { INTERVALS } from "./solved-samples.ts";

/** What water does to a variant: how much is left on the feet, whether the mouth stays clear, what the limbs meet. */
export interface WaterDemand {
  /** Least and greatest share of the weight on the feet, or on the seat and the feet, over the repetition. */
  readonly leastWeight: number;
  readonly mostWeight: number;
  /** Barred at once: the water is too deep for this person in this variant. */
  readonly outOfDepth: boolean;
  /** Under a quarter of the weight on the feet: wall or rail in the hand. */
  readonly needsRail: boolean;
  /** What the limbs meet, newton metres; null where it was not read. */
  readonly drag: DragMoments | null;
  /** The same as shares of body weight times stature. */
  readonly dragShare: DragMoments | null;
  /**
   * Greatest share of the body's weight on the left and the right leg, water counted, at the shallowest place: half as
   * much again wherever weight shifts or a foot moves.
   */
  readonly legShare: Pair;
  /**
   * Whether weight shifts or a foot moves in less than two seconds: then the water does not count towards a leg's
   * share.
   */
  readonly fastSteps: boolean;
}

/** How high the feet of someone in a pool chair are over the floor, metres: its foot rest. */
export const FOOT_REST = 0.1;

/**
 * Height of the water over what the feet are on: the floor, or the foot rest of a chair. Share of H.
 *
 * @param depth metres of water
 */
export const waterlineAt = (depth: number, stature: number, seated: boolean): number =>
  Math.max(0, depth - (seated ? FOOT_REST : 0)) / stature;

/**
 * Slow steps in water load a leg by so much more than standing still there (after the static share; usual practice).
 */
export const SLOW_STEP = 1.5;

/** A shift of weight or a step that takes less time is fast, seconds. Our own convention. */
export const SLOW_STEP_SECONDS = 2;

/** A stretch in which the share on a foot changes by less is a still hold. */
export const STILL_SHARE = 0.01;
export const FOOT_SHARE = sidedColumns("footShare");

/** Share of the body's weight on each leg in water, and whether it comes onto it fast. */
export function legShareInWater(
  samples: VariantSamples,
  waterline: number,
  cycleSeconds: number,
): Pick<WaterDemand, "legShare" | "fastSteps"> {
  const most: [number, number] = [0, 0];
  let fastSteps = false;
  // Between one bent stance and the next a body comes upright: it is never taken for lighter than that.
  const upright = isSeatedThroughout(samples) ? 0 : weightInWater(uprightRow(samples.build), waterline, samples.build).share;
  samples.segments.forEach(({ from, to, frame, swing }, segment) => {
    const first = segment * (INTERVALS + 1);
    const rows = Array.from({ length: INTERVALS + 1 }, (_, i) =>
      samples.rows.subarray((first + i) * ROW_WIDTH, (first + i + 1) * ROW_WIDTH),
    );
    const shares = (side: 0 | 1) => rows.map((row) => numberAt(row, FOOT_SHARE[side]));
    const shifts = ([0, 1] as const).some((side) => Math.max(...shares(side)) - Math.min(...shares(side)) > STILL_SHARE);
    const moves = shifts || swing !== null || frame.feet.includes("onItsWay");
    if (moves && (to - from) * cycleSeconds < SLOW_STEP_SECONDS - 1e-9) fastSteps = true;
    for (const row of rows) {
      const weight = Math.max(0, upright, weightInWater(row, waterline, samples.build).share) * (moves ? SLOW_STEP : 1);
      for (const side of [0, 1] as const) most[side] = Math.max(most[side], numberAt(row, FOOT_SHARE[side]) * weight);
    }
  });
  return { legShare: most, fastSteps };
}

/**
 * Weight, depth and drag of a variant in water.
 *
 * @param weights share of the weight on feet and seat, a value a sample
 */
export function readWater(
  samples: VariantSamples,
  { stature, mass = USUAL_MASS, depth = 0, shallowest = depth, equipment = "bare", readsDrag = true }: Doer,
  weights: Float64Array,
  cycleSeconds: number,
): WaterDemand {
  const seated = isSeatedThroughout(samples);
  const waterline = waterlineAt(depth, stature, seated);
  const drag = readsDrag ? dragMoments(samples, { stature, mass }, waterline, cycleSeconds, equipment) : null;
  const whole = 1 / (mass * GRAVITY * stature);
  let outOfDepth = false;
  for (let sample = 0; sample < samples.count && !outOfDepth; sample += 1)
    outOfDepth = isOutOfDepth(samples.rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH), waterline, stature);
  const leastWeight = Math.min(...weights);
  return {
    leastWeight,
    mostWeight: Math.max(...weights),
    outOfDepth,
    // A lap belt keeps who sits in the water on the chair.
    needsRail: !isSeatedThroughout(samples) && leastWeight < RAIL_SHARE,
    drag,
    dragShare: drag && { shoulder: times(drag.shoulder, whole), hip: times(drag.hip, whole) },
    ...legShareInWater(samples, waterlineAt(Math.min(depth, shallowest), stature, seated), cycleSeconds),
  };
}

/**
 * Distance from the net force to the edge of the base in water: no velocity, since water holds a body back.
 * Where the feet lose their grip there is none.
 */
export function readBalanceInWater(
  samples: VariantSamples,
  sample: number,
  waterline: number,
  lift: number,
  into: Balance,
): void {
  const row = samples.rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH);
  const { share, centre } = weightInWater(row, waterline, samples.build, lift);
  into.weight = share;
  into.place = centre;
  if (isSeatedThroughout(samples)) {
    // Belted to a chair that stands: the water neither helps nor moves them off it.
    into.margin = numberAt(samples.balance, sample * BALANCE.width + BALANCE.quietMargin);
    into.relief = 0;
    return;
  }
  const base = itemAt(samples.bases, sample);
  into.margin = share < GRIP_SHARE || base.length < 3 ? 0 : marginOfStability(centre, base);
  into.relief = waterRelief(share);
}
