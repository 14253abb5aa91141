import type { Point } from "../body/base-of-support.ts";
import type { Build } from "../body/build.ts";
import { column, pointColumn, ROW_WIDTH, sidedColumn } from "../body/channels.ts";
import { type FootContact, isRising, type Pose, type PoseFrame, type SidedSlot, sidedSlot, sidedSlots } from "../body/pose.ts";
import { SHARE } from "../body/segments.ts";
import { solvePose, solvePoseOffBase } from "../body/solve.ts";
import { newTrail } from "../body/solve-standing.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import { missedForearm, restHandsOn } from "./anchors.ts";
import { clearOfThighs } from "./clear-of-thighs.ts";
import { type Extremes, noExtremes, widen } from "./extremes.ts";
import { type Footing, footingOf } from "./footing.ts";
import { type MovingSlot, movingSlots } from "./moving-slots.ts";
import { readVariant, type VariantReading } from "./reading.ts";
import { INTERVALS, type SolvedSamples } from "./solved-samples.ts";
import { flowSlope, minimumJerk, quinticBetween, splineDerivatives } from "./timing.ts";
import type { Track, TrackSegment } from "./track.ts";

/** Solved samples with what they show. */
export interface VariantSamples extends SolvedSamples {
  readonly reading: VariantReading;
  /**
   * What balance demand on land depends on: X, Y and Z of the centre of mass and the quiet margin, four numbers a
   * sample.
   */
  readonly balance: Float64Array;
  /** How the feet stand in each segment. */
  readonly footings: readonly Footing[];
  /** Whether it is also done the other way: steadiness is read for both, since the body then moves towards another edge. */
  readonly turnsRound: boolean;
}

function setValuesAt(values: Float64Array, { start, end }: TrackSegment, moving: readonly MovingSlot[], u: number): void {
  for (const { index, slopeStart, slopeEnd } of moving)
    values[index] = quinticBetween(numberAt(start, index), numberAt(end, index), slopeStart, slopeEnd, u);
}

/** Clearance of a foot on its way, share of H. */
const CLEARANCE = 0.03;
const FOOT_UP = sidedSlots("footUp");

function liftFeetOnTheirWay({ frame, values }: Pose, u: number): void {
  for (const side of SIDES) {
    const i = sideIndex(side);
    if (frame.feet[i] === "onItsWay") values[FOOT_UP[i]] = CLEARANCE * 16 * u * u * (1 - u) * (1 - u);
  }
}

const LEG_FROM_COLUMN = [
  ["legFlexion", "hipFlexion"],
  ["legAbduction", "hipAbduction"],
  ["legRotation", "hipRotation"],
  ["legKnee", "knee"],
  ["legAnkle", "dorsiflexion"],
] as const satisfies readonly (readonly [SidedSlot, Parameters<typeof sidedColumn>[0]])[];

const flatFrame = (frame: PoseFrame): PoseFrame => {
  const planted = (contact: FootContact): FootContact => (contact === "lifted" ? "flat" : contact);
  return { ...frame, feet: [planted(frame.feet[0]), planted(frame.feet[1])] };
};

/**
 * Copies the angles that a planted leg has into the slots of the same leg lifted, so that it leaves the floor smoothly.
 */
function takeLegAngles(planted: Float64Array, values: Float64Array, side: Side): Float64Array {
  const taken = values.slice();
  for (const [to, from] of LEG_FROM_COLUMN) taken[sidedSlot(to, side)] = numberAt(planted, sidedColumn(from, side));
  return taken;
}

/** How high the pelvis may be along a segment: from one height to another, with its slopes per segment at both ends. */
interface HeightPath {
  readonly from: number;
  readonly to: number;
  slopeFrom: number;
  slopeTo: number;
}

const PELVIS_HEIGHT = pointColumn("pelvis") + 1;
const heightOf = (pose: Pose, build: Build): number => numberAt(solvePose(pose, undefined, undefined, build).row, PELVIS_HEIGHT);
const evenly = (from: number, to: number): HeightPath => ({ from, to, slopeFrom: 0, slopeTo: 0 });

/** Height of the pelvis on the way up from a chair or down to it; null elsewhere. */
function risingPath({ frame, start, end, leavesSeat }: TrackSegment, build: Build): HeightPath | null {
  if (frame.seating.kind !== "standing" || frame.seating.rising === undefined) return null;
  const onSeat = frame.seating.rising.seatHeight + SHARE.hipAboveSeat;
  const at = (values: Float64Array, seat: boolean) => (seat ? onSeat : heightOf({ frame, values }, build));
  return evenly(at(start, leavesSeat === "start"), at(end, leavesSeat === "end"));
}

/** Lets the pelvis pass through the key poses that the body flows through on its way up or down. */
function flowThrough(segments: readonly TrackSegment[], paths: readonly (HeightPath | null)[]): void {
  for (let i = 1; i < segments.length; i += 1) {
    const [before, after] = [itemAt(segments, i - 1), itemAt(segments, i)];
    const [low, high] = [paths[i - 1], paths[i]];
    if (!low || !high || !before.flowEnd || !after.flowStart) continue;
    const [length, next] = [before.to - before.from, after.to - after.from];
    const slope = flowSlope((low.to - low.from) / length, (high.to - high.from) / next, length, next);
    low.slopeTo = slope * length;
    high.slopeFrom = slope * next;
  }
}

/**
 * Fills in the leg angles and pelvis heights between which a foot leaves or returns to the floor, or the body a chair.
 */
function smoothSwings(track: Track): { track: Track; heights: (HeightPath | null)[] } {
  const heights: (HeightPath | null)[] = [];
  const segments = track.segments.map((segment) => {
    const lifted = SIDES.find((side) => segment.frame.feet[sideIndex(side)] === "lifted");
    if (segment.swing === null || lifted === undefined) {
      heights.push(risingPath(segment, track.build));
      return segment;
    }
    const planted: Pose = {
      frame: flatFrame(segment.frame),
      values: segment.swing === "lifting" ? segment.start : segment.end,
    };
    const aloft: Pose = { frame: segment.frame, values: segment.swing === "lifting" ? segment.end : segment.start };
    const { row: down } = solvePose(planted, undefined, undefined, track.build);
    const heightDown = numberAt(down, PELVIS_HEIGHT);
    const heightUp = heightOf(aloft, track.build);
    heights.push(segment.swing === "lifting" ? evenly(heightDown, heightUp) : evenly(heightUp, heightDown));
    const taken = takeLegAngles(down, planted.values, lifted);
    return segment.swing === "lifting" ? { ...segment, start: taken } : { ...segment, end: taken };
  });
  flowThrough(segments, heights);
  return { track: { ...track, segments }, heights };
}

const isSameFrame = (a: PoseFrame, b: PoseFrame): boolean => JSON.stringify(a) === JSON.stringify(b);
const isSame = (a: Float64Array, b: Float64Array): boolean => a.every((value, i) => value === b[i]);

/** Whether a segment comes to rest at both ends with nothing in it that depends on the direction. */
const isPlain = ({ frame, flowStart, flowEnd, swing, leavesSeat, resting }: TrackSegment): boolean =>
  !flowStart &&
  !flowEnd &&
  swing === null &&
  leavesSeat === null &&
  !isRising(frame) &&
  resting.every((hand) => hand === null) &&
  frame.feet.every((foot) => foot !== "onItsWay");

/** Whether the body is held as it is in a segment. */
const isStill = ({ held, start, end }: TrackSegment): boolean => held && isSame(start, end);

/** The earlier segment that shows the same still body; null where there is none. */
function sameStill(segments: readonly TrackSegment[], number: number): number | null {
  const [here, before] = [itemAt(segments, number), segments[number - 1]];
  if (!before || !isStill(here) || !isStill(before) || !isSame(here.start, before.start)) return null;
  return isSameFrame(here.frame, before.frame) && JSON.stringify(here.resting) === JSON.stringify(before.resting)
    ? number - 1
    : null;
}

/** The earlier segment that this one goes back along; null where there is none. */
function wayThere(segments: readonly TrackSegment[], number: number): number | null {
  const still = sameStill(segments, number);
  if (still !== null) return still;
  const back = itemAt(segments, number);
  if (!isPlain(back)) return null;
  const found = segments.findIndex(
    (there, i) =>
      i < number &&
      isPlain(there) &&
      isSame(there.start, back.end) &&
      isSame(there.end, back.start) &&
      isSameFrame(there.frame, back.frame),
  );
  return found === -1 ? null : found;
}

/** Centre of mass over the floor: X and Z. */
const COM = [column("comX"), column("comZ")] as const;
const BALANCE = [column("comX"), column("comY"), column("comZ"), column("quietMargin")] as const;

/** What balance demand on land depends on, sample by sample. */
function balanceOf(rows: Float64Array, count: number): Float64Array {
  const balance = new Float64Array(count * BALANCE.length);
  for (let sample = 0; sample < count; sample += 1)
    for (let i = 0; i < BALANCE.length; i += 1)
      balance[sample * BALANCE.length + i] = numberAt(rows, sample * ROW_WIDTH + itemAt(BALANCE, i));
  return balance;
}

/** How often a hand is lifted further, until it is clear of the thighs. */
const CLEARING = 2;

/**
 * Solves a track for the unit body, 8 intervals a segment. Long because its three steps write the same nine arrays,
 * sample by sample.
 *
 * @param scratch room for the rows, where they are not wanted beyond the reading; longer than the longest movement
 * needs
 */
export function sampleTrack(authored: Track, scratch?: Float64Array): VariantSamples {
  const { track, heights } = smoothSwings(authored);
  const each = INTERVALS + 1;
  const count = track.segments.length * each;
  const phases = new Float64Array(count);
  const width = count * ROW_WIDTH;
  const rows = scratch !== undefined && scratch.length >= width ? scratch.subarray(0, width) : new Float64Array(width);
  const comRate = new Float64Array(count * 2);
  const bases: (readonly Point[])[] = [];
  const along = new Float64Array(each);
  let problem: VariantSamples["problem"] = null;
  const solveSegment = (segment: TrackSegment, number: number): void => {
    const height = heights[number];
    const moving = movingSlots(track, number);
    const pose = { frame: segment.frame, values: segment.start.slice() };
    const trail = newTrail();
    const rests = segment.resting.some((hand) => hand !== null);
    for (let i = 0; i <= INTERVALS; i += 1) {
      const u = i / INTERVALS;
      const sample = number * each + i;
      const ceiling = height
        ? quinticBetween(height.from, height.to, height.slopeFrom, height.slopeTo, u)
        : Number.POSITIVE_INFINITY;
      setValuesAt(pose.values, segment, moving, u);
      liftFeetOnTheirWay(pose, u);
      const row = rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH);
      if (rests) restHandsOn(pose, segment.resting, minimumJerk(u), ceiling, row, track.build);
      let solved = solvePose(pose, ceiling, row, track.build, trail);
      let clear = clearOfThighs(pose, row, track.build);
      for (let pass = 1; clear !== null; pass += 1) {
        solved = solvePose(clear, ceiling, row, track.build, trail);
        clear = pass < CLEARING ? clearOfThighs(clear, row, track.build) : null;
      }
      bases.push(solved.base);
      const missed = rests ? missedForearm(row, segment.resting) : null;
      if (missed && problem === null) problem = { phase: numberAt(phases, sample), what: { kind: "armTooShort", ...missed } };
      if (solved.problem && problem === null) problem = { phase: numberAt(phases, sample), what: solved.problem };
    }
  };
  /** Takes the poses of an earlier segment the other way round. */
  const goBack = (number: number, there: number): void => {
    for (let i = 0; i < each; i += 1) {
      const from = there * each + INTERVALS - i;
      rows.copyWithin((number * each + i) * ROW_WIDTH, from * ROW_WIDTH, (from + 1) * ROW_WIDTH);
      bases.push(itemAt(bases, from));
    }
  };
  track.segments.forEach((segment, number) => {
    const length = segment.to - segment.from;
    for (let i = 0; i < each; i += 1) phases[number * each + i] = segment.from + (i / INTERVALS) * length;
    const there = wayThere(track.segments, number);
    if (there === null) solveSegment(segment, number);
    else goBack(number, there);
    const atRest = !segment.flowStart && !segment.flowEnd;
    const first = number * each;
    for (let axis = 0; axis < 2; axis += 1) {
      for (let i = 0; i < each; i += 1) along[i] = numberAt(rows, (first + i) * ROW_WIDTH + itemAt(COM, axis));
      const rates = splineDerivatives(along, length / INTERVALS, atRest);
      for (let i = 0; i < each; i += 1) comRate[2 * (first + i) + axis] = numberAt(rates, i);
    }
  });
  const solved: SolvedSamples = {
    breaths: track.breaths,
    build: track.build,
    count,
    phases,
    rows,
    comRate,
    bases,
    segments: track.segments,
    problem,
  };
  return {
    ...solved,
    reading: readVariant(solved, track.features),
    balance: balanceOf(rows, count),
    footings: solved.segments.map(footingOf),
    turnsRound: track.turnsRound,
  };
}

/**
 * Highest and lowest value of every range and reading but the margins over the key poses of a track, which are among
 * those of sampleTrack.
 */
export function extremesAtKeys({ segments, build }: Track): Extremes {
  const extremes = noExtremes();
  const row = new Float64Array(ROW_WIDTH);
  for (const { frame, start, swing } of segments) {
    if (swing !== null || isRising(frame)) continue;
    solvePoseOffBase({ frame, values: start }, row, build);
    widen(extremes, row, 0);
  }
  return extremes;
}
