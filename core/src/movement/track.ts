import { armAngles } from "../body/arm.ts";
import { armTakesPart, type Build, canHold, canStand, hasFoot, legTakesPart, lengthIndexes, USUAL_BUILD } from "../body/build.ts";
import { pointColumn, ROW_WIDTH, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import {
  type FootContact,
  type HandHold,
  holdsOn,
  mirrorFrame,
  mirrorPose,
  mirrorValues,
  neutralPose,
  type PoseFrame,
  type Seating,
  type SidedSlot,
  STANDING_FRAME,
  sidedSlot,
  slot,
} from "../body/pose.ts";
import { SHARE } from "../body/segments.ts";
import { solvePose, solvePoseOffBase } from "../body/solve.ts";
import { holdsWith, type SupportName, supportNamed } from "../body/supports.ts";
import { otherSide, type Pair, pairOf, SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import { type Rest, type RestingHand, restHandsOn } from "./anchors.ts";
import type { Anchor, DECLARED_FEATURES, Movement, MovementKey, MovementStance } from "./format.ts";
import { armMoves, type Depth, FULL_SIZE, type VariantSpec } from "./variant.ts";

/** One stretch between two key poses. Its frame holds all the way; values run from one to the other. */
export interface TrackSegment {
  readonly from: number;
  readonly to: number;
  readonly start: Float64Array;
  readonly end: Float64Array;
  readonly frame: PoseFrame;
  /** What the left and the right hand rest on all the way; null for a hand that does not. */
  readonly resting: readonly [left: RestingHand | null, right: RestingHand | null];
  /** Slope of every slot per unit of phase at the start and the end; zeros when at rest there. */
  readonly flowStart: boolean;
  readonly flowEnd: boolean;
  /** On the way up from a chair or down to it: which of its ends is on the chair. */
  readonly leavesSeat: "start" | "end" | null;
  /** Whether the feet differ from the segment before: the pelvis then rises or settles smoothly. */
  readonly swing: "lifting" | "lowering" | null;
  readonly breath: "in" | "out";
  readonly say: string;
}

/** A form of a movement, ready to be sampled. */
export interface Track {
  readonly breaths: number;
  /** Features that the movement declares. */
  readonly features: readonly (typeof DECLARED_FEATURES)[number][];
  readonly segments: readonly TrackSegment[];
  /** Whose proportions and limbs it was made for. */
  readonly build: Build;
}

/** Sideways ankle distances of the named stances, shares of H. */
const STANCE_WIDTH: Record<MovementStance["kind"], number> = {
  together: 0.06,
  hip: 2 * SHARE.hipHalfSeparation,
  shoulder: 2 * SHARE.shoulderHalfBreadth,
  wide: 0.34,
  bow: 0.12,
  semiTandem: 0.06,
  tandem: 0,
};
const STANCE_LENGTH: Record<MovementStance["kind"], number> = {
  together: 0,
  hip: 0,
  shoulder: 0,
  wide: 0,
  bow: 0.2,
  semiTandem: SHARE.footLength / 2,
  tandem: SHARE.footLength + 0.01,
};
/** What a depth makes of the sink and of the stance's length. */
const DEPTH_SCALE = {
  high: { sink: 0.5, length: 0.6 },
  middle: { sink: 1, length: 1 },
  low: { sink: 1.5, length: 1.2 },
} as const satisfies Record<Depth, object>;
/** Seat at the height of the knee crease: the thighs are level and a person's feet stand flat. */
export const SEAT_HEIGHT = 0.25;
const SEATED_WIDTH = 0.13;
/** Where a hand rests that does not move, from the pelvis: low on the belly, under the navel, or on the thigh. */
const RESTING_HAND = { standing: { x: 0.08, y: 0.06, z: 0.025 }, seated: { x: 0.13, y: 0.03, z: 0.06 } } as const;
const TOE_DOWN_HEEL_LIFT = 35;
/** A resting toe takes a little of the weight. */
const WEIGHT_WITH_TOE_DOWN = 0.95;
const WEIGHT_BACK_PRESS = -1;

const PELVIS_X = pointColumn("pelvis");

const LEAD: Side = "right";
const TRAIL: Side = "left";
const bodySide = (role: "lead" | "trail"): Side => (role === "lead" ? LEAD : TRAIL);

/** The person's own side of a side of the authored keys, whose lead is the right. */
const ownSide = (side: Side, lead: Side): Side => (lead === LEAD ? side : otherSide(side));

const ARM_SLOTS = ["elevation", "plane", "axial", "elbow", "forearm", "wrist", "girdleUp", "girdleForward", "fist"] as const;
const FOOT_SLOTS = ["heelLift", "footX", "footZ"] as const;
const LEG_SLOTS = ["legFlexion", "legAbduction", "legRotation", "legKnee", "legAnkle"] as const;

/** A key pose before forms: flat values and the foot that is off the floor. Lead is right. */
interface AuthoredKey {
  readonly key: MovementKey;
  /** In the foot slots: how far each foot stands from its place in the stance. */
  readonly values: Float64Array;
  readonly lift: Side | null;
  /** Whether the body is on the chair. */
  readonly seat: boolean;
  /** What the left and the right hand rest on. */
  readonly anchors: readonly [left: Anchor | null, right: Anchor | null];
}

function setFoot(values: Float64Array, side: Side, foot: MovementKey["feet"]): void {
  if (!foot) return;
  if (foot.heel !== undefined || foot.toes !== undefined)
    values[sidedSlot("heelLift", side)] = foot.toes ? -foot.toes : (foot.heel ?? 0);
  if (foot.ahead !== undefined) values[sidedSlot("footX", side)] = foot.ahead;
  if (foot.outward !== undefined) values[sidedSlot("footZ", side)] = sideSign(side) * foot.outward;
}

function setArm(values: Float64Array, side: Side, arm: MovementKey["arms"]): void {
  if (!arm) return;
  for (const name of ARM_SLOTS) {
    const value = arm[name];
    if (value !== undefined) values[sidedSlot(name, side)] = value;
  }
}

/** Writes what a key states over the values carried from the key before. */
function applyKey(values: Float64Array, key: MovementKey): void {
  // Lead is the right: turns towards the lead are to the right, weight is stated for the left foot.
  if (key.weight !== undefined) values[slot("weightLeft")] = 1 - key.weight;
  if (key.press !== undefined) values[slot("press")] = key.press;
  if (key.sink !== undefined) values[slot("sink")] = key.sink;
  if (key.pelvis?.tilt !== undefined) values[slot("pelvisTilt")] = key.pelvis.tilt;
  if (key.pelvis?.list !== undefined) values[slot("pelvisList")] = key.pelvis.list;
  if (key.pelvis?.rotation !== undefined) values[slot("pelvisRotation")] = key.pelvis.rotation;
  if (key.spine?.flexion !== undefined) values[slot("spineFlexion")] = key.spine.flexion;
  if (key.spine?.sideBend !== undefined) values[slot("spineSideBend")] = key.spine.sideBend;
  if (key.spine?.rotation !== undefined) values[slot("spineRotation")] = key.spine.rotation;
  if (key.head?.flexion !== undefined) values[slot("headFlexion")] = key.head.flexion;
  if (key.head?.sideBend !== undefined) values[slot("headSideBend")] = key.head.sideBend;
  if (key.head?.rotation !== undefined) values[slot("headRotation")] = key.head.rotation;
  if (key.head?.glide !== undefined) values[slot("headGlide")] = key.head.glide;
  for (const side of SIDES) setArm(values, side, key.arms);
  setArm(values, LEAD, key.leadArm);
  setArm(values, TRAIL, key.trailArm);
  for (const side of SIDES) setFoot(values, side, key.feet);
  setFoot(values, LEAD, key.leadFoot);
  setFoot(values, TRAIL, key.trailFoot);
  if (key.lift) {
    const side = bodySide(key.lift.foot);
    values[sidedSlot("legFlexion", side)] = key.lift.hipFlexion ?? 0;
    values[sidedSlot("legAbduction", side)] = key.lift.hipAbduction ?? 0;
    values[sidedSlot("legRotation", side)] = key.lift.hipRotation ?? 0;
    values[sidedSlot("legKnee", side)] = key.lift.knee ?? 0;
    values[sidedSlot("legAnkle", side)] = key.lift.ankle ?? 0;
  }
}

const ARM_ANGLES = ["elevation", "plane", "axial", "elbow", "wrist"] as const;

/** What a hand rests on in a key: what the key says, else what it rested on before, unless the key moves the arm. */
function anchorOf(key: MovementKey, side: Side, before: Anchor | null): Anchor | null {
  const said = [key.arms, side === LEAD ? key.leadArm : key.trailArm];
  const named = said.findLast((arm) => arm?.anchor !== undefined)?.anchor;
  if (named !== undefined) return named;
  return said.some((arm) => ARM_ANGLES.some((name) => arm?.[name] !== undefined)) ? null : before;
}

/** Keys read before, by what they were read from. */
const readBefore = new WeakMap<readonly MovementKey[], readonly AuthoredKey[]>();

/** The keys of a movement, the values of each its own to write in. */
function authoredKeys(keys: readonly MovementKey[]): AuthoredKey[] {
  const known = readBefore.get(keys) ?? readKeys(keys);
  readBefore.set(keys, known);
  return known.map((key) => ({ ...key, values: key.values.slice() }));
}

function readKeys(keys: readonly MovementKey[]): readonly AuthoredKey[] {
  const authored: AuthoredKey[] = [];
  for (const key of keys) {
    const before = authored[key.like ?? authored.length - 1];
    const values = before ? before.values.slice() : neutralPose().values;
    applyKey(values, key);
    const lift = key.lift === undefined ? (before?.lift ?? null) : key.lift && bodySide(key.lift.foot);
    const anchors = SIDES.map((side) => anchorOf(key, side, before?.anchors[sideIndex(side)] ?? null));
    const seat = key.seat ?? before?.seat ?? false;
    authored.push({ key, values, lift, seat, anchors: anchors as [Anchor | null, Anchor | null] });
  }
  return authored;
}

function add(values: Float64Array, index: number, value: number): void {
  values[index] = (values[index] as number) + value;
}

/** The flat pose that each key pose states, what is carried on from earlier ones filled in; lead is right. */
export const keyPoses = ({ keys }: Pick<Movement, "keys">): readonly Float64Array[] =>
  authoredKeys(keys).map(({ values }) => values);

/** What the left and the right hand rest on in each key pose; lead is right. */
export const keyAnchors = ({ keys }: Pick<Movement, "keys">): readonly (readonly [Anchor | null, Anchor | null])[] =>
  authoredKeys(keys).map(({ anchors }) => anchors);

/** Distances between the ankles in a stance, sideways and fore and aft, shares of H. */
export const stanceShares = (stance: MovementStance): { readonly width: number; readonly length: number } => ({
  width: stance.width ?? STANCE_WIDTH[stance.kind],
  length: stance.length ?? STANCE_LENGTH[stance.kind],
});

function setStandingFeet(values: Float64Array, stance: MovementStance, depth: VariantSpec["depth"]): void {
  const { width, length: whole } = stanceShares(stance);
  const length = whole * DEPTH_SCALE[depth].length;
  const front = stance.front ? bodySide(stance.front) : null;
  for (const side of SIDES) {
    add(values, sidedSlot("footZ", side), (sideSign(side) * width) / 2);
    add(values, sidedSlot("footX", side), front === side ? length : 0);
    const rear = front !== null && front !== side;
    values[sidedSlot("toeOut", side)] = (rear ? stance.rearToeOut : undefined) ?? stance.toeOut ?? 0;
  }
}

const THIGH_LENGTH = lengthIndexes("thigh");
const SHANK_LENGTH = lengthIndexes("shank");
const ownLength = ({ lengths }: Build, index: Pair, side: Side): number => lengths[index[sideIndex(side)]] as number;

function setSeatedFeet(values: Float64Array, lead: Side, build: Build): void {
  for (const side of SIDES) {
    add(values, sidedSlot("footX", side), ownLength(build, THIGH_LENGTH, ownSide(side, lead)));
    add(values, sidedSlot("footZ", side), (sideSign(side) * SEATED_WIDTH) / 2);
    values[sidedSlot("toeOut", side)] = 0;
  }
}

/** What the seat takes over from the legs: no sink; the shift of weight may become a lean. */
function seat(
  keys: readonly AuthoredKey[],
  becomes: { pelvisTilt?: number | undefined; pelvisList?: number | undefined },
  lead: Side,
  build: Build,
): void {
  const weight = (key: AuthoredKey) => 1 - (key.values[slot("weightLeft")] as number);
  const first = keys[0] ? weight(keys[0]) : 0.5;
  const largest = Math.max(...keys.map((key) => Math.abs(weight(key) - first)), 1e-9);
  const shifts = keys.map((key) => (weight(key) - first) / largest);
  keys.forEach((key, i) => {
    const shift = shifts[i] as number;
    key.values[slot("sink")] = 0;
    key.values[slot("press")] = 0;
    key.values[slot("weightLeft")] = 0.5;
    key.values[slot("pelvisTilt")] = (key.values[slot("pelvisTilt")] as number) + shift * (becomes.pelvisTilt ?? 0);
    key.values[slot("pelvisList")] = (key.values[slot("pelvisList")] as number) + shift * (becomes.pelvisList ?? 0);
    setSeatedFeet(key.values, lead, build);
  });
}

const TRUNK_SLOTS = [
  "pelvisTilt",
  "pelvisList",
  "pelvisRotation",
  "spineFlexion",
  "spineSideBend",
  "spineRotation",
  "headFlexion",
  "headSideBend",
  "headRotation",
  "headGlide",
] as const;

/** Whether a foot stands elsewhere in another key pose. */
const stepsBetween = (a: AuthoredKey, b: AuthoredKey, side: Side): boolean =>
  (["footX", "footZ"] as const).some(
    (name) => Math.abs((a.values[sidedSlot(name, side)] as number) - (b.values[sidedSlot(name, side)] as number)) > 1e-9,
  );

const STANCE_SLOTS = ["sink", "press"] as const;
const TRUNK_INDEXES = TRUNK_SLOTS.map(slot);
const STANCE_INDEXES = STANCE_SLOTS.map(slot);
const indexesOf = (names: readonly SidedSlot[], side: Side): readonly number[] => names.map((name) => sidedSlot(name, side));
const ARM_INDEXES = pairOf((side) => indexesOf(ARM_SLOTS, side));
const FOOT_INDEXES = pairOf((side) => indexesOf(FOOT_SLOTS, side));
const LEG_INDEXES = pairOf((side) => indexesOf(LEG_SLOTS, side));
const WEIGHT = slot("weightLeft");

/** key 0 + size . (key - key 0), group by group. Weight stays whole where a foot lifts: it must be all on the other. */
function resize(keys: readonly AuthoredKey[], lead: Side, choice: VariantSpec): void {
  const first = (keys[0] as AuthoredKey).values.slice();
  const scale = (values: Float64Array, indexes: readonly number[], eighths: number) => {
    if (eighths === FULL_SIZE) return;
    for (const index of indexes) {
      const start = first[index] as number;
      values[index] = start + (eighths / FULL_SIZE) * ((values[index] as number) - start);
    }
  };
  const { trunk, legs } = choice.sizes;
  const lifts = keys.some((key) => key.lift !== null);
  const steps = SIDES.some((side) => keys.some((key) => stepsBetween(keys[0] as AuthoredKey, key, side)));
  const lifted = pairOf((side) => keys.some((key) => key.lift === side));
  for (const { values } of keys) {
    scale(values, TRUNK_INDEXES, trunk);
    scale(values, STANCE_INDEXES, legs);
    if (!lifts && !steps) scale(values, [WEIGHT], legs);
    for (const side of SIDES) {
      // Sides here are lead = right; the choice speaks of the person's own sides.
      const i = sideIndex(side);
      scale(values, ARM_INDEXES[i], ownSide(side, lead) === "left" ? choice.sizes.armLeft : choice.sizes.armRight);
      scale(values, FOOT_INDEXES[i], legs);
      if (lifted[i]) for (const index of LEG_INDEXES[i]) values[index] = ((values[index] as number) * legs) / FULL_SIZE;
    }
  }
}

/** Legs that stand still under the rest: even, upright and with both feet where the stance has them. */
function standStill(keys: readonly AuthoredKey[]): AuthoredKey[] {
  for (const { values } of keys) {
    values[WEIGHT] = 0.5;
    values[slot("sink")] = 0;
    values[slot("press")] = 0;
  }
  return keys.map((key) => ({ ...key, lift: null }));
}

/**
 * Seated, a lifted thigh starts from level: flexion counts from there.
 *
 * @param derived whether the keys are those of standing, whose bent knees then hang from the seat
 */
function seatedLift(keys: readonly AuthoredKey[], derived: boolean): void {
  for (const { values, lift } of keys) {
    if (lift === null) continue;
    const index = sidedSlot("legFlexion", lift);
    values[index] = 90 + (values[index] as number);
    if (derived) values[sidedSlot("legKnee", lift)] = Math.max(90, values[sidedSlot("legKnee", lift)] as number);
  }
}

/** A leg that does not move of itself stays where it is in the first key pose, and never leaves the floor. */
function withoutStillLegs(key: AuthoredKey, first: AuthoredKey, lead: Side, build: Build): AuthoredKey {
  const still = SIDES.filter((side) => !legTakesPart(build, ownSide(side, lead)));
  if (still.length === 0) return key;
  const values = key.values.slice();
  for (const side of still)
    for (const name of FOOT_SLOTS) values[sidedSlot(name, side)] = first.values[sidedSlot(name, side)] as number;
  return { ...key, values, lift: key.lift !== null && still.includes(key.lift) ? null : key.lift };
}

const LAP = pairOf((side) => sidedColumn("handOverLap", side));
const HAND_X = pairOf((side) => sidedPointColumn("handCentre", side));
/** A hand further ahead of the hips than this hangs in front of the knees, share of H. */
const PAST_THE_KNEES = SHARE.thigh;

/**
 * On a chair a hand that would hang beside the hips goes through the seat, or the arms of the chair: it rests on the thigh. One
 * that would lie on the hip lies on the thigh next to it.
 */
function handsOffTheSeat(key: AuthoredKey, seating: Seating, footless: readonly Side[], build: Build): AuthoredKey {
  const feet = pairOf((side): FootContact => (footless.includes(side) ? "absent" : key.lift === side ? "lifted" : "flat"));
  const frame: PoseFrame = { ...STANDING_FRAME, seating, feet };
  const row = new Float64Array(ROW_WIDTH);
  solvePoseOffBase({ frame, values: key.values }, row, build);
  const anchors = pairOf((side): Anchor | null => {
    const i = sideIndex(side);
    const said = key.anchors[i];
    if (said !== null) return said === "hip" ? "upperThigh" : said;
    const ahead = (row[HAND_X[i]] as number) - (row[PELVIS_X] as number);
    return (row[LAP[i]] as number) < 0 && ahead < PAST_THE_KNEES ? "thigh" : null;
  });
  return { ...key, anchors };
}

/** The thigh of a leg without a foot lies on the seat, unless the movement lifts it. */
function restStumps(keys: readonly AuthoredKey[], footless: readonly Side[]): void {
  for (const { values, lift } of keys)
    for (const side of footless) {
      if (lift === side) continue;
      values[sidedSlot("legFlexion", side)] = 90;
      values[sidedSlot("legKnee", side)] = 90;
    }
}

/** Height of a seat on which the thighs are level and the feet flat, or higher for who needs it, share of H. */
function seatHeightFor(build: Build): number {
  const shanks = SIDES.filter((side) => hasFoot(build, side)).map((side) => ownLength(build, SHANK_LENGTH, side));
  return (
    SEAT_HEIGHT + (shanks.length > 0 ? Math.max(...shanks) - SHARE.shank : 0) + (build.measured.wheelchair ? 0 : build.seatRaise)
  );
}

/** A chair with such a seat, or a wheelchair, which supports the back. */
function seatFor(build: Build): Extract<Seating, { kind: "seated" }> {
  const { wheelchair } = build.measured;
  return {
    kind: "seated",
    seatHeight: seatHeightFor(build),
    atFront: false,
    backSupported: wheelchair,
    wheelchair,
  };
}

/**
 * Lays the hands that rest on the body where they rest, each as far on its way as its size says.
 *
 * @returns for each key what the left and the right hand rest on; null for a hand that is free, or only part of the way there
 */
function restHands(
  keys: readonly AuthoredKey[],
  lead: Side,
  choice: VariantSpec,
  build: Build,
  frame: PoseFrame,
  footless: readonly Side[],
): readonly (readonly [Rest | null, Rest | null])[] {
  if (keys.every(({ anchors }) => anchors.every((anchor) => anchor === null))) return keys.map(() => [null, null]);
  const first = (keys[0] as AuthoredKey).values.slice();
  const row = new Float64Array(ROW_WIDTH);
  const rests = keys.map(() => [null, null] as [Rest | null, Rest | null]);
  const sizeOf = (side: Side) => (ownSide(side, lead) === "left" ? choice.sizes.armLeft : choice.sizes.armRight) / FULL_SIZE;
  const moves = SIDES.filter((side) => armMoves(choice, ownSide(side, lead)));
  keys.forEach((key, i) => {
    const feet = footContacts(key, key, choice, footless);
    const restOf = (side: Side): Rest | null => {
      const anchor = key.anchors[sideIndex(side)];
      if (anchor === null || !moves.includes(side)) return null;
      const from = (keys[0] as AuthoredKey).anchors[sideIndex(side)];
      return i === 0 || from === null ? { first: anchor, anchor, size: 1 } : { first: from, anchor, size: sizeOf(side) };
    };
    const here = pairOf(restOf);
    const pose = { frame: { ...frame, feet }, values: key.values };
    const seen = lead === LEAD ? pose : mirrorPose(pose);
    const seenRests = lead === LEAD ? here : ([here[1], here[0]] as const);
    if (here.some((rest) => rest !== null)) {
      const hands = seenRests.map((rest) => rest && { start: rest, end: rest });
      restHandsOn(seen, hands as [RestingHand | null, RestingHand | null], 0, Number.POSITIVE_INFINITY, row, build);
      key.values.set(lead === LEAD ? seen.values : mirrorValues(seen.values));
    }
    for (const side of moves) {
      const size = sizeOf(side);
      const restsFirst = keys[0]?.anchors[sideIndex(side)] !== null;
      const rest = here[sideIndex(side)];
      if (rest !== null && (restsFirst || size === 1)) (rests[i] as [Rest | null, Rest | null])[sideIndex(side)] = rest;
      if (i === 0 || size === 1 || (rest === null) !== restsFirst) continue;
      // A free hand that has to go a part of the way to a rest, or from one.
      for (const name of ARM_ANGLES) {
        const index = sidedSlot(name, side);
        const value = key.values[index] as number;
        const from = first[index] as number;
        key.values[index] =
          rest === null ? value + (1 - size) * ((keys[0]?.values[index] as number) - from) : from + size * (value - from);
      }
    }
  });
  return rests;
}

/** A chair to rise from is so much higher than one to sit on, share of H: about 8 cm. */
const HIGHER_TO_RISE = 0.05;
const risingSeat = (build: Build): number => seatHeightFor(build) + Math.max(0, HIGHER_TO_RISE - build.seatRaise);

/** How often hands on the arms of a chair and the place of the feet are found in turn; each time a tenth of the miss is left. */
const FEET_PASSES = 6;

/**
 * Sets the feet of a movement that leaves the chair: where the weight comes onto them just as the seat lets go. The hips are
 * then over the seat at both ends of that stretch.
 *
 * @param hands what they hold on to then
 */
function setRisingFeet(keys: readonly AuthoredKey[], hands: readonly [HandHold, HandHold], build: Build): void {
  const seatOff = keys.find((key, i) => key.seat && (keys[i + 1]?.seat === false || keys[i - 1]?.seat === false));
  if (!seatOff) return;
  const seating: Seating = { kind: "standing", rising: { seatHeight: risingSeat(build), withArms: false } };
  const pose = { frame: { ...STANDING_FRAME, seating, hands, support: "armrests" as const }, values: seatOff.values.slice() };
  pose.values[slot("sink")] = 0;
  let hips = 0;
  for (let pass = 0; pass < FEET_PASSES; pass += 1) {
    setHolds(pose.values, hands, RESTING_HAND.seated, "armrests", hips);
    hips = solvePose(pose, risingSeat(build) + SHARE.hipAboveSeat, undefined, build).row[PELVIS_X] as number;
  }
  for (const { values, seat } of keys) {
    for (const side of SIDES) add(values, sidedSlot("footX", side), -hips);
    if (seat) values[slot("sink")] = 0;
  }
}

/** Knee bend in stance up to which hands on the arms of a chair still press, degrees. */
const PRESSES_FROM = 40;

/** Whether hands on the arms of a chair are still on them in a key. */
const reachesArmrests = ({ seat, values }: AuthoredKey): boolean => seat || (values[slot("sink")] as number) > PRESSES_FROM;

/** Where hands leave the arms of a chair, or come to them, the arms of that key pose are those that hold them. */
function bendToArmrests(keys: readonly AuthoredKey[], hands: readonly [HandHold, HandHold], build: Build): void {
  for (const [i, { values, seat }] of keys.entries()) {
    const next = [keys[i - 1], keys[i + 1]].some((key) => key && !reachesArmrests(key));
    if (!next || !reachesArmrests(keys[i] as AuthoredKey)) continue;
    const seating: Seating = { kind: "standing", rising: { seatHeight: risingSeat(build), withArms: true } };
    const frame: PoseFrame = { ...STANDING_FRAME, seating, hands, support: "armrests" };
    const ceiling = seat ? risingSeat(build) + SHARE.hipAboveSeat : Number.POSITIVE_INFINITY;
    const { row } = solvePose({ frame, values }, ceiling, undefined, build);
    for (const side of SIDES) {
      const { elevation, plane, axial, elbow, wrist } = armAngles(row, side);
      for (const [name, value] of Object.entries({ elevation, plane, axial, elbow, wrist }))
        values[sidedSlot(name as SidedSlot, side)] = value;
    }
  }
}

/** How a movement that leaves the chair is carried between two key poses. */
function risingSeating(start: AuthoredKey, end: AuthoredKey, choice: VariantSpec, build: Build): Seating {
  if (start.seat && end.seat) return { ...seatFor(build), seatHeight: risingSeat(build) };
  if (!reachesArmrests(start) && !reachesArmrests(end)) return { kind: "standing" };
  return {
    kind: "standing",
    rising: { seatHeight: risingSeat(build), withArms: choice.hold?.by === "armrests" },
  };
}

/** How each foot meets the floor between two key poses: the less of what the two say. */
function footContacts(
  start: AuthoredKey,
  end: AuthoredKey,
  choice: VariantSpec,
  footless: readonly Side[],
): readonly [FootContact, FootContact] {
  const lift = start.lift ?? end.lift;
  const contact = (side: Side): FootContact => {
    if (footless.includes(side)) return "absent";
    if (lift === side) return choice.toeDown && choice.kind !== "seated" ? "restingToe" : "lifted";
    if (stepsBetween(start, end, side)) return "onItsWay";
    const pitch = (key: AuthoredKey) => key.values[sidedSlot("heelLift", side)] as number;
    if (pitch(start) > 0 || pitch(end) > 0) return "forefoot";
    return pitch(start) < 0 || pitch(end) < 0 ? "heel" : "flat";
  };
  return [contact("left"), contact("right")];
}

function handHolds(lead: Side, choice: VariantSpec, build: Build): readonly [HandHold, HandHold] {
  const hold = (side: Side): HandHold => {
    const own = ownSide(side, lead);
    if (choice.hold !== null && holdsWith(choice.hold, own)) return supportNamed(choice.hold.by).carries ? "firm" : "lightTouch";
    // A stump rests nowhere: it follows the movement or hangs.
    const rests = !armTakesPart(build, own) || (!armMoves(choice, own) && canHold(build, own));
    return rests ? "onBody" : "free";
  };
  return [hold("left"), hold("right")];
}

/** @param from the middle of the feet at the start: what is held stays where it is when the feet step */
function setHolds(
  values: Float64Array,
  hands: readonly [HandHold, HandHold],
  rest: { x: number; y: number; z: number },
  support: SupportName,
  from: number,
): void {
  const { ahead, height, aside } = supportNamed(support);
  for (const side of SIDES) {
    const s = side === "left" ? -1 : 1;
    const set = (name: SidedSlot, value: number) => {
      values[sidedSlot(name, side)] = value;
    };
    const hand = hands[sideIndex(side)];
    if (hand === "onBody") {
      set("holdX", rest.x);
      set("holdY", rest.y);
      set("holdZ", s * rest.z);
    } else if (holdsOn(hand)) {
      set("holdX", from + ahead);
      set("holdY", height);
      set("holdZ", s * aside);
    }
  }
}

/** What legs do in a key. */
const LEG_PARTS = ["weight", "press", "sink", "lift", "feet", "leadFoot", "trailFoot"] as const;

const withoutLegs = (key: MovementKey): MovementKey =>
  Object.fromEntries(Object.entries(key).filter(([part]) => !LEG_PARTS.some((leg) => leg === part))) as MovementKey;

/** The keys of a form and what it changes of the movement. */
interface FormKeys {
  readonly keys: readonly MovementKey[];
  /** Whether they are the form's own. */
  readonly own: boolean;
  readonly weightBecomes: { readonly pelvisTilt?: number | undefined; readonly pelvisList?: number | undefined };
}

/** Whether a movement has a form. @param inWater whether a chair stands in the water */
export const hasVariant = (movement: Movement, kind: VariantSpec["kind"], inWater: boolean): boolean =>
  formKeys(movement, kind, inWater) !== null;

/** The keys of a form; null where there is none. Whoever sits in the water does the arms of what has no form for a chair. */
function formKeys({ keys, forms }: Movement, kind: VariantSpec["kind"], inWater: boolean): FormKeys | null {
  const patch = forms[kind];
  if (patch) return { keys: patch.keys ?? keys, own: patch.keys !== undefined, weightBecomes: patch.weightBecomes ?? {} };
  if (kind !== "seated" || !inWater || !forms.water) return null;
  return { keys: (forms.water.keys ?? keys).map(withoutLegs), own: true, weightBecomes: {} };
}

/**
 * Builds the track of one form of a movement by the operators base, depth, foot, arms, size and mirror, in this order.
 *
 * @param lead the person's side that leads
 * @param build whose body does it
 * @param inWater whether a chair stands in the water
 * @returns the track, or null if the movement has no such form, or this body no limb for it
 */
export function trackOf(
  movement: Movement,
  choice: VariantSpec,
  lead: Side,
  build: Build = USUAL_BUILD,
  inWater = false,
): Track | null {
  const form = formKeys(movement, choice.kind, inWater);
  if (form === null) return null;
  const seated = choice.kind === "seated";
  if (!seated && !canStand(build)) return null;
  if (SIDES.some((side) => holdsWith(choice.hold, side) && !canHold(build, side))) return null;
  const footless = SIDES.filter((side) => !hasFoot(build, ownSide(side, lead)));
  const authored = authoredKeys(form.keys);
  let keys = authored.map((key) => withoutStillLegs(key, authored[0] as AuthoredKey, lead, build));
  if (seated) seat(keys, form.weightBecomes, lead, build);
  else
    for (const { values } of keys) {
      setStandingFeet(values, movement.stance, choice.depth);
      values[slot("sink")] = (values[slot("sink")] as number) * DEPTH_SCALE[choice.depth].sink;
      if (choice.weightBack) values[slot("press")] = WEIGHT_BACK_PRESS;
    }
  const rising = !seated && keys.some(({ seat }) => seat);
  const hands = handHolds(lead, choice, build);
  // A hand that rests or holds on closes no fist of the movement's.
  for (const { values } of keys)
    for (const side of SIDES) if (!armMoves(choice, ownSide(side, lead))) values[sidedSlot("fist", side)] = 0;
  if (rising) setRisingFeet(keys, hands, build);
  else resize(keys, lead, choice);
  if (choice.sizes.legs === 0 && !seated) keys = standStill(keys);
  if (seated) {
    seatedLift(keys, !form.own);
    restStumps(keys, footless);
  }
  const toeDown = choice.toeDown && !seated;
  const standing: Seating = { kind: "standing", ...(movement.atWall && choice.kind === "water" ? { atWall: true } : {}) };
  const seating: Seating = seated ? seatFor(build) : standing;
  if (seated) keys = keys.map((key) => handsOffTheSeat(key, seating, footless, build));
  const freeFrame: PoseFrame = { seating, feet: ["flat", "flat"], hands: ["free", "free"], support: "rail" };
  const rests = restHands(keys, lead, choice, build, freeFrame, footless);
  const support = choice.hold?.by ?? "rail";
  // What is held is told from the middle of the feet, the arms of a chair from the hips on it.
  const heldFrom = rising
    ? 0
    : SIDES.reduce((sum, side) => sum + ((keys[0] as AuthoredKey).values[sidedSlot("footX", side)] as number) / 2, 0);
  const lifting = keys.find((key) => key.lift !== null)?.lift ?? null;
  for (const { values, lift } of keys) {
    setHolds(values, hands, RESTING_HAND[seated ? "seated" : "standing"], support, heldFrom);
    if (toeDown && lifting !== null) {
      const onLeft = values[slot("weightLeft")] as number;
      values[slot("weightLeft")] = Math.min(WEIGHT_WITH_TOE_DOWN, Math.max(1 - WEIGHT_WITH_TOE_DOWN, onLeft));
      if (lift !== null) values[sidedSlot("heelLift", lift)] = (TOE_DOWN_HEEL_LIFT * choice.sizes.legs) / FULL_SIZE;
    }
  }

  if (rising && support === "armrests") bendToArmrests(keys, hands, build);

  const cycles = keys.length - 1;
  const segments: TrackSegment[] = [];
  for (let i = 0; i < cycles; i += 1) {
    const start = keys[i] as AuthoredKey;
    const end = keys[i + 1] as AuthoredKey;
    let swing: TrackSegment["swing"] = null;
    if (start.lift !== end.lift && !toeDown) swing = end.lift === null ? "lowering" : "lifting";
    const lets = rising && support === "armrests" && !(reachesArmrests(start) && reachesArmrests(end));
    const frame: PoseFrame = {
      seating: rising ? risingSeating(start, end, choice, build) : seating,
      feet: footContacts(start, end, choice, footless),
      hands: lets ? ["free", "free"] : hands,
      support,
    };
    const resting = (side: Side): RestingHand | null => {
      const [from, to] = [rests[i], rests[i + 1]].map((rest) => rest?.[sideIndex(ownSide(side, lead))] ?? null);
      return from && to ? { start: from, end: to } : null;
    };
    const cyclicFlow = keys[0]?.key.flow === true && (keys[cycles] as AuthoredKey).key.flow === true;
    segments.push({
      from: start.key.at,
      to: end.key.at,
      start: lead === LEAD ? start.values : mirrorValues(start.values),
      end: lead === LEAD ? end.values : mirrorValues(end.values),
      frame: lead === LEAD ? frame : mirrorFrame(frame),
      resting: pairOf(resting),
      leavesSeat: !rising || start.seat === end.seat ? null : start.seat ? "start" : "end",
      flowStart: i === 0 ? cyclicFlow : start.key.flow === true,
      flowEnd: i === cycles - 1 ? cyclicFlow : end.key.flow === true,
      swing,
      breath: end.key.breath ?? "in",
      say: end.key.say ?? "",
    });
  }
  return { breaths: movement.breaths, features: movement.features ?? [], segments, build };
}

const LEG_GROUP = [...STANCE_INDEXES, WEIGHT, ...FOOT_INDEXES.flat(), ...LEG_INDEXES.flat()];

/** Which of trunk and legs a movement moves at all: what it does not move has no size. */
export const movedBy = ({ segments }: Track): { readonly trunk: boolean; readonly legs: boolean } => {
  const moves = (indexes: readonly number[]): boolean =>
    segments.some(({ start, end }) => indexes.some((index) => start[index] !== end[index]));
  return { trunk: moves(TRUNK_INDEXES), legs: moves(LEG_GROUP) || segments.some(({ swing }) => swing !== null) };
};
