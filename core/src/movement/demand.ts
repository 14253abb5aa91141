import { marginOfStability, type Point } from "../body/base-of-support.ts";
import { column, LANDMARK_TOLERANCE, ROW_WIDTH, sidedColumn } from "../body/channels.ts";
import { sidedSlot } from "../body/pose.ts";
import { GRAVITY } from "../body/segments.ts";
import {
  addedDemand,
  movementDemand,
  oneLegDemand,
  seatedBaseDemand,
  standingBaseDemand,
  steadinessDemand,
  SUPPORT_RELIEF,
  type SteadinessTerms,
  toeDownDemand,
} from "../body/steadiness.ts";
import { type Side, SIDES, sideIndex } from "../side.ts";
import { type Feature, featuresOf } from "./features.ts";
import type { DECLARED_FEATURES } from "./format.ts";
import { type FormSamples, INTERVALS, segmentOfSample, valueAt } from "./samples.ts";

/** A pair of values, left then right. */
export type Pair = readonly [left: number, right: number];

/** What one round of a form asks of a person, read alike wherever it is used. */
export interface Demand {
  /** Seconds of one round. */
  readonly cycleSeconds: number;
  /** Highest, lowest and mean of every column over the round, lengths as shares of H. */
  readonly highest: Float64Array;
  readonly lowest: Float64Array;
  readonly mean: Float64Array;
  /** Least margin of stability with velocity counted, metres, and when. Negative: a step is needed. */
  readonly leastMargin: { readonly metres: number; readonly phase: number };
  /** Seconds on one leg in a round, and the longest spell; by the standing leg. */
  readonly oneLegSeconds: Pair;
  readonly longestOneLeg: Pair;
  /** Seconds with the other toe resting, by the standing leg. */
  readonly toeDownSeconds: Pair;
  /** Seconds with a hand above its shoulder. */
  readonly handAboveShoulderSeconds: Pair;
  /** Shoulder load over time, in seconds of the bare arm held straight out. */
  readonly heldOutSeconds: Pair;
  /** The greatest steadiness demand, with its terms and when. */
  readonly steadiness: SteadinessTerms & { readonly phase: number };
  /** What the bases and the support alone ask: steadiness demand with no movement, arms or head. */
  readonly quietSteadiness: number;
  readonly features: ReadonlySet<Feature>;
}

interface Person {
  /** Metres. */
  readonly stature: number;
}

/** Phase that a sample stands for: half of each neighbouring interval within its segment. */
function weightOf(samples: FormSamples, sample: number): number {
  const segment = segmentOfSample(samples, sample);
  const interval = (segment.to - segment.from) / INTERVALS;
  const i = sample % (INTERVALS + 1);
  return i === 0 || i === INTERVALS ? interval / 2 : interval;
}

function extremes(samples: FormSamples): { highest: Float64Array; lowest: Float64Array; mean: Float64Array } {
  const highest = new Float64Array(ROW_WIDTH).fill(Number.NEGATIVE_INFINITY);
  const lowest = new Float64Array(ROW_WIDTH).fill(Number.POSITIVE_INFINITY);
  const mean = new Float64Array(ROW_WIDTH);
  for (let sample = 0; sample < samples.count; sample += 1) {
    const weight = weightOf(samples, sample);
    for (let i = 0; i < ROW_WIDTH; i += 1) {
      const value = samples.rows[sample * ROW_WIDTH + i] as number;
      if (value > (highest[i] as number)) highest[i] = value;
      if (value < (lowest[i] as number)) lowest[i] = value;
      mean[i] = (mean[i] as number) + weight * value;
    }
  }
  return { highest, lowest, mean };
}

const otherFoot = (samples: FormSamples, sample: number, standing: Side) =>
  segmentOfSample(samples, sample).frame.feet[standing === "left" ? 1 : 0];

/** Total and longest run, in seconds, of the segments in which a condition holds. */
function spells(
  samples: FormSamples,
  cycleSeconds: number,
  holds: (sample: number) => boolean,
): { total: number; longest: number } {
  let total = 0;
  let run = 0;
  let longest = 0;
  samples.segments.forEach((segment, number) => {
    const seconds = (segment.to - segment.from) * cycleSeconds;
    if (holds(number * (INTERVALS + 1))) {
      total += seconds;
      run += seconds;
      longest = Math.max(longest, run);
    } else run = 0;
  });
  return { total, longest };
}

const pairOf = (of: (side: Side) => number): Pair => [of("left"), of("right")];

function integrated(samples: FormSamples, cycleSeconds: number, of: (sample: number) => number): number {
  let sum = 0;
  for (let sample = 0; sample < samples.count; sample += 1) sum += weightOf(samples, sample) * of(sample);
  return sum * cycleSeconds;
}

/** Signed distance of the extrapolated centre of mass to the edge, share of H. */
function dynamicMargin(samples: FormSamples, sample: number, stature: number, cycleSeconds: number): number {
  const base = samples.bases[sample] as readonly Point[];
  if (base.length < 3) return -1;
  const height = valueAt(samples, sample, column("comY")) * stature;
  const lead = Math.sqrt(height / GRAVITY) / cycleSeconds;
  return marginOfStability(
    [
      valueAt(samples, sample, column("comX")) + lead * (samples.comRate[2 * sample] as number),
      valueAt(samples, sample, column("comZ")) + lead * (samples.comRate[2 * sample + 1] as number),
    ],
    base,
  );
}

function baseDemandAt(samples: FormSamples, sample: number, longest: { oneLeg: Pair; toeDown: Pair }): number {
  const { frame, start } = segmentOfSample(samples, sample);
  const lifted = frame.feet.includes("lifted");
  if (frame.seating.kind === "seated")
    return seatedBaseDemand(frame.seating.backSupported, frame.seating.atFront, lifted);
  for (const side of SIDES) {
    const other = otherFoot(samples, sample, side);
    if (other === "lifted") return oneLegDemand(longest.oneLeg[sideIndex(side)]);
    if (other === "restingToe" || other === "restingHeel") return toeDownDemand(longest.toeDown[sideIndex(side)]);
  }
  const heels = frame.feet.every((foot) => foot === "forefoot") ? 1.5 : 0;
  const at = (name: "footX" | "footZ", side: Side) => start[sidedSlot(name, side)] as number;
  return (
    standingBaseDemand(Math.abs(at("footZ", "right") - at("footZ", "left")), Math.abs(at("footX", "right") - at("footX", "left"))) +
    heels
  );
}

function supportAt(samples: FormSamples, sample: number): number {
  const { hands } = segmentOfSample(samples, sample).frame;
  const firm = hands.filter((hand) => hand === "firm").length;
  if (firm > 0) return firm === 2 ? SUPPORT_RELIEF.railBothHands : SUPPORT_RELIEF.railOneHand;
  return hands.includes("lightTouch") ? SUPPORT_RELIEF.lightTouch : SUPPORT_RELIEF.none;
}

const above = (samples: FormSamples, sample: number, side: Side): boolean =>
  valueAt(samples, sample, sidedColumn("handOverShoulder", side)) > LANDMARK_TOLERANCE;

/**
 * Reads the demands of a form from its samples.
 *
 * @param samples a form without a problem
 * @param person stature in metres; nothing else of the person changes the reading
 * @param cycleSeconds seconds of one round, positive
 * @throws {RangeError} if the cycle takes no time
 */
export function readDemand(
  samples: FormSamples,
  person: Person,
  cycleSeconds: number,
  declared: readonly (typeof DECLARED_FEATURES)[number][] = [],
): Demand {
  if (!(cycleSeconds > 0)) throw new RangeError("a round takes time");
  const features = featuresOf(samples, declared);
  const lifted = (side: Side) => (sample: number) =>
    otherFoot(samples, sample, side) === "lifted" &&
    segmentOfSample(samples, sample).frame.seating.kind === "standing";
  const resting = (side: Side) => (sample: number) => otherFoot(samples, sample, side) === "restingToe";
  const oneLeg = SIDES.map((side) => spells(samples, cycleSeconds, lifted(side)));
  const toeDown = SIDES.map((side) => spells(samples, cycleSeconds, resting(side)));
  const longest = {
    oneLeg: pairOf((side) => oneLeg[sideIndex(side)]?.longest ?? 0),
    toeDown: pairOf((side) => toeDown[sideIndex(side)]?.longest ?? 0),
  };

  let leastMargin = { metres: Number.POSITIVE_INFINITY, phase: 0 };
  let steadiness: Demand["steadiness"] | null = null;
  let quietSteadiness = 0;
  for (let sample = 0; sample < samples.count; sample += 1) {
    const phase = samples.phases[sample] as number;
    const margin = dynamicMargin(samples, sample, person.stature, cycleSeconds);
    if (margin * person.stature < leastMargin.metres) leastMargin = { metres: margin * person.stature, phase };
    const seated = segmentOfSample(samples, sample).frame.seating.kind === "seated";
    const handsUp = SIDES.filter((side) => above(samples, sample, side)).length;
    const terms = steadinessDemand(
      {
        base: baseDemandAt(samples, sample, longest),
        movement: movementDemand(margin, valueAt(samples, sample, column("quietMargin"))),
        added: addedDemand({
          handsAboveShoulder: handsUp,
          overhead: SIDES.every((side) => valueAt(samples, sample, sidedColumn("handOverCrown", side)) > 0),
          headTurn: Math.abs(valueAt(samples, sample, column("headRotation"))),
          headFlexion: valueAt(samples, sample, column("headFlexion")),
          eyesClosed: features.has("eyesClosed"),
          seated,
        }),
        support: supportAt(samples, sample),
      },
      seated,
    );
    quietSteadiness = Math.max(quietSteadiness, terms.base - terms.support);
    if (steadiness === null || terms.total > steadiness.total) steadiness = { ...terms, phase };
  }

  return {
    cycleSeconds,
    ...extremes(samples),
    leastMargin,
    oneLegSeconds: pairOf((side) => oneLeg[sideIndex(side)]?.total ?? 0),
    longestOneLeg: longest.oneLeg,
    toeDownSeconds: pairOf((side) => toeDown[sideIndex(side)]?.total ?? 0),
    handAboveShoulderSeconds: pairOf((side) =>
      integrated(samples, cycleSeconds, (sample) => (above(samples, sample, side) ? 1 : 0)),
    ),
    heldOutSeconds: pairOf((side) =>
      integrated(samples, cycleSeconds, (sample) => valueAt(samples, sample, sidedColumn("shoulderLoad", side))),
    ),
    steadiness: steadiness as Demand["steadiness"],
    quietSteadiness,
    features,
  };
}

