import type { Point } from "../body/base-of-support.ts";
import { column, pointColumn, ROW_WIDTH, sidedColumn, VALUE_WIDTH } from "../body/channels.ts";
import { type FootContact, POSE_WIDTH, type Pose, type PoseFrame, type SidedSlot, sidedSlot, sidedSlots } from "../body/pose.ts";
import { newTrail, solvePose, solvePoseOffBase } from "../body/solve.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import { type FormReading, readForm } from "./reading.ts";
import { INTERVALS, type SolvedSamples } from "./solved-samples.ts";
import { flowSlope, minimumJerk, quinticBetween, splineDerivatives } from "./timing.ts";
import type { Track, TrackSegment } from "./track.ts";

/** Solved samples with what they show. */
export interface FormSamples extends SolvedSamples {
  readonly reading: FormReading;
  /** What steadiness on land hangs on: X, Y and Z of the centre of mass and the quiet margin, four numbers a sample. */
  readonly balance: Float64Array;
  /** How the feet stand in each segment. */
  readonly footings: readonly Footing[];
}

/** How the feet stand along a segment: the frame, and how far apart they are sideways and fore and aft, shares of H. */
export interface Footing {
  readonly frame: PoseFrame;
  readonly width: number;
  readonly offset: number;
}

const FOOT_X = sidedSlots("footX");
const FOOT_Z = sidedSlots("footZ");

export function footingOf({ frame, start }: Pick<TrackSegment, "frame" | "start">): Footing {
  const apart = ([left, right]: readonly [number, number]) => Math.abs((start[right] as number) - (start[left] as number));
  return { frame, width: apart(FOOT_Z), offset: apart(FOOT_X) };
}

const secant = (segment: TrackSegment, index: number): number =>
  ((segment.end[index] as number) - (segment.start[index] as number)) / (segment.to - segment.from);

/** Slope of a slot, per unit of phase, where one segment flows into the next. */
function slopeBetween(before: TrackSegment, after: TrackSegment, index: number): number {
  return flowSlope(secant(before, index), secant(after, index), before.to - before.from, after.to - after.from);
}

/** A slot that moves along a segment, with its slopes per segment at both ends. */
interface MovingSlot {
  readonly index: number;
  readonly slopeStart: number;
  readonly slopeEnd: number;
}

/** The slots that move along a segment. */
function movingSlots(track: Track, number: number): MovingSlot[] {
  const segment = track.segments[number] as TrackSegment;
  const before = track.segments[(number + track.segments.length - 1) % track.segments.length] as TrackSegment;
  const after = track.segments[(number + 1) % track.segments.length] as TrackSegment;
  const length = segment.to - segment.from;
  const moving: MovingSlot[] = [];
  for (let index = 0; index < POSE_WIDTH; index += 1) {
    if (segment.start[index] === segment.end[index] && !segment.flowStart && !segment.flowEnd) continue;
    moving.push({
      index,
      slopeStart: segment.flowStart ? slopeBetween(before, segment, index) * length : 0,
      slopeEnd: segment.flowEnd ? slopeBetween(segment, after, index) * length : 0,
    });
  }
  return moving;
}

function setValuesAt(values: Float64Array, { start, end }: TrackSegment, moving: readonly MovingSlot[], u: number): void {
  for (const { index, slopeStart, slopeEnd } of moving)
    values[index] = quinticBetween(start[index] as number, end[index] as number, slopeStart, slopeEnd, u);
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

/** Copies the angles that a planted leg has into the slots of the same leg lifted, so that it leaves the floor smoothly. */
function takeLegAngles(planted: Float64Array, values: Float64Array, side: Side): Float64Array {
  const taken = values.slice();
  for (const [to, from] of LEG_FROM_COLUMN) taken[sidedSlot(to, side)] = planted[sidedColumn(from, side)] as number;
  return taken;
}

/** Fills in the leg angles and pelvis heights between which a foot leaves or returns to the floor. */
function smoothSwings(track: Track): { track: Track; heights: ([number, number] | null)[] } {
  const heights: ([number, number] | null)[] = [];
  const segments = track.segments.map((segment) => {
    const lifted = SIDES.find((side) => segment.frame.feet[sideIndex(side)] === "lifted");
    if (segment.swing === null || lifted === undefined) {
      heights.push(null);
      return segment;
    }
    const planted: Pose = {
      frame: flatFrame(segment.frame),
      values: segment.swing === "lifting" ? segment.start : segment.end,
    };
    const aloft: Pose = { frame: segment.frame, values: segment.swing === "lifting" ? segment.end : segment.start };
    const down = solvePose(planted, undefined, undefined, track.build).row;
    const up = solvePose(aloft, undefined, undefined, track.build).row;
    const heightDown = down[pointColumn("pelvis") + 1] as number;
    const heightUp = up[pointColumn("pelvis") + 1] as number;
    heights.push(segment.swing === "lifting" ? [heightDown, heightUp] : [heightUp, heightDown]);
    const taken = takeLegAngles(down, planted.values, lifted);
    return segment.swing === "lifting" ? { ...segment, start: taken } : { ...segment, end: taken };
  });
  return { track: { ...track, segments }, heights };
}

/** Centre of mass over the floor: X and Z. */
const COM = [column("comX"), column("comZ")] as const;
const BALANCE = [column("comX"), column("comY"), column("comZ"), column("quietMargin")] as const;

/** What steadiness on land hangs on, a sample after the other. */
function balanceOf(rows: Float64Array, count: number): Float64Array {
  const balance = new Float64Array(count * BALANCE.length);
  for (let sample = 0; sample < count; sample += 1)
    for (let i = 0; i < BALANCE.length; i += 1)
      balance[sample * BALANCE.length + i] = rows[sample * ROW_WIDTH + (BALANCE[i] as number)] as number;
  return balance;
}

/**
 * Solves a track for the unit body, 8 intervals a segment.
 *
 * @param scratch room for the rows, where they are not wanted beyond the reading; longer than the longest movement needs
 */
export function sampleTrack(authored: Track, scratch?: Float64Array): FormSamples {
  const { track, heights } = smoothSwings(authored);
  const each = INTERVALS + 1;
  const count = track.segments.length * each;
  const phases = new Float64Array(count);
  const width = count * ROW_WIDTH;
  const rows = scratch !== undefined && scratch.length >= width ? scratch.subarray(0, width) : new Float64Array(width);
  const comRate = new Float64Array(count * 2);
  const bases: (readonly Point[])[] = [];
  const along = new Float64Array(each);
  let problem: FormSamples["problem"] = null;
  track.segments.forEach((segment, number) => {
    const length = segment.to - segment.from;
    const height = heights[number];
    const moving = movingSlots(track, number);
    const pose = { frame: segment.frame, values: segment.start.slice() };
    const trail = newTrail();
    for (let i = 0; i <= INTERVALS; i += 1) {
      const u = i / INTERVALS;
      const sample = number * each + i;
      const phase = segment.from + u * length;
      const ceiling = height ? height[0] + (height[1] - height[0]) * minimumJerk(u) : Number.POSITIVE_INFINITY;
      setValuesAt(pose.values, segment, moving, u);
      liftFeetOnTheirWay(pose, u);
      const row = rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH);
      const solved = solvePose(pose, ceiling, row, track.build, trail);
      bases.push(solved.base);
      phases[sample] = phase;
      if (solved.problem && problem === null) problem = { phase, what: solved.problem };
    }
    const atRest = !segment.flowStart && !segment.flowEnd;
    const first = number * each;
    for (let axis = 0; axis < 2; axis += 1) {
      for (let i = 0; i < each; i += 1) along[i] = rows[(first + i) * ROW_WIDTH + (COM[axis] as number)] as number;
      const rates = splineDerivatives(along, length / INTERVALS, atRest);
      for (let i = 0; i < each; i += 1) comRate[2 * (first + i) + axis] = rates[i] as number;
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
    reading: readForm(solved, track.features),
    balance: balanceOf(rows, count),
    footings: solved.segments.map(footingOf),
  };
}

/**
 * Highest and lowest value of every range and reading but the margins over the key poses of a track, which are among those
 * of sampleTrack.
 */
export function extremesAtKeys({ segments, build }: Track): { readonly highest: Float64Array; readonly lowest: Float64Array } {
  const highest = new Float64Array(VALUE_WIDTH).fill(Number.NEGATIVE_INFINITY);
  const lowest = new Float64Array(VALUE_WIDTH).fill(Number.POSITIVE_INFINITY);
  const row = new Float64Array(ROW_WIDTH);
  for (const { frame, start, swing } of segments) {
    if (swing !== null) continue;
    solvePoseOffBase({ frame, values: start }, row, build);
    for (let i = 0; i < VALUE_WIDTH; i += 1) {
      const value = row[i] as number;
      if (value > (highest[i] as number)) highest[i] = value;
      if (value < (lowest[i] as number)) lowest[i] = value;
    }
  }
  return { highest, lowest };
}
