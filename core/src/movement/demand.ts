import {
  type BalanceDemandTerms,
  balanceDemand,
  balanceDemandTotal,
  circumstanceDemand,
  movementDemand,
} from "../body/balance-demand.ts";
import { type Direction, marginOfStability, nearestEdge, type Point } from "../body/base-of-support.ts";
import { isRising } from "../body/pose.ts";
import { GRAVITY } from "../body/segments.ts";
import { waterEquipmentNamed } from "../body/water-equipment.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import type { Pair } from "../side.ts";
import { BALANCE, type Balance, type DemandSamples, type Doer, isSeatedThroughout, times, USUAL_MASS } from "./demand-samples.ts";
import type { VariantReading } from "./reading.ts";
import type { VariantSamples } from "./samples.ts";
import { INTERVALS } from "./solved-samples.ts";
import { baseDemand, staticBalance } from "./static-demand.ts";
import { readBalanceInWater, readWater, type WaterDemand, waterlineAt } from "./water-demand.ts";

/** The demand of one repetition of a variant on a person; every screen and check reads this one. */
export interface Demand extends Pick<VariantReading, "highest" | "lowest" | "mean" | "features" | "steps"> {
  /** Seconds of one repetition. */
  readonly cycleSeconds: number;
  /**
   * Least margin of stability with velocity counted, metres, when, and towards which side; null where there is no base
   * to speak of. Negative: a step is needed.
   */
  readonly leastMargin: { readonly metres: number; readonly phase: number; readonly towards: Direction | null };
  /** Seconds on one leg in a repetition, and the longest stretch; by the standing leg. */
  readonly oneLegSeconds: Pair;
  readonly longestOneLeg: Pair;
  /** Seconds with the other toe resting, by the standing leg. */
  readonly toeDownSeconds: Pair;
  /** Seconds with a hand above its shoulder. */
  readonly handAboveShoulderSeconds: Pair;
  /** The longest of it at a time, seconds. */
  readonly longestHandAboveShoulder: Pair;
  /** The longest hold: a timed one, or a bent loaded knee or an arm held out kept still, seconds. */
  readonly longestHold: number;
  /** Seconds of timed holds in a repetition. */
  readonly timedHoldSeconds: number;
  /** Seconds with a hand out of sight. */
  readonly handOutOfSightSeconds: Pair;
  /** Shoulder load over time, in seconds of the bare arm held straight out. */
  readonly heldOutSeconds: Pair;
  /** The greatest balance demand, with its terms and when. */
  readonly balance: BalanceDemandTerms & { readonly phase: number };
  /** What the bases and the support alone ask: balance demand with no movement, arms or head. */
  readonly quietSteadiness: number;
  /** Null on land. */
  readonly water: WaterDemand | null;
}

/** Where the extrapolated centre of mass is over the floor, shares of H. @param way 1, or -1 the other way round */
function extrapolatedCentre(samples: DemandSamples, sample: number, stature: number, cycleSeconds: number, way: 1 | -1): Point {
  const start = sample * BALANCE.width;
  const height = numberAt(samples.balance, start + BALANCE.y) * stature;
  const lead = (way * Math.sqrt(height / GRAVITY)) / cycleSeconds;
  return [
    numberAt(samples.balance, start + BALANCE.x) + lead * numberAt(samples.comRate, 2 * sample),
    numberAt(samples.balance, start + BALANCE.z) + lead * numberAt(samples.comRate, 2 * sample + 1),
  ];
}

/**
 * Finds where a variant is least steady at a pace: its smallest margin of stability, and its greatest balance demand.
 *
 * Long because both are looked for in one pass over the samples, which this does for every pace of every variant.
 *
 * @param bases balance demand of the base of support of each segment
 * @param waterline height of the water, share of stature; null on land
 * @returns also the share of body weight left at each sample in water
 */
function readSteadiness(
  samples: DemandSamples | VariantSamples,
  person: Doer,
  cycleSeconds: number,
  bases: readonly number[],
  waterline: ReturnType<typeof waterlineAt> | null,
): Pick<Demand, "leastMargin" | "balance"> & { readonly weights: Float64Array } {
  const wet = "rows" in samples ? samples : null;
  const { reading, phases, count, footings } = samples;
  let leastMargin = Number.POSITIVE_INFINITY;
  let leastAt = 0;
  let highest = Number.NEGATIVE_INFINITY;
  let highestAt = 0;
  const circumstances = person.circumstances ?? {};
  const balance: Balance = { place: [0, 0], margin: 0, relief: 0, weight: 1 };
  const lift = waterEquipmentNamed(person.equipment ?? "bare").lift / ((person.mass ?? USUAL_MASS) * GRAVITY);
  const weights = new Float64Array(waterline === null ? 0 : count);
  const readBalance = (sample: number): void => {
    if (waterline !== null && wet !== null) {
      readBalanceInWater(wet, sample, waterline, lift, balance);
      weights[sample] = balance.weight;
      return;
    }
    const base = itemAt(samples.bases, sample);
    const marginOf = (place: Point): number => (base.length < 3 ? -1 : marginOfStability(place, base));
    balance.place = extrapolatedCentre(samples, sample, person.stature, cycleSeconds, 1);
    balance.margin = marginOf(balance.place);
    if (!samples.turnsRound) return;
    const place = extrapolatedCentre(samples, sample, person.stature, cycleSeconds, -1);
    const margin = marginOf(place);
    if (margin < balance.margin) Object.assign(balance, { place, margin });
  };
  const isRisingAt = (number: number): boolean => isRising(itemAt(footings, number).frame);
  const isSeated = (number: number): boolean => footings[number]?.frame.seating.kind === "seated";
  // The demand of rising is known as a whole: moving from the seat over the feet is part of it.
  const movementAt = (sample: number, number: number): number =>
    isRisingAt(number)
      ? 0
      : movementDemand(balance.margin, numberAt(samples.balance, sample * BALANCE.width + BALANCE.quietMargin));
  const addedAt = (sample: number, number: number): number =>
    numberAt(reading.added, sample) + circumstanceDemand(circumstances, isSeated(number));
  const supportAt = (number: number): number => Math.max(balance.relief, numberAt(reading.support, number));
  for (let sample = 0; sample < count; sample += 1) {
    const number = Math.floor(sample / (INTERVALS + 1));
    readBalance(sample);
    if (balance.margin < leastMargin) {
      leastMargin = balance.margin;
      leastAt = sample;
    }
    const total = balanceDemandTotal(
      itemAt(bases, number),
      movementAt(sample, number),
      addedAt(sample, number),
      supportAt(number),
      isSeated(number),
    );
    if (total > highest) {
      highest = total;
      highestAt = sample;
    }
  }
  readBalance(leastAt);
  const under = itemAt(samples.bases, leastAt);
  const towards = under.length < 3 ? null : nearestEdge(balance.place, under);
  readBalance(highestAt);
  const number = Math.floor(highestAt / (INTERVALS + 1));
  const worst = balanceDemand(
    {
      base: itemAt(bases, number),
      movement: movementAt(highestAt, number),
      added: addedAt(highestAt, number),
      support: supportAt(number),
    },
    isSeated(number),
  );
  return {
    leastMargin: { metres: leastMargin * person.stature, phase: numberAt(phases, leastAt), towards },
    balance: { ...worst, phase: numberAt(phases, highestAt) },
    weights,
  };
}

/**
 * Reads the demands of a variant from its samples, for a person's stature and a pace.
 *
 * @param samples a variant without a problem; with its poses for a variant in water
 * @param person stature in metres; in water also the depth, and mass for the drag
 * @param cycleSeconds seconds of one repetition, positive
 * @throws {RangeError} if the cycle takes no time, or the poses are missing for a variant in water
 */
export function readDemand(samples: DemandSamples | VariantSamples, person: Doer, cycleSeconds: number): Demand {
  if (!(cycleSeconds > 0)) throw new RangeError("a round takes time");
  const wet = "rows" in samples ? samples : null;
  if (person.depth !== undefined && wet === null) throw new RangeError("demands in water are read from the poses");
  const { reading, footings } = samples;
  const longest = {
    oneLeg: times(reading.oneLeg.longest, cycleSeconds),
    toeDown: times(reading.toeDown.longest, cycleSeconds),
  };
  const bases = footings.map((footing) => baseDemand(footing, longest));

  const waterline = person.depth === undefined ? null : waterlineAt(person.depth, person.stature, isSeatedThroughout(samples));
  const { leastMargin, balance, weights } = readSteadiness(samples, person, cycleSeconds, bases, waterline);
  return {
    cycleSeconds,
    highest: reading.highest,
    lowest: reading.lowest,
    mean: reading.mean,
    leastMargin,
    oneLegSeconds: times(reading.oneLeg.total, cycleSeconds),
    longestOneLeg: longest.oneLeg,
    toeDownSeconds: times(reading.toeDown.total, cycleSeconds),
    handAboveShoulderSeconds: times(reading.handAboveShoulder, cycleSeconds),
    longestHandAboveShoulder: times(reading.longestHandAboveShoulder, cycleSeconds),
    longestHold: reading.longestHold * cycleSeconds,
    timedHoldSeconds: reading.timedHold * cycleSeconds,
    handOutOfSightSeconds: times(reading.handOutOfSight, cycleSeconds),
    heldOutSeconds: times(reading.heldOut, cycleSeconds),
    balance,
    quietSteadiness: staticBalance(bases, reading.support),
    features: reading.features,
    steps: reading.steps,
    water: waterline === null || wet === null ? null : readWater(wet, person, weights, cycleSeconds),
  };
}
