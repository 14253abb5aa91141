import { USUAL_BUILD } from "../body/build.ts";
import { column, MIDLINE_RANGES, type MidlineColumn, SIDED_RANGES, type SidedColumn, sidedColumns } from "../body/channels.ts";
import { REFERENCE_STATURE } from "../body/segments.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { readDemand } from "../movement/demand.ts";
import type { Movement } from "../movement/format.ts";
import { sampleTrack } from "../movement/samples.ts";
import { trackOf } from "../movement/track.ts";
import { evenSizes, FULL_SIZE, type VariantSpec } from "../movement/variant.ts";
import { BREATH_SECONDS } from "../plan/style.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { type Pair, SIDES, type Side, sideIndex } from "../side.ts";
import { shapesOf } from "./candidates.ts";
import { leadingSides } from "./variant-cache.ts";

/** Bumped whenever the body model changes what a summary says, so that kept ones are made anew. */
export const SUMMARY_VERSION = 4;

const MIDLINE_PEAKS = ["lowBackLoad", "handSeparation"] as const satisfies readonly MidlineColumn[];
const SIDED_PEAKS = [
  "handOverLap",
  "handOverNavel",
  "handOverChest",
  "handOverShoulder",
  "handOverEye",
  "handOverCrown",
  "loadedKnee",
  "heelDownDorsiflexion",
  "shoulderLoad",
  "kneeLoad",
  "footShare",
] as const satisfies readonly SidedColumn[];
type MidlineRange = (typeof MIDLINE_RANGES)[number]["name"];
export type SidedPeak = (typeof SIDED_PEAKS)[number];

/** Shares of a repetition, left and right. */
const PAIRS = ["oneLeg", "longestOneLeg", "toeDown", "longestToeDown", "handAboveShoulder", "heldOut", "handOutOfSight"] as const;
/** Of an average body at a usual breath length. */
const SINGLES = ["steadiness", "quietSteadiness", "leastMargin", "steps"] as const;
type SummaryPair = (typeof PAIRS)[number];
type SummarySingle = (typeof SINGLES)[number];

const RANGES = [...MIDLINE_RANGES.map(({ name }) => column(name)), ...SIDED_RANGES.flatMap(({ name }) => sidedColumns(name))];
const FIRST_MIDLINE_PEAK = 2 * RANGES.length;
const FIRST_SIDED_PEAK = FIRST_MIDLINE_PEAK + MIDLINE_PEAKS.length;
const FIRST_PAIR = FIRST_SIDED_PEAK + 2 * SIDED_PEAKS.length;
const FIRST_SINGLE = FIRST_PAIR + 2 * PAIRS.length;
/** Numbers in one summary. */
export const SUMMARY_WIDTH = FIRST_SINGLE + SINGLES.length;

/** One variant at one size, one side leading. */
export interface SummarisedVariant {
  readonly choice: VariantSpec;
  readonly lead: Side;
}

/** Demand of every variant of a movement at every size. */
export interface Summaries {
  readonly forms: readonly SummarisedVariant[];
  /** SUMMARY_WIDTH numbers a variant, in the order of the variants; NaN throughout for one that no body can do. */
  readonly values: Float32Array;
}

/**
 * Every variant of a movement for a hall, at eight sizes, each side leading: the same for everyone, in a fixed order.
 */
export const summarisedVariants = (movement: Movement): readonly SummarisedVariant[] =>
  shapesOf(movement)
    .filter(({ sizes }) => sizes.legs > 0)
    .flatMap((shape) =>
      Array.from({ length: FULL_SIZE }, (_, i) => FULL_SIZE - i).flatMap((size) =>
        leadingSides(movement).map((lead) => ({ choice: { ...shape, sizes: evenSizes(size) }, lead })),
      ),
    );

function writeSummary(movement: Movement, { choice, lead }: SummarisedVariant, into: Float32Array): void {
  const track = trackOf(movement, choice, lead, USUAL_BUILD);
  const samples = track && sampleTrack(track);
  if (!samples || samples.problem !== null) {
    into.fill(Number.NaN);
    return;
  }
  const { reading } = samples;
  const demand = readDemand(samples, { stature: REFERENCE_STATURE }, BREATH_SECONDS.usual * movement.breaths);
  RANGES.forEach((index, i) => {
    into[2 * i] = numberAt(reading.lowest, index);
    into[2 * i + 1] = numberAt(reading.highest, index);
  });
  MIDLINE_PEAKS.forEach((name, i) => {
    into[FIRST_MIDLINE_PEAK + i] = numberAt(reading.highest, column(name));
  });
  SIDED_PEAKS.forEach((name, i) => {
    sidedColumns(name).forEach((index, side) => {
      into[FIRST_SIDED_PEAK + 2 * i + side] = numberAt(reading.highest, index);
    });
  });
  const pairs: Record<SummaryPair, Pair> = {
    oneLeg: reading.oneLeg.total,
    longestOneLeg: reading.oneLeg.longest,
    toeDown: reading.toeDown.total,
    longestToeDown: reading.toeDown.longest,
    handAboveShoulder: reading.handAboveShoulder,
    heldOut: reading.heldOut,
    handOutOfSight: reading.handOutOfSight,
  };
  PAIRS.forEach((name, i) => {
    into.set(pairs[name], FIRST_PAIR + 2 * i);
  });
  const singles: Record<SummarySingle, number> = {
    steadiness: demand.balance.total,
    quietSteadiness: demand.quietSteadiness,
    leastMargin: demand.leastMargin.metres,
    steps: reading.steps.length,
  };
  SINGLES.forEach((name, i) => {
    into[FIRST_SINGLE + i] = singles[name];
  });
}

/**
 * Solves every variant of a movement at every size, a variant at a time, so that other work can run in between.
 * Some hundreds of milliseconds in all, worth keeping.
 */
export function* summariesIncrementally(movement: Movement): Generator<undefined, Summaries> {
  const forms = summarisedVariants(movement);
  const values = new Float32Array(forms.length * SUMMARY_WIDTH);
  for (const [i, variant] of forms.entries()) {
    writeSummary(movement, variant, values.subarray(i * SUMMARY_WIDTH, (i + 1) * SUMMARY_WIDTH));
    yield;
  }
  return { forms, values };
}

/** The same in one go. */
export function summariesOf(movement: Movement): Summaries {
  return runToCompletion(summariesIncrementally(movement));
}

/** Whether a body can do the variant with this number. */
export const canBeDone = ({ values }: Summaries, variant: number): boolean => !Number.isNaN(values[variant * SUMMARY_WIDTH]);

/** The highest value of a reading over a repetition of the variant with this number. */
export const peakOf = ({ values }: Summaries, variant: number, name: SidedPeak, side: Side): number =>
  itemAt(values, variant * SUMMARY_WIDTH + FIRST_SIDED_PEAK + 2 * SIDED_PEAKS.indexOf(name) + sideIndex(side));

/** The higher of both sides' peaks of the variant with this number. */
export const peakOfSides = (summaries: Summaries, variant: number, name: SidedPeak): number =>
  Math.max(...SIDES.map((side) => peakOf(summaries, variant, name, side)));

/**
 * The furthest that some ranges of the midline go either way over a repetition.
 *
 * @param summaries of a movement
 * @param variant its number
 * @param names of the ranges
 * @returns degrees, never negative
 */
export const furthestOf = ({ values }: Summaries, variant: number, names: readonly MidlineRange[]): number =>
  Math.max(
    ...names.flatMap((name) => {
      const first = variant * SUMMARY_WIDTH + 2 * RANGES.indexOf(column(name));
      return [Math.abs(itemAt(values, first)), Math.abs(itemAt(values, first + 1))];
    }),
  );

/** Balance demand of the variant with this number for an average body at a usual breath length, 0 to 10. */
export const balanceDemandOf = ({ values }: Summaries, variant: number): number =>
  itemAt(values, variant * SUMMARY_WIDTH + FIRST_SINGLE + SINGLES.indexOf("steadiness"));
