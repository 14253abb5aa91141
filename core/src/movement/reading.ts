import { addedDemand } from "../body/balance-demand.ts";
import {
  column,
  LANDMARK_TOLERANCE,
  MIDLINE_RANGES,
  ROW_WIDTH,
  SIDED_RANGES,
  sidedColumns,
  VALUE_WIDTH,
} from "../body/channels.ts";
import { isOff, isOnSupport, type PoseFrame } from "../body/pose.ts";
import { supportNamed } from "../body/supports.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { type Pair, pairOf, SIDES, type Side, sideIndex } from "../side.ts";
import { closeExtremes, isTurnRead, noExtremes, widen } from "./extremes.ts";
import { type Feature, featuresOf } from "./features.ts";
import { STEP_DEMAND, type Step, stepsOf } from "./foot-steps.ts";
import type { DECLARED_FEATURES } from "./format.ts";
import { INTERVALS, type SolvedSamples, segmentOfSample } from "./solved-samples.ts";
import { type TimeSpent, timeAbove, timeOfIntervals, timeOfSegments } from "./time-above.ts";

/**
 * What a variant shows for any participant at any pace; read once from its samples. Times are shares of a
 * repetition.
 */
export interface VariantReading {
  /** Highest, lowest and mean of every range and reading over the repetition, lengths as shares of H. */
  readonly highest: Float64Array;
  readonly lowest: Float64Array;
  readonly mean: Float64Array;
  /** Share of a repetition with a hand above its shoulder. */
  readonly handAboveShoulder: Pair;
  /** The longest stretch of it, going on from the end of a repetition into its beginning. */
  readonly longestHandAboveShoulder: Pair;
  /**
   * The longest stretch in which a bent loaded knee or an arm held out is kept quite still: a hold. Share of a
   * repetition.
   */
  readonly longestHold: number;
  /** Timed holds: all of it, share of a repetition. */
  readonly timedHold: number;
  /** Shoulder load over the repetition, in repetitions of the bare arm held straight out. */
  readonly heldOut: Pair;
  /** Share of a repetition on one leg, and the longest stretch; by the standing leg. */
  readonly oneLeg: { readonly total: Pair; readonly longest: Pair };
  /** Share of a repetition of a variant on one leg with the other toe resting, by the standing leg. */
  readonly toeDown: { readonly total: Pair; readonly longest: Pair };
  /** Share of a repetition with a hand out of sight: more than 70 degrees from straight ahead of the eyes. */
  readonly handOutOfSight: Pair;
  /** The steps of a repetition, in their order. */
  readonly steps: readonly Step[];
  /** Balance demand added by arms, head, eyes and steps, a value a sample. */
  readonly added: Float64Array;
  /** What the hands on something take off, a value a segment. */
  readonly support: Float64Array;
  readonly features: ReadonlySet<Feature>;
}

const TURN = sidedColumns("shoulderTurn");
const OVER_SHOULDER = sidedColumns("handOverShoulder");
const OVER_CROWN = sidedColumns("handOverCrown");
const SHOULDER_LOAD = sidedColumns("shoulderLoad");
const FROM_SIGHT = sidedColumns("handFromSight");
/** A hand further from straight ahead than this is not seen, degrees. */
const IN_SIGHT = 70;
const LOADED_KNEE = sidedColumns("loadedKnee");
const RANGE_COLUMNS = [
  ...MIDLINE_RANGES.map(({ name }) => column(name)),
  ...SIDED_RANGES.flatMap(({ name }) => sidedColumns(name)),
];
const HEAD_TURN = column("headRotation");
const HEAD_FLEXION = column("headFlexion");

/** Highest, lowest and mean of every column; a shoulder's turn over the samples in which it is read. */
function extremesAndMean({ rows, count }: SolvedSamples, weights: Float64Array) {
  const extremes = noExtremes();
  const mean = new Float64Array(VALUE_WIDTH);
  const turn: [number, number] = [0, 0];
  const read: [number, number] = [0, 0];
  for (let sample = 0; sample < count; sample += 1) {
    const weight = numberAt(weights, sample);
    const start = sample * ROW_WIDTH;
    widen(extremes, rows, sample);
    for (let i = 0; i < VALUE_WIDTH; i += 1) mean[i] = numberAt(mean, i) + weight * numberAt(rows, start + i);
    for (const side of [0, 1] as const) {
      if (!isTurnRead(rows, start, side)) continue;
      turn[side] += weight * numberAt(rows, start + TURN[side]);
      read[side] += weight;
    }
  }
  for (const side of [0, 1] as const) mean[TURN[side]] = read[side] > 0 ? turn[side] / read[side] : 0;
  closeExtremes(extremes);
  return { ...extremes, mean };
}

/** Share of the repetition that each sample stands for: half of each neighbouring interval within its segment. */
function sampleWeights({ segments, count }: SolvedSamples): Float64Array {
  const weights = new Float64Array(count);
  segments.forEach(({ from, to }, number) => {
    const interval = (to - from) / INTERVALS;
    for (let i = 0; i <= INTERVALS; i += 1)
      weights[number * (INTERVALS + 1) + i] = i === 0 || i === INTERVALS ? interval / 2 : interval;
  });
  return weights;
}

/** A variant as its segments tell it, solved or not. */
type Segmented = Pick<SolvedSamples, "segments">;

function periodsOfSides(variant: Segmented, holds: (frame: PoseFrame, side: Side) => boolean) {
  const [left, right] = pairOf((side) => timeOfSegments(variant, ({ frame }) => holds(frame, side)));
  return { total: [left.total, right.total] as const, longest: [left.longest, right.longest] as const };
}

/**
 * What makes stillness a hold: a loaded knee bent by more degrees, or an arm heavier than this share of straight out.
 */
const HOLD = { knee: 20, shoulderLoad: 0.5, still: 1 } as const;

/** Whether nothing but breath moves from one sample to the next while a knee or a shoulder carries. */
function holdsStill(samples: SolvedSamples, sample: number): boolean {
  const { rows } = samples;
  // A timed hold is as long as it says; going there and coming back begin and end still, too.
  if (segmentOfSample(samples, sample).held) return false;
  const start = sample * ROW_WIDTH;
  const over = (columns: readonly number[], least: number) => columns.some((i) => numberAt(rows, start + i) > least);
  if (!over(LOADED_KNEE, HOLD.knee) && !over(SHOULDER_LOAD, HOLD.shoulderLoad)) return false;
  const after = start + ROW_WIDTH;
  return RANGE_COLUMNS.every((i) => Math.abs(numberAt(rows, after + i) - numberAt(rows, start + i)) < HOLD.still);
}

/** The foot that is not the standing one. */
export const otherFoot = (frame: PoseFrame, standing: Side) => frame.feet[standing === "left" ? 1 : 0];

/** Share of a repetition of a variant on one leg, by the standing leg. */
export const oneLegPeriods = (variant: Segmented) =>
  periodsOfSides(variant, (frame, side) => isOff(otherFoot(frame, side)) && frame.seating.kind === "standing");

/** The same with the other toe resting. */
export const toeDownPeriods = (variant: Segmented) =>
  periodsOfSides(variant, (frame, side) => otherFoot(frame, side) === "restingToe");

/**
 * Share of a repetition in timed holds.
 *
 * @param variant its segments, solved or not
 */
export const timedHoldPeriods = (variant: Segmented): TimeSpent => timeOfSegments(variant, ({ held }) => held);

/** What the hands on something take off the balance demand. */
export function supportOf({ hands, support }: PoseFrame): number {
  const holding = hands.filter(isOnSupport).length;
  return holding === 0 ? 0 : supportNamed(support).relief[holding === 2 ? 1 : 0];
}

/** Reads a variant from its solved samples. @param declared features that its movement names and no angle shows */
export function readVariant(samples: SolvedSamples, declared: readonly (typeof DECLARED_FEATURES)[number][]): VariantReading {
  const { rows, count, segments } = samples;
  const weights = sampleWeights(samples);
  const features = featuresOf(samples, declared);
  const eyesClosed = features.has("eyesClosed");
  const added = new Float64Array(count);
  const held: [number, number] = [0, 0];
  const overLimit = (columns: Pair, limit: number) =>
    pairOf((side) => timeAbove(samples, (sample) => numberAt(rows, sample * ROW_WIDTH + columns[sideIndex(side)]), limit));
  const above = overLimit(OVER_SHOULDER, LANDMARK_TOLERANCE);
  const unseen = overLimit(FROM_SIGHT, IN_SIGHT);
  const steps = stepsOf(segments);
  const timed = timedHoldPeriods(samples);
  const stepDemand = segments.map((_, number) =>
    Math.max(0, ...steps.filter(({ segment }) => segment === number).map(({ direction }) => STEP_DEMAND[direction])),
  );
  for (let sample = 0; sample < count; sample += 1) {
    const start = sample * ROW_WIDTH;
    const at = (columnNumber: number) => numberAt(rows, start + columnNumber);
    let handsAboveShoulder = 0;
    for (const side of SIDES) {
      const i = sideIndex(side);
      held[i] += numberAt(weights, sample) * at(SHOULDER_LOAD[i]);
      if (at(OVER_SHOULDER[i]) > LANDMARK_TOLERANCE) handsAboveShoulder += 1;
    }
    const number = Math.floor(sample / (INTERVALS + 1));
    added[sample] = addedDemand({
      handsAboveShoulder,
      overhead: OVER_CROWN.every((columnNumber) => at(columnNumber) > LANDMARK_TOLERANCE),
      headTurn: Math.abs(at(HEAD_TURN)),
      headFlexion: at(HEAD_FLEXION),
      eyesClosed,
      step: itemAt(stepDemand, number),
      seated: segments[number]?.frame.seating.kind === "seated",
    });
  }
  return {
    ...extremesAndMean(samples, weights),
    handAboveShoulder: [above[0].total, above[1].total],
    longestHandAboveShoulder: [above[0].longest, above[1].longest],
    longestHold: Math.max(timed.longest, timeOfIntervals(samples, (sample) => holdsStill(samples, sample)).longest),
    timedHold: timed.total,
    heldOut: held,
    handOutOfSight: [unseen[0].total, unseen[1].total],
    steps,
    oneLeg: oneLegPeriods(samples),
    toeDown: toeDownPeriods(samples),
    added,
    support: Float64Array.from(segments, ({ frame }) => supportOf(frame)),
    features,
  };
}
