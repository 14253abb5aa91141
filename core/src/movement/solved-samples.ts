import type { Point } from "../body/base-of-support.ts";
import type { Build } from "../body/build.ts";
import { ROW_WIDTH } from "../body/channels.ts";
import type { PoseProblem } from "../body/solver-space.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import type { TrackSegment } from "./track.ts";

/** Intervals that each stretch between two key poses is sampled in. */
export const INTERVALS = 8;

/**
 * A variant solved for the unit body at fixed phases. Seconds and metres come later: velocity goes with 1/T,
 * so a change of pace or of person solves nothing again.
 */
export interface SolvedSamples {
  readonly breaths: number;
  /** Whose proportions it was solved with. */
  readonly build: Build;
  /** Number of samples; each segment has INTERVALS + 1 of its own, so ends are met twice. */
  readonly count: number;
  /** When in the cycle, 0 to 1, one per sample. */
  readonly phases: Float64Array;
  /** count x ROW_WIDTH, lengths as shares of H. */
  readonly rows: Float64Array;
  /** Centre of mass, change of X and Z per whole cycle, count x 2, shares of H. */
  readonly comRate: Float64Array;
  /** Base of support of each sample, shares of H. */
  readonly bases: readonly (readonly Point[])[];
  readonly segments: readonly TrackSegment[];
  /** The first thing the body cannot do, and when. */
  readonly problem: { readonly phase: number; readonly what: PoseProblem } | null;
}

export const segmentOfSample = (samples: SolvedSamples, sample: number): TrackSegment =>
  itemAt(samples.segments, Math.floor(sample / (INTERVALS + 1)));

/** One value of one sample. */
export const valueAt = (samples: SolvedSamples, sample: number, columnNumber: number): number =>
  numberAt(samples.rows, sample * ROW_WIDTH + columnNumber);
