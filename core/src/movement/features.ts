import { column, LANDMARK_TOLERANCE, pointColumn, ROW_WIDTH, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { isOff, isOnSupport, sidedSlots, slot } from "../body/pose.ts";
import { supportNamed } from "../body/supports.ts";
import { dot, length, minus, mix, type Vector } from "../body/vector.ts";
import { numberAt } from "../checked-access.ts";
import { otherSide, SIDES, type Side, sideIndex } from "../side.ts";
import { stepsOf } from "./foot-steps.ts";
import type { DECLARED_FEATURES } from "./format.ts";
import { depthInSeat, SEAT_GIVES } from "./seat-clearance.ts";
import { INTERVALS, type SolvedSamples, segmentOfSample, valueAt } from "./solved-samples.ts";
import type { TrackSegment } from "./track.ts";

/** What a movement does that some people must not do at any size; a cap can bar each. */
export const FEATURES = [
  "headBelowHeart",
  "lookingUpWithTurn",
  "bothHandsOverhead",
  "holdsWithLeft",
  "holdsWithRight",
  "fullNeckCircle",
  "breathPause",
  "eyesClosed",
  "percussion",
  "trunkPercussion",
  "bounce",
  "closedFist",
  "leftFist",
  "rightFist",
  "unheldStepBack",
  "liftsLeftLegOut",
  "liftsRightLegOut",
  "leftHipBackTurnedOut",
  "rightHipBackTurnedOut",
  "leftFootTurns",
  "rightFootTurns",
  "turnsOverLeftLeg",
  "turnsOverRightLeg",
  "leftArmCarried",
  "rightArmCarried",
  "meetsSeat",
] as const;
export type Feature = (typeof FEATURES)[number];

const HEAD_FLEXION = column("headFlexion");
const HEAD_SIDE_BEND = column("headSideBend");
const HEIGHT = column("comY");
const LOOKING_UP = -20;
const TURNED = 15;
/** The heart's height along the line from midspine to the shoulders. */
const HEART = 0.5;

/** Whether a hand closes around what it holds. */
function grips(samples: SolvedSamples, sample: number, side: Side): boolean {
  const { hands, support } = segmentOfSample(samples, sample).frame;
  return isOnSupport(hands[sideIndex(side)]) && supportNamed(support).grips;
}

function happensAt(samples: SolvedSamples, sample: number, feature: Feature): boolean {
  const value = (number: number) => valueAt(samples, sample, number);
  switch (feature) {
    case "headBelowHeart": {
      const low = value(pointColumn("midSpine") + 1);
      const high = value(pointColumn("shoulderLine") + 1);
      return value(pointColumn("head") + 1) < low + HEART * (high - low);
    }
    case "lookingUpWithTurn":
      return value(column("headFlexion")) < LOOKING_UP && Math.abs(value(column("headRotation"))) > TURNED;
    case "bothHandsOverhead":
      return SIDES.every((side) => value(sidedColumn("handOverCrown", side)) > LANDMARK_TOLERANCE);
    case "holdsWithLeft":
      return grips(samples, sample, "left");
    case "holdsWithRight":
      return grips(samples, sample, "right");
    case "leftHipBackTurnedOut":
      return isBackAndOut(samples, sample, "left");
    case "rightHipBackTurnedOut":
      return isBackAndOut(samples, sample, "right");
    default:
      return false;
  }
}

/** A head further out than this goes round something; nearer, it only trembles. Degrees. */
const HEAD_OUT = 8;
/** Nearly all the way round counts as a full circle. */
const FULL_CIRCLE = (330 * Math.PI) / 180;

/** Whether the neck is rolled all the way round: forward, to one side, back and to the other. */
function circlesNeck(samples: SolvedSamples): boolean {
  let turned = 0;
  let most = 0;
  let before: number | null = null;
  for (let sample = 0; sample < samples.count; sample += 1) {
    const forward = valueAt(samples, sample, HEAD_FLEXION);
    const aside = valueAt(samples, sample, HEAD_SIDE_BEND);
    if (Math.hypot(forward, aside) < HEAD_OUT) {
      before = null;
      turned = 0;
      continue;
    }
    const now = Math.atan2(aside, forward);
    if (before !== null) turned += Math.atan2(Math.sin(now - before), Math.cos(now - before));
    before = now;
    most = Math.max(most, Math.abs(turned));
  }
  return most > FULL_CIRCLE;
}

/** The body goes down and up by at least this much, share of H, oftener than so many times a breath: it bounces. */
const BOUNCE = { least: 0.008, timesABreath: 2 } as const;

/** Whether the body bounces. */
function bounces(samples: SolvedSamples): boolean {
  let lowest = Number.POSITIVE_INFINITY;
  let highest = Number.NEGATIVE_INFINITY;
  let rising = false;
  let rises = 0;
  for (let sample = 0; sample < samples.count; sample += 1) {
    const height = valueAt(samples, sample, HEIGHT);
    lowest = rising ? Number.POSITIVE_INFINITY : Math.min(lowest, height);
    highest = rising ? Math.max(highest, height) : Number.NEGATIVE_INFINITY;
    if (!rising && height > lowest + BOUNCE.least) {
      rising = true;
      rises += 1;
      highest = height;
    } else if (rising && height < highest - BOUNCE.least) {
      rising = false;
      lowest = height;
    }
  }
  return rises > BOUNCE.timesABreath * samples.breaths;
}

const FIST = sidedSlots("fist");
/** A hand closed further than this, 0 open to 1, is a fist. */
const FIST_FROM = 0.5;

/** Whether a hand closes to a fist at some key. */
const closesAFist = ({ segments }: SolvedSamples, side: Side): boolean =>
  segments.some(({ end }) => numberAt(end, FIST[sideIndex(side)]) > FIST_FROM);

/**
 * A leg further back than this while turned out further than that strains the front of a hip, degrees. Our own numbers.
 */
const BACK_AND_OUT = { extension: 5, outwardTurn: 20 } as const;

function isBackAndOut(samples: SolvedSamples, sample: number, side: Side): boolean {
  const extension = -valueAt(samples, sample, sidedColumn("hipFlexion", side));
  return (
    extension > BACK_AND_OUT.extension && valueAt(samples, sample, sidedColumn("hipRotation", side)) > BACK_AND_OUT.outwardTurn
  );
}

/** A leg in the air that goes out by more than this is lifted out by its own strength, degrees. */
const LIFTED_OUT = 3;

/** Whether a leg that carries nothing goes outwards, however far. */
function liftsOut(samples: SolvedSamples, side: Side): boolean {
  const abduction = sidedColumn("hipAbduction", side);
  return samples.segments.some(({ frame }, segment) => {
    const contact = frame.feet[sideIndex(side)];
    if (contact !== "lifted" && contact !== "onItsWay") return false;
    const first = segment * (INTERVALS + 1);
    const most = Math.max(...Array.from({ length: INTERVALS + 1 }, (_, i) => valueAt(samples, first + i, abduction)));
    return most - valueAt(samples, first, abduction) > LIFTED_OUT;
  });
}

/** A hand nearer than this to the line from the waist to the shoulders is on the trunk, share of H. */
const ON_TRUNK = 0.13;
const LUMBAR = pointColumn("lumbar");
const SHOULDER_LINE = pointColumn("shoulderLine");

/** Whether a hand comes to the trunk at some sample. */
function touchesTrunk(samples: SolvedSamples): boolean {
  const point = (sample: number, first: number): Vector => [
    valueAt(samples, sample, first),
    valueAt(samples, sample, first + 1),
    valueAt(samples, sample, first + 2),
  ];
  for (let sample = 0; sample < samples.count; sample += 1) {
    const low = point(sample, LUMBAR);
    const high = point(sample, SHOULDER_LINE);
    for (const side of SIDES) {
      const hand = point(sample, sidedPointColumn("handCentre", side));
      const trunk = minus(high, low);
      const along = Math.min(1, Math.max(0, dot(minus(hand, low), trunk) / dot(trunk, trunk)));
      if (length(minus(hand, mix(low, high, along))) < ON_TRUNK) return true;
    }
  }
  return false;
}

/** Whether a foot steps back while no hand is on anything. */
const stepsBackUnheld = ({ segments }: SolvedSamples): boolean =>
  stepsOf(segments).some(
    ({ direction, segment }) => direction === "back" && segments[segment]?.frame.hands.every((hand) => !isOnSupport(hand)),
  );

const TOE_OUT = sidedSlots("toeOut");
const PELVIS_ROTATION = slot("pelvisRotation");
/** The pelvis turns over a planted foot by more than this: the knee between them is twisted. Degrees; our own number. */
const TURNS_OVER = 5;

/** Whether a foot turns on the floor, and whether the pelvis turns over it while the other foot does. */
function turnsOf({ segments }: SolvedSamples, side: Side): { readonly foot: boolean; readonly over: boolean } {
  const [own, other] = [TOE_OUT[sideIndex(side)], TOE_OUT[sideIndex(otherSide(side))]];
  const standing = segments.filter(({ frame }) => frame.seating.kind === "standing");
  const differs = ({ start, end }: TrackSegment, index: number) => Math.abs(numberAt(start, index) - numberAt(end, index));
  return {
    foot: standing.some((segment) => differs(segment, own) > 0 && !isOff(segment.frame.feet[sideIndex(side)])),
    over: standing.some((segment) => differs(segment, other) > 0 && differs(segment, PELVIS_ROTATION) > TURNS_OVER),
  };
}

/** Whether a hand, an elbow, a shoulder blade or a heel would go into what the body sits on; not read on a usual chair. */
function meetsSeat(samples: SolvedSamples): boolean {
  if (samples.build.measured.sits === undefined) return false;
  for (let sample = 0; sample < samples.count; sample += 1) {
    const { seating } = segmentOfSample(samples, sample).frame;
    if (seating.kind !== "seated") continue;
    const row = samples.rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH);
    if (depthInSeat(row, seating) > SEAT_GIVES) return true;
  }
  return false;
}

/** The features that a variant shows: those its movement declares and those seen in its samples. */
export function featuresOf(
  samples: SolvedSamples,
  declared: readonly (typeof DECLARED_FEATURES)[number][],
): ReadonlySet<Feature> {
  const found = new Set<Feature>(declared);
  if (circlesNeck(samples)) found.add("fullNeckCircle");
  if (bounces(samples)) found.add("bounce");
  for (const side of SIDES) {
    if (samples.segments.some(({ frame }) => frame.hands[sideIndex(otherSide(side))] === "carrying"))
      found.add(side === "left" ? "leftArmCarried" : "rightArmCarried");
    if (closesAFist(samples, side)) found.add("closedFist").add(side === "left" ? "leftFist" : "rightFist");
    if (liftsOut(samples, side)) found.add(side === "left" ? "liftsLeftLegOut" : "liftsRightLegOut");
    const turns = turnsOf(samples, side);
    if (turns.foot) found.add(side === "left" ? "leftFootTurns" : "rightFootTurns");
    if (turns.over) found.add(side === "left" ? "turnsOverLeftLeg" : "turnsOverRightLeg");
  }
  if (found.has("percussion") && touchesTrunk(samples)) found.add("trunkPercussion");
  if (stepsBackUnheld(samples)) found.add("unheldStepBack");
  if (meetsSeat(samples)) found.add("meetsSeat");
  for (const feature of FEATURES) {
    let sample = 0;
    while (sample < samples.count && !happensAt(samples, sample, feature)) sample += 1;
    if (sample < samples.count) found.add(feature);
  }
  return found;
}
