import { type Direction, marginOfStability, nearestEdge, type Point } from "../body/base-of-support.ts";
import { GRIP_SHARE, isOutOfDepth, RAIL_SHARE, waterRelief, weightInWater } from "../body/buoyancy.ts";
import { ROW_WIDTH, sidedColumns } from "../body/channels.ts";
import { type FootContact, isOff, isRising } from "../body/pose.ts";
import { GRAVITY } from "../body/segments.ts";
import {
  type Circumstances,
  circumstanceDemand,
  movementDemand,
  oneLegDemand,
  risingDemand,
  type SteadinessTerms,
  seatedBaseDemand,
  standingBaseDemand,
  steadinessDemand,
  steadinessTotal,
  toeDownDemand,
} from "../body/steadiness.ts";
import { uprightRow } from "../body/upright.ts";
import { type WaterEquipment, waterEquipmentNamed } from "../body/water-equipment.ts";
import { type Pair, SIDES, sideIndex } from "../side.ts";
import { type DragMoments, dragMoments } from "./drag.ts";
import { oneLegPeriods, otherFoot, supportOf, toeDownPeriods, type VariantReading } from "./reading.ts";
import { type Footing, footingOf, type VariantSamples } from "./samples.ts";
import { INTERVALS } from "./solved-samples.ts";
import type { Track } from "./track.ts";

/** What one round of a form asks of a person, read alike wherever it is used. */
export interface Demand extends Pick<VariantReading, "highest" | "lowest" | "mean" | "features" | "steps"> {
  /** Seconds of one round. */
  readonly cycleSeconds: number;
  /**
   * Least margin of stability with velocity counted, metres, when, and towards which side; null where there is no base to speak
   * of. Negative: a step is needed.
   */
  readonly leastMargin: { readonly metres: number; readonly phase: number; readonly towards: Direction | null };
  /** Seconds on one leg in a round, and the longest spell; by the standing leg. */
  readonly oneLegSeconds: Pair;
  readonly longestOneLeg: Pair;
  /** Seconds with the other toe resting, by the standing leg. */
  readonly toeDownSeconds: Pair;
  /** Seconds with a hand above its shoulder. */
  readonly handAboveShoulderSeconds: Pair;
  /** The longest of it at a time, seconds. */
  readonly longestHandAboveShoulder: Pair;
  /** The longest hold: a bent loaded knee or an arm held out kept still, seconds. */
  readonly longestHold: number;
  /** Seconds with a hand out of sight. */
  readonly handOutOfSightSeconds: Pair;
  /** Shoulder load over time, in seconds of the bare arm held straight out. */
  readonly heldOutSeconds: Pair;
  /** The greatest steadiness demand, with its terms and when. */
  readonly steadiness: SteadinessTerms & { readonly phase: number };
  /** What the bases and the support alone ask: steadiness demand with no movement, arms or head. */
  readonly quietSteadiness: number;
  /** Null on land. */
  readonly water: WaterDemand | null;
}

/** Who does it, and how deep in water. */
export interface Doer {
  /** Metres. */
  readonly stature: number;
  /** Kilograms; only drag in water needs it. */
  readonly mass?: number;
  /** Metres of water where they stand, or where their chair stands; none on land. */
  readonly depth?: number | undefined;
  /** Metres of water at the shallowest place they come to; the depth where they stand unless it is said. */
  readonly shallowest?: number | undefined;
  /** What is in their hands in water. */
  readonly equipment?: WaterEquipment | undefined;
  /** Whether what the limbs meet in water is read, which takes the longest; read unless it says false. */
  readonly readsDrag?: boolean | undefined;
  /** What else makes it harder to stay steady. */
  readonly circumstances?: Circumstances;
}

/** What water does to a form: how much is left on the feet, whether the mouth stays clear, what the limbs meet. */
export interface WaterDemand {
  /** Least and greatest share of the weight on the feet, or on the seat and the feet, over the round. */
  readonly leastWeight: number;
  readonly mostWeight: number;
  /** Barred at once: the water is too deep for this person in this form. */
  readonly outOfDepth: boolean;
  /** Under a quarter of the weight on the feet: wall or rail in the hand. */
  readonly needsRail: boolean;
  /** What the limbs meet, newton metres; null where it was not read. */
  readonly drag: DragMoments | null;
  /** The same as shares of body weight times stature. */
  readonly dragShare: DragMoments | null;
  /**
   * Greatest share of the body's weight on the left and the right leg, water counted, at the shallowest place: half as much
   * again wherever weight shifts or a foot moves.
   */
  readonly legShare: Pair;
  /** Whether weight shifts or a foot moves in less than two seconds: then the water does not count towards a leg's share. */
  readonly fastSteps: boolean;
}

/** How high the feet of somebody in a pool chair are over the floor, metres: its foot rest. */
const FOOT_REST = 0.1;

/** Drag hardly hangs on mass; a middling one serves where it is not known. Kilograms. */
const USUAL_MASS = 70;
/** Numbers a sample in a form's balance, and where each stands. */
const BALANCE = { width: 4, x: 0, y: 1, z: 2, quietMargin: 3 } as const;

/** What demands on land are read from: all but the solved poses themselves, which only water asks for. */
export type DemandSamples = Omit<VariantSamples, "rows" | "segments">;

/** Whether it is done on a chair: no form changes its seat on the way. */
const isSeatedThroughout = ({ footings }: DemandSamples): boolean => footings[0]?.frame.seating.kind === "seated";

/**
 * Height of the water over what the feet are on: the floor, or the foot rest of a chair. Share of H.
 *
 * @param depth metres of water
 */
export const waterlineAt = (depth: number, stature: number, seated: boolean): number =>
  Math.max(0, depth - (seated ? FOOT_REST : 0)) / stature;

const times = ([left, right]: Pair, seconds: number): Pair => [left * seconds, right * seconds];

/** Where the extrapolated centre of mass is over the floor, shares of H. */
function extrapolatedCentre(samples: DemandSamples, sample: number, stature: number, cycleSeconds: number): Point {
  const start = sample * BALANCE.width;
  const height = (samples.balance[start + BALANCE.y] as number) * stature;
  const lead = Math.sqrt(height / GRAVITY) / cycleSeconds;
  return [
    (samples.balance[start + BALANCE.x] as number) + lead * (samples.comRate[2 * sample] as number),
    (samples.balance[start + BALANCE.z] as number) + lead * (samples.comRate[2 * sample + 1] as number),
  ];
}

/** Slow steps in water load a leg by so much more than standing still there (after the static share; usual practice). */
const SLOW_STEP = 1.5;
/** A shift of weight or a step that takes less time is fast, seconds. Our own convention. */
const SLOW_STEP_SECONDS = 2;
/** A stretch in which the share on a foot changes by less is a still hold. */
const STILL_SHARE = 0.01;
const FOOT_SHARE = sidedColumns("footShare");

/** Share of the body's weight on each leg in water, and whether it comes onto it fast. */
function legShareInWater(
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
    const shares = (side: 0 | 1) => rows.map((row) => row[FOOT_SHARE[side]] as number);
    const shifts = ([0, 1] as const).some((side) => Math.max(...shares(side)) - Math.min(...shares(side)) > STILL_SHARE);
    const moves = shifts || swing !== null || frame.feet.includes("onItsWay");
    if (moves && (to - from) * cycleSeconds < SLOW_STEP_SECONDS - 1e-9) fastSteps = true;
    for (const row of rows) {
      const weight = Math.max(0, upright, weightInWater(row, waterline, samples.build).share) * (moves ? SLOW_STEP : 1);
      for (const side of [0, 1] as const) most[side] = Math.max(most[side], (row[FOOT_SHARE[side]] as number) * weight);
    }
  });
  return { legShare: most, fastSteps };
}

/** Weight, depth and drag of a form in water. @param weights share of the weight on feet and seat, a value a sample */
function readWater(
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

/** How steady one sample is: where the body is over its base, the distance to the edge, share of H, and what water takes off. */
interface Balance {
  place: Point;
  margin: number;
  relief: number;
  /** Share of the weight on the feet. */
  weight: number;
}

/**
 * Distance from the net force to the edge of the base in water: no velocity, since water holds a body back.
 * Where the feet lose their grip there is none.
 */
function readBalanceInWater(samples: VariantSamples, sample: number, waterline: number, lift: number, into: Balance): void {
  const row = samples.rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH);
  const { share, centre } = weightInWater(row, waterline, samples.build, lift);
  into.weight = share;
  into.place = centre;
  if (isSeatedThroughout(samples)) {
    // Belted to a chair that stands: the water neither helps nor moves them off it.
    into.margin = samples.balance[sample * BALANCE.width + BALANCE.quietMargin] as number;
    into.relief = 0;
    return;
  }
  const base = samples.bases[sample] as readonly Point[];
  into.margin = share < GRIP_SHARE || base.length < 3 ? 0 : marginOfStability(centre, base);
  into.relief = waterRelief(share);
}

/** A stump is no foot that leaves the floor. */
const leavesFloor = (contact: FootContact): boolean => isOff(contact) && contact !== "absent";

/** What the base of one segment asks in quiet; the longest spells are in seconds. */
function baseDemand({ frame, width, offset }: Footing, longest: { oneLeg: Pair; toeDown: Pair }): number {
  const { seating, feet } = frame;
  if (seating.kind === "seated") return seatedBaseDemand(seating.backSupported, seating.atFront, feet.some(leavesFloor));
  if (seating.rising) return risingDemand(seating.rising.withArms);
  for (const side of SIDES) {
    const other = otherFoot(frame, side);
    if (isOff(other)) return oneLegDemand(longest.oneLeg[sideIndex(side)]);
    if (other === "restingToe" || other === "restingHeel") return toeDownDemand(longest.toeDown[sideIndex(side)]);
  }
  const heels = feet.every((foot) => foot === "forefoot") ? 1.5 : 0;
  return standingBaseDemand(width, offset) + heels;
}

/** What a form asks whatever its size, read from its track alone: nothing is solved. */
export interface StaticDemand {
  /** What the bases and the support alone ask. */
  readonly steadiness: number;
  /** The longest spell on each leg, seconds. */
  readonly longestOneLeg: Pair;
  readonly cycleSeconds: number;
}

const quietSteadiness = (bases: readonly number[], supports: ArrayLike<number>): number =>
  Math.max(0, ...bases.map((base, number) => base - (supports[number] as number)));

/** Reads it. @param cycleSeconds seconds of one round */
export function readStaticDemand({ segments }: Track, cycleSeconds: number): StaticDemand {
  const longest = {
    oneLeg: times(oneLegPeriods({ segments }).longest, cycleSeconds),
    toeDown: times(toeDownPeriods({ segments }).longest, cycleSeconds),
  };
  return {
    steadiness: quietSteadiness(
      segments.map((segment) => baseDemand(footingOf(segment), longest)),
      segments.map(({ frame }) => supportOf(frame)),
    ),
    longestOneLeg: longest.oneLeg,
    cycleSeconds,
  };
}

/**
 * Reads the demands of a form from its samples, for a person's stature and a pace.
 *
 * @param samples a form without a problem; with its poses for a form in water
 * @param person stature in metres; in water also the depth, and mass for the drag
 * @param cycleSeconds seconds of one round, positive
 * @throws {RangeError} if the cycle takes no time, or the poses are missing for a form in water
 */
export function readDemand(samples: DemandSamples | VariantSamples, person: Doer, cycleSeconds: number): Demand {
  if (!(cycleSeconds > 0)) throw new RangeError("a round takes time");
  const wet = "rows" in samples ? samples : null;
  if (person.depth !== undefined && wet === null) throw new RangeError("demands in water are read from the poses");
  const { reading, phases, count, footings } = samples;
  const longest = {
    oneLeg: times(reading.oneLeg.longest, cycleSeconds),
    toeDown: times(reading.toeDown.longest, cycleSeconds),
  };
  const bases = footings.map((footing) => baseDemand(footing, longest));

  let leastMargin = Number.POSITIVE_INFINITY;
  let leastAt = 0;
  let highest = Number.NEGATIVE_INFINITY;
  let highestAt = 0;
  const waterline = person.depth === undefined ? null : waterlineAt(person.depth, person.stature, isSeatedThroughout(samples));
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
    const base = samples.bases[sample] as readonly Point[];
    balance.place = extrapolatedCentre(samples, sample, person.stature, cycleSeconds);
    balance.margin = base.length < 3 ? -1 : marginOfStability(balance.place, base);
  };
  const isRisingAt = (number: number): boolean => isRising((footings[number] as Footing).frame);
  const isSeated = (number: number): boolean => footings[number]?.frame.seating.kind === "seated";
  // What rising asks is known as a whole: moving from the seat over the feet is part of it.
  const movementAt = (sample: number, number: number): number =>
    isRisingAt(number)
      ? 0
      : movementDemand(balance.margin, samples.balance[sample * BALANCE.width + BALANCE.quietMargin] as number);
  const addedAt = (sample: number, number: number): number =>
    (reading.added[sample] as number) + circumstanceDemand(circumstances, isSeated(number));
  const supportAt = (number: number): number => Math.max(balance.relief, reading.support[number] as number);
  for (let sample = 0; sample < count; sample += 1) {
    const number = Math.floor(sample / (INTERVALS + 1));
    readBalance(sample);
    if (balance.margin < leastMargin) {
      leastMargin = balance.margin;
      leastAt = sample;
    }
    const total = steadinessTotal(
      bases[number] as number,
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
  const under = samples.bases[leastAt] as readonly Point[];
  const towards = under.length < 3 ? null : nearestEdge(balance.place, under);
  readBalance(highestAt);
  const number = Math.floor(highestAt / (INTERVALS + 1));
  const worst = steadinessDemand(
    {
      base: bases[number] as number,
      movement: movementAt(highestAt, number),
      added: addedAt(highestAt, number),
      support: supportAt(number),
    },
    isSeated(number),
  );
  return {
    cycleSeconds,
    highest: reading.highest,
    lowest: reading.lowest,
    mean: reading.mean,
    leastMargin: { metres: leastMargin * person.stature, phase: phases[leastAt] as number, towards },
    oneLegSeconds: times(reading.oneLeg.total, cycleSeconds),
    longestOneLeg: longest.oneLeg,
    toeDownSeconds: times(reading.toeDown.total, cycleSeconds),
    handAboveShoulderSeconds: times(reading.handAboveShoulder, cycleSeconds),
    longestHandAboveShoulder: times(reading.longestHandAboveShoulder, cycleSeconds),
    longestHold: reading.longestHold * cycleSeconds,
    handOutOfSightSeconds: times(reading.handOutOfSight, cycleSeconds),
    heldOutSeconds: times(reading.heldOut, cycleSeconds),
    steadiness: { ...worst, phase: phases[highestAt] as number },
    quietSteadiness: quietSteadiness(bases, reading.support),
    features: reading.features,
    steps: reading.steps,
    water: waterline === null || wet === null ? null : readWater(wet, person, weights, cycleSeconds),
  };
}
