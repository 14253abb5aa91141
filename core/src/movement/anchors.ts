import type { ArmAngles } from "../body/arm.ts";
import { armForHand } from "../body/arm-for-hand.ts";
import { pointAt as at, chestAxes, pelvisAxes } from "../body/body-axes.ts";
import type { Build } from "../body/build.ts";
import { pointColumn, rangeNamed, sidedColumns, sidedPointColumn } from "../body/channels.ts";
import { HALF_HAND, outOfBody, thighRadius } from "../body/flesh.ts";
import { type Pose, sidedSlot } from "../body/pose.ts";
import { DEGREE, wrapDegrees } from "../body/rotation.ts";
import { solvePoseOffBase } from "../body/solve.ts";
import { cross, dot, minus, mix, unit, type Vector } from "../body/vector.ts";
import { numberAt } from "../checked-access.ts";
import { otherSide, SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import type { Anchor, RestingPalm } from "./format.ts";

/** How far the middle of a hand at the hip is beside the hip joint, share of H. */
const BESIDE_HIP = 0.07;
/** How far under the middle of a forearm the hand that carries it is, share of H; less where the forearm is nearly upright. */
const UNDER = 0.025;
const UPRIGHT = 0.3;
/** Where on the belly, share of H: ahead of the pelvis, up from the hips and aside. */
const BELLY = { ahead: 0.075, up: 0.07, aside: 0.03 } as const;
/** Where on the low back, share of H: behind the pelvis, up from the hips and aside. */
const LOW_BACK = { behind: 0.075, up: 0.085, aside: 0.035 } as const;
/** Where on the chest: how far up from the middle of the trunk to the shoulders, and share of H ahead and aside. */
const CHEST = { up: 0.7, ahead: 0.085, aside: 0.025 } as const;
/** Where on the side of the head, share of H from its middle: aside and ahead, at the temple. */
const TEMPLE = { aside: 0.05, ahead: 0.055 } as const;
const ANGLES = ["elevation", "plane", "axial", "elbow", "wrist"] as const;

const plus = (a: Vector, b: Vector, times: number): Vector => [a[0] + times * b[0], a[1] + times * b[1], a[2] + times * b[2]];

/** Where on the body a hand rests: the middle of the hand, and the way that the body faces there. */
interface RestingPlace {
  readonly place: Vector;
  readonly faces: Vector;
}

/** A place on a thigh: so far from the hip, on its front, which is its upper side when sitting. */
function onThigh(row: Float64Array, side: Side, far: number): RestingPlace {
  const hip = at(row, sidedPointColumn("hip", side));
  const knee = at(row, sidedPointColumn("kneeJoint", side));
  const along = unit(minus(knee, hip));
  const { ahead, up } = pelvisAxes(row);
  const front: Vector = [ahead[0] + up[0], ahead[1] + up[1], ahead[2] + up[2]];
  const square = unit(plus(front, along, -dot(front, along)));
  return { place: plus(mix(hip, knee, far), square, thighRadius(far) + HALF_HAND), faces: square };
}

const reversed = ([x, y, z]: Vector): Vector => [-x, -y, -z];

/** Where the middle of a hand is when it rests on a part of the body, shares of H, and which way that part faces. */
function placeOf(row: Float64Array, anchor: RestPlace, side: Side): RestingPlace {
  switch (anchor) {
    case "belly": {
      const { ahead, up, right } = pelvisAxes(row);
      const pelvis = at(row, pointColumn("pelvis"));
      const place = plus(plus(plus(pelvis, ahead, BELLY.ahead), up, BELLY.up), right, sideSign(side) * BELLY.aside);
      return { place, faces: ahead };
    }
    case "lowBack": {
      const { ahead, up, right } = pelvisAxes(row);
      const pelvis = at(row, pointColumn("pelvis"));
      const place = plus(plus(plus(pelvis, ahead, -LOW_BACK.behind), up, LOW_BACK.up), right, sideSign(side) * LOW_BACK.aside);
      return { place, faces: reversed(ahead) };
    }
    case "chest": {
      const { ahead, right } = chestAxes(row);
      const middle = mix(at(row, pointColumn("midSpine")), at(row, pointColumn("shoulderLine")), CHEST.up);
      return { place: plus(plus(middle, ahead, CHEST.ahead), right, sideSign(side) * CHEST.aside), faces: ahead };
    }
    case "head": {
      const { ahead, right } = chestAxes(row);
      const outward = plus(plus([0, 0, 0], right, sideSign(side) * TEMPLE.aside), ahead, TEMPLE.ahead);
      return { place: plus(at(row, pointColumn("head")), outward, 1), faces: unit(outward) };
    }
    case "otherWrist":
      return { place: at(row, sidedPointColumn("wristJoint", otherSide(side))), faces: [0, 1, 0] };
    case "otherForearm": {
      const other = otherSide(side);
      const elbow = at(row, sidedPointColumn("elbowJoint", other));
      const wrist = at(row, sidedPointColumn("wristJoint", other));
      const along = unit(minus(wrist, elbow));
      // From below, as far as a forearm is not upright.
      const below = plus([0, -1, 0], along, along[1]);
      const far = Math.hypot(...below);
      const under = far < 1e-6 ? 0 : UNDER / Math.max(far, UPRIGHT);
      return { place: plus(mix(elbow, wrist, UNDER_FOREARM), below, under), faces: [0, -1, 0] };
    }
    case "hip": {
      const outward = plus([0, 0, 0], pelvisAxes(row).right, sideSign(side));
      return { place: plus(at(row, sidedPointColumn("hip", side)), outward, BESIDE_HIP), faces: outward };
    }
    case "upperThigh":
      return onThigh(row, side, 0.25);
    case "thigh":
      return onThigh(row, side, 0.55);
    case "knee":
      return onThigh(row, side, 0.92);
    case "otherKnee":
      return onThigh(row, otherSide(side), 0.92);
    case "otherHand": {
      // Palm to palm: the other hand faces this one.
      const towards = plus([0, 0, 0], chestAxes(row).right, sideSign(side));
      return { place: at(row, sidedPointColumn("handCentre", otherSide(side))), faces: towards };
    }
  }
}

/** What a hand may rest on: what a movement may say, and the other forearm that it carries. */
type RestPlace = Anchor | "otherForearm";

/** Where along a forearm the other hand carries it, from the elbow to the wrist: near the elbow, so that it bears no pull. */
const UNDER_FOREARM = 0.35;

/** Where a hand rests: on a part of the body, or at a smaller size so far on the way there from where it rests first. */
export interface Rest {
  readonly first: RestPlace;
  readonly anchor: RestPlace;
  /** Share of the way, 0 to 1. */
  readonly size: number;
  /** How the palm lies; null where the forearm says so. */
  readonly palm: RestingPalm | null;
}

function placeOfRest(row: Float64Array, { first, anchor, size }: Rest, side: Side): RestingPlace {
  const there = placeOf(row, anchor, side);
  if (size === 1) return there;
  const from = placeOf(row, first, side);
  return { place: mix(from.place, there.place, size), faces: mix(from.faces, there.faces, size) };
}

/**
 * The turn of a forearm with which a resting palm lies as it should, as near as a forearm gets.
 *
 * @param row solved with that hand where it rests, its wrist straight
 * @returns degrees
 */
function forearmOf(row: Float64Array, rest: Rest, side: Side): number {
  const i = sideIndex(side);
  const now = numberAt(row, FOREARM[i]);
  const faces = placeOfRest(row, rest, side).faces;
  const wanted = rest.palm === "on" ? reversed(faces) : faces;
  const along = unit(minus(at(row, sidedPointColumn("wristJoint", side)), at(row, sidedPointColumn("elbowJoint", side))));
  const palm = minus(at(row, sidedPointColumn("palm", side)), at(row, sidedPointColumn("handCentre", side)));
  // A forearm that turns takes the palm towards palm x forearm, on the left the other way round.
  const ahead = dot(wanted, palm);
  const aside = sideSign(side) * dot(wanted, cross(palm, along));
  if (Math.hypot(ahead, aside) < NO_DIRECTION) return now;
  const turned = now + Math.atan2(aside, ahead) / DEGREE;
  const { lowest, highest } = FOREARM_BOUNDS;
  const round = wrapDegrees(turned);
  // Of what a forearm cannot reach, the end that leaves the palm nearer; where both are about as near, the end that it is nearer
  // to, so that a hand that slides does not turn over on its way.
  const end = Math.abs(round) > BOTH_AS_FAR ? Math.abs(round) * (now < 0 ? -1 : 1) : round;
  return Math.min(highest, Math.max(lowest, end));
}
/** From here to half a turn both ends of the forearm's range leave a palm about as far from where it should look, degrees. */
const BOTH_AS_FAR = 170;

/** A palm to which nothing square to its forearm is wanted has no better turn: product of a share of H and a unit. */
const NO_DIRECTION = 1e-6;
const FOREARM = sidedColumns("forearm");
const FOREARM_BOUNDS = rangeNamed("forearm");

/** A hand that stays on the body from one rest to the next. */
export interface RestingHand {
  readonly start: Rest;
  readonly end: Rest;
}

/** An arm in a plane further back than this is behind the body, degrees: the least plane that the format knows. */
const BEHIND = -30;
/** And extends no further than this, degrees; a raised arm stays raised. */
const EXTENDS_TO = 50;

/**
 * An arm behind the body as one that extends, so that an arm that goes there from beside it goes the short way: the same
 * direction in the plane half a turn on.
 */
function behindAsExtension(arm: ArmAngles): ArmAngles {
  if (arm.plane >= BEHIND || arm.elevation > EXTENDS_TO) return arm;
  const axial = arm.axial + 180;
  return { ...arm, elevation: -arm.elevation, plane: arm.plane + 180, axial: axial > 180 ? axial - 360 : axial };
}

/** How far beyond the middle of a hand its fingers still carry a forearm, share of H. */
const CARRY_TOLERANCE = 0.03;

/**
 * Whether a hand that carries the other arm gets to its forearm in a solved pose.
 *
 * @param row solved with that hand where {@link restHandsOn} put it
 * @returns the hand that does not and by how much its arm is too short, share of H; null where it does
 */
export function missedForearm(
  row: Float64Array,
  hands: readonly [RestingHand | null, RestingHand | null],
): { readonly side: Side; readonly shortBy: number } | null {
  for (const side of SIDES) {
    if (hands[sideIndex(side)]?.end.anchor !== "otherForearm") continue;
    const short = minus(placeOf(row, "otherForearm", side).place, at(row, sidedPointColumn("handCentre", side)));
    const shortBy = Math.hypot(...short);
    if (shortBy > CARRY_TOLERANCE) return { side, shortBy };
  }
  return null;
}

/**
 * How often body and arm are found in turn. Standing, the arm's own weight shifts what it rests on by less than a millimetre;
 * on a chair it shifts nothing.
 */
const PASSES = { standing: 2, seated: 1 } as const;

/**
 * Bends the arms of a pose so that hands rest where they should, so far along from one rest to the next: on the body all the
 * way, its palm as it should lie. What is out of reach is reached for. Writes the arms' angles into the pose.
 *
 * @param hands what the left and the right hand rest on; null for one that does not
 * @param along how far from the start to the end, 0 to 1
 * @param ceiling greatest height of the pelvis, share of H
 * @param row room to solve in
 */
export function restHandsOn(
  pose: Pose,
  hands: readonly [RestingHand | null, RestingHand | null],
  along: number,
  ceiling: number,
  row: Float64Array,
  build: Build,
): void {
  // A hand that carries a forearm comes after the hand of that arm.
  const carries = hands.some((hand) => hand?.end.anchor === "otherForearm") && hands.every((hand) => hand !== null);
  const passes = PASSES[pose.frame.seating.kind] + (carries ? 1 : 0);
  const bends: [Vector, Vector] = [
    [0, 0, 0],
    [0, 0, 0],
  ];
  const lies = hands.some((hand) => hand?.start.palm || hand?.end.palm);
  for (let pass = 0; pass < passes + (lies ? BENDING : 0); pass += 1) {
    solvePoseOffBase(pose, row, build, ceiling);
    for (const side of SIDES) {
      const hand = hands[sideIndex(side)];
      if (hand === null) continue;
      const straight = mix(placeOfRest(row, hand.start, side).place, placeOfRest(row, hand.end, side).place, along);
      const place = outOfBody(row, side, straight);
      const found = behindAsExtension(armForHand(row, side, minus(place, bends[sideIndex(side)]), build));
      for (const name of ANGLES) pose.values[sidedSlot(name, side)] = found[name];
    }
    if (!lies) continue;
    solvePoseOffBase(pose, row, build, ceiling);
    for (const side of SIDES) {
      const hand = hands[sideIndex(side)];
      if (hand) bends[sideIndex(side)] = layHand(pose, row, side, hand, along);
    }
  }
}

/** How many more times an arm is found whose hand is bent to lie on the body. */
const BENDING = 4;
/** How far a wrist bends so that a hand lies, degrees: back and towards the palm. */
const WRIST = { back: -55, in: 45 } as const;

/**
 * Turns a forearm and bends a wrist so that a resting hand lies as it should.
 *
 * @param row solved with the wrist straight
 * @returns by how much the middle of the hand moves when the wrist bends, shares of H
 */
function layHand(pose: Pose, row: Float64Array, side: Side, hand: RestingHand, along: number): Vector {
  const forearm = sidedSlot("forearm", side);
  const stated = numberAt(pose.values, forearm);
  const turnOf = (rest: Rest): number => (rest.palm === null ? stated : forearmOf(row, rest, side));
  const before = numberAt(row, FOREARM[sideIndex(side)]);
  const turn = turnOf(hand.start) + along * (turnOf(hand.end) - turnOf(hand.start));
  pose.values[forearm] = turn;
  if (hand.start.palm === null || hand.end.palm === null) return [0, 0, 0];
  const wrist = at(row, sidedPointColumn("wristJoint", side));
  const way = unit(minus(wrist, at(row, sidedPointColumn("elbowJoint", side))));
  const centre = at(row, sidedPointColumn("handCentre", side));
  // The palm once the forearm has turned: it goes round the forearm, towards palm x forearm on the right.
  const palm = unit(minus(at(row, sidedPointColumn("palm", side)), centre));
  const round = cross(palm, way);
  const angle = sideSign(side) * (turn - before) * DEGREE;
  const looks = plus(plus([0, 0, 0], palm, Math.cos(angle)), round, Math.sin(angle));
  const faces = unit(mix(placeOfRest(row, hand.start, side).faces, placeOfRest(row, hand.end, side).faces, along));
  const facing = dot(looks, faces);
  const bend = Math.abs(facing) < 0.2 ? 0 : Math.atan(-dot(way, faces) / facing) / DEGREE;
  const kept = Math.min(WRIST.in, Math.max(WRIST.back, bend));
  pose.values[sidedSlot("wrist", side)] = kept;
  const far = Math.hypot(...minus(centre, wrist));
  const [c, s] = [Math.cos(kept * DEGREE), Math.sin(kept * DEGREE)];
  return plus(plus([0, 0, 0], way, far * (c - 1)), looks, far * s);
}
