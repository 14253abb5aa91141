import { pointColumn } from "../body/channels.ts";
import { neutralPose, sidedSlot, slot } from "../body/pose.ts";
import { SHARE } from "../body/segments.ts";
import { numberAt } from "../checked-access.ts";
import { otherSide, pairOf, SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import type { Anchor, Movement, MovementKey, MovementStance, RestingPalm } from "./format.ts";
import type { Depth, VariantSpec } from "./variant.ts";

/** Sideways ankle distances of the named stances, shares of H. */
export const STANCE_WIDTH: Record<MovementStance["kind"], number> = {
  together: 0.06,
  hip: 2 * SHARE.hipHalfSeparation,
  shoulder: 2 * SHARE.shoulderHalfBreadth,
  wide: 0.34,
  bow: 0.12,
  semiTandem: 0.06,
  tandem: 0,
};

export const STANCE_LENGTH: Record<MovementStance["kind"], number> = {
  together: 0,
  hip: 0,
  shoulder: 0,
  wide: 0,
  bow: 0.2,
  semiTandem: SHARE.footLength / 2,
  tandem: SHARE.footLength + 0.01,
};

/** What a depth makes of the sink and of the stance's length. */
export const DEPTH_SCALE = {
  high: { sink: 0.5, length: 0.6 },
  middle: { sink: 1, length: 1 },
  low: { sink: 1.5, length: 1.2 },
} as const satisfies Record<Depth, object>;
export const TOE_DOWN_HEEL_LIFT = 35;

/** A resting toe takes a little of the weight. */
export const WEIGHT_WITH_TOE_DOWN = 0.95;
export const WEIGHT_BACK_PRESS = -1;
export const PELVIS_X = pointColumn("pelvis");
export const LEAD: Side = "right";
export const TRAIL: Side = "left";
export const bodySide = (role: "lead" | "trail"): Side => (role === "lead" ? LEAD : TRAIL);

/** The person's own side of a side of the authored keys, whose lead is the right. */
export const ownSide = (side: Side, lead: Side): Side => (lead === LEAD ? side : otherSide(side));
export const ARM_SLOTS = [
  "elevation",
  "plane",
  "axial",
  "elbow",
  "forearm",
  "wrist",
  "girdleUp",
  "girdleForward",
  "fist",
] as const;

export const FOOT_SLOTS = ["heelLift", "footX", "footZ", "toeOut"] as const;
export const LEG_SLOTS = ["legFlexion", "legAbduction", "legRotation", "legKnee", "legAnkle"] as const;

/** A key pose before variants: flat values and the foot that is off the floor. Lead is right. */
export interface AuthoredKey {
  readonly key: MovementKey;
  /** In the foot slots: how far each foot stands from its place in the stance. */
  readonly values: Float64Array;
  /** The same at the whole way, which later keys carry on from. */
  readonly stated: Float64Array;
  readonly lift: Side | null;
  /** Whether the body is on the chair. */
  readonly seat: boolean;
  /** What the left and the right hand rest on. */
  readonly anchors: readonly [left: Anchor | null, right: Anchor | null];
  /** How the palms of resting hands lie; null where it follows from the forearm. */
  readonly palms: readonly [left: RestingPalm | null, right: RestingPalm | null];
}

/** Distances between the ankles in a stance, sideways and fore and aft, shares of H. */
export const stanceShares = (stance: MovementStance): { readonly width: number; readonly length: number } => ({
  width: stance.width ?? STANCE_WIDTH[stance.kind],
  length: stance.length ?? STANCE_LENGTH[stance.kind],
});

/** How far each foot is turned out in a stance, degrees; lead is right. */
export function stanceToeOuts(stance: MovementStance): readonly [left: number, right: number] {
  const front = stance.front ? bodySide(stance.front) : null;
  return pairOf((side) => (front !== null && front !== side ? stance.rearToeOut : undefined) ?? stance.toeOut ?? 0);
}

export function setStandingFeet(values: Float64Array, stance: MovementStance, depth: VariantSpec["depth"]): void {
  const { width, length: whole } = stanceShares(stance);
  const length = whole * DEPTH_SCALE[depth].length;
  const front = stance.front ? bodySide(stance.front) : null;
  const toeOuts = stanceToeOuts(stance);
  for (const side of SIDES) {
    add(values, sidedSlot("footZ", side), (sideSign(side) * width) / 2);
    add(values, sidedSlot("footX", side), front === side ? length : 0);
    add(values, sidedSlot("toeOut", side), toeOuts[sideIndex(side)]);
  }
}

export function setFoot(values: Float64Array, side: Side, foot: MovementKey["feet"]): void {
  if (!foot) return;
  if (foot.heel !== undefined || foot.toes !== undefined)
    values[sidedSlot("heelLift", side)] = foot.toes ? -foot.toes : (foot.heel ?? 0);
  if (foot.ahead !== undefined) values[sidedSlot("footX", side)] = foot.ahead;
  if (foot.outward !== undefined) values[sidedSlot("footZ", side)] = sideSign(side) * foot.outward;
  if (foot.turn !== undefined) values[sidedSlot("toeOut", side)] = foot.turn;
}

export function setArm(values: Float64Array, side: Side, arm: MovementKey["arms"]): void {
  if (!arm) return;
  for (const name of ARM_SLOTS) {
    const value = arm[name];
    if (value !== undefined) values[sidedSlot(name, side)] = value;
  }
}

export const ARM_ANGLES = ["elevation", "plane", "axial", "elbow", "wrist"] as const;

/** What a hand rests on in a key: what the key says, else what it rested on before, unless the key moves the arm. */
export function anchorOf(key: MovementKey, side: Side, before: Anchor | null): Anchor | null {
  const said = [key.arms, side === LEAD ? key.leadArm : key.trailArm];
  const named = said.findLast((arm) => arm?.anchor !== undefined)?.anchor;
  if (named !== undefined) return named;
  return said.some((arm) => ARM_ANGLES.some((name) => arm?.[name] !== undefined)) ? null : before;
}

/** How the palm of a resting hand lies in a key: as it says, else as before. */
const palmOf = (key: MovementKey, side: Side, before: RestingPalm | null): RestingPalm | null =>
  [key.arms, side === LEAD ? key.leadArm : key.trailArm].findLast((arm) => arm?.palm !== undefined)?.palm ?? before;

export function add(values: Float64Array, index: number, value: number): void {
  values[index] = numberAt(values, index) + value;
}

/** Writes what a key states over the values carried from the key before. */
export function applyKey(values: Float64Array, key: MovementKey): void {
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

/** Slots that say where a foot stands, and how far it is turned there. */
const FOOT_PLACES = ["footX", "footZ", "toeOut"] as const;

/** Slots that say where a foot stands or what carries: they are whole, however far the rest of the body goes. */
const WHOLE_SLOTS: ReadonlySet<number> = new Set([
  slot("weightLeft"),
  ...SIDES.flatMap((side) => FOOT_PLACES.map((name) => sidedSlot(name, side))),
]);

/** Part of the way from the first key pose. A foot stands where it is stated and the weight is where it must be. */
function partOfTheWay(first: Float64Array, stated: Float64Array, share: number, whole: boolean): Float64Array {
  return stated.map((value, index) => {
    if (whole && WHOLE_SLOTS.has(index)) return value;
    const from = numberAt(first, index);
    return from + share * (value - from);
  });
}

/**
 * Reads key poses in their order: each states what changes from the one before, or from the one it is like.
 *
 * @param keys of a movement, or of a variant of its own
 */
export function readKeys(keys: readonly MovementKey[]): readonly AuthoredKey[] {
  const authored: AuthoredKey[] = [];
  for (const key of keys) {
    const before = authored[key.like ?? authored.length - 1];
    const stated = before ? before.stated.slice() : neutralPose().values;
    applyKey(stated, key);
    const lift = key.lift === undefined ? (before?.lift ?? null) : key.lift && bodySide(key.lift.foot);
    const anchors = pairOf((side) => anchorOf(key, side, before?.anchors[sideIndex(side)] ?? null));
    const palms = pairOf((side) => palmOf(key, side, before?.palms[sideIndex(side)] ?? null));
    const seat = key.seat ?? before?.seat ?? false;
    const first = authored[0]?.stated;
    const steps =
      first !== undefined &&
      SIDES.some((side) => FOOT_PLACES.some((name) => first[sidedSlot(name, side)] !== stated[sidedSlot(name, side)]));
    const values =
      first === undefined || key.share === undefined
        ? stated
        : partOfTheWay(first, stated, key.share, lift !== null || authored[0]?.lift !== null || steps);
    authored.push({ key, values, stated, lift, seat, anchors, palms });
  }
  return authored;
}

/** Keys read before, by what they were read from. */
export const readBefore = new WeakMap<readonly MovementKey[], readonly AuthoredKey[]>();

/** The keys of a movement, the values of each its own to write in. */
export function authoredKeys(keys: readonly MovementKey[]): AuthoredKey[] {
  const known = readBefore.get(keys) ?? readKeys(keys);
  readBefore.set(keys, known);
  return known.map((key) => ({ ...key, values: key.values.slice() }));
}

/** The flat pose that each key pose states, what is carried on from earlier ones filled in; lead is right. */
export const keyPoses = ({ keys }: Pick<Movement, "keys">): readonly Float64Array[] =>
  authoredKeys(keys).map(({ stated }) => stated);

/** How the palms of resting hands lie in each key pose; lead is right. */
export const keyPalms = ({ keys }: Pick<Movement, "keys">): readonly AuthoredKey["palms"][] =>
  authoredKeys(keys).map(({ palms }) => palms);

/** What the left and the right hand rest on in each key pose; lead is right. */
export const keyAnchors = ({ keys }: Pick<Movement, "keys">): readonly (readonly [Anchor | null, Anchor | null])[] =>
  authoredKeys(keys).map(({ anchors }) => anchors);
