import { type MidlineRange, type RangeBounds, rangeNamed, type SidedRange } from "../body/channels.ts";
import { sidedSlot, slot } from "../body/pose.ts";
import { AXIAL_BOUNDS } from "../body/shoulder-turn.ts";
import type { Side } from "../side.ts";
import { keyAnchors, keyPalms, keyPoses } from "./authored-keys.ts";
import type { Anchor, Movement, MovementKey, RestingPalm } from "./format.ts";

/** The angles of a key pose by the part of the body they belong to. */
export const KEY_GROUPS = {
  pelvis: ["tilt", "list", "rotation"],
  spine: ["flexion", "sideBend", "rotation"],
  head: ["flexion", "sideBend", "rotation"],
  leadArm: ["elevation", "plane", "axial", "elbow", "forearm", "wrist"],
  trailArm: ["elevation", "plane", "axial", "elbow", "forearm", "wrist"],
} as const;
export type KeyGroup = keyof typeof KEY_GROUPS;
export const KEY_NUMBERS = ["weight", "sink", "press"] as const;
export type KeyNumber = (typeof KEY_NUMBERS)[number];

const GROUP_RANGES = {
  pelvis: { tilt: "pelvisTilt", list: "pelvisList", rotation: "pelvisRotation" },
  spine: { flexion: "spineFlexion", sideBend: "spineSideBend", rotation: "spineRotation" },
  head: { flexion: "headFlexion", sideBend: "headSideBend", rotation: "headRotation" },
} as const;
const ARM_RANGES = {
  elevation: "shoulderElevation",
  plane: "shoulderPlane",
  axial: "axial",
  elbow: "elbow",
  forearm: "forearm",
  wrist: "wrist",
} as const;

/** What an angle of a key pose sets: a range of the body model, or the upper arm's own turn. */
export type EditableRange = MidlineRange | SidedRange | "axial";

/** Where an angle of a key pose is in the flat pose, which range it sets and how far it may go. */
export interface EditableAngle {
  readonly group: KeyGroup;
  readonly name: string;
  /** The range of the body model that it sets, or the upper arm's own turn. */
  readonly range: EditableRange;
  readonly slot: number;
  readonly lowest: number;
  readonly highest: number;
}

const boundsOf = (range: EditableRange): RangeBounds => (range === "axial" ? AXIAL_BOUNDS : rangeNamed(range));

function midlineAngles(group: keyof typeof GROUP_RANGES): EditableAngle[] {
  return Object.entries(GROUP_RANGES[group]).map(([name, range]) => {
    const { lowest, highest } = boundsOf(range);
    return { group, name, range, slot: slot(range), lowest, highest };
  });
}

const armAngles = (group: "leadArm" | "trailArm"): EditableAngle[] =>
  KEY_GROUPS[group].map((name) => {
    const range = ARM_RANGES[name];
    const { lowest, highest } = boundsOf(range);
    return { group, name, range, slot: sidedSlot(name, sideOfArm(group)), lowest, highest };
  });

/** The role of a body side while the right leads, and the other way round. */
export const armOf = (side: Side): "leadArm" | "trailArm" => (side === "right" ? "leadArm" : "trailArm");
export const sideOfArm = (arm: "leadArm" | "trailArm"): Side => (arm === "leadArm" ? "right" : "left");

/** Every angle of a key pose that can be typed. */
export const EDITABLE_ANGLES: readonly EditableAngle[] = [
  ...midlineAngles("pelvis"),
  ...midlineAngles("spine"),
  ...midlineAngles("head"),
  ...armAngles("leadArm"),
  ...armAngles("trailArm"),
];

/** An angle kept within what a body can do, in whole degrees. */
export function withinRange(group: KeyGroup, name: string, value: number): number {
  const angle = EDITABLE_ANGLES.find((each) => each.group === group && each.name === name);
  if (!angle) throw new RangeError(`${group} has no ${name}`);
  return Math.round(Math.min(angle.highest, Math.max(angle.lowest, value)));
}

/** The movement with one key pose changed. */
export const withKey = (movement: Movement, index: number, change: (key: MovementKey) => MovementKey): Movement => ({
  ...movement,
  keys: movement.keys.map((key, i) => (i === index ? change(key) : key)),
});

/** States an angle, or some of one part, in one key pose; later keys that do not state it follow. */
export const setAngles = <Group extends KeyGroup>(
  movement: Movement,
  index: number,
  group: Group,
  angles: Partial<Record<(typeof KEY_GROUPS)[Group][number], number>>,
): Movement => withKey(movement, index, (key) => ({ ...key, [group]: { ...key[group], ...angles } }));

/** States weight, sink or pressure in one key pose. */
export const setNumber = (movement: Movement, index: number, name: KeyNumber, value: number): Movement =>
  withKey(movement, index, (key) => ({ ...key, [name]: value }));

/** Lets a hand rest on a part of the body in one key pose; null lets it go. */
export function setAnchor(movement: Movement, index: number, arm: "leadArm" | "trailArm", anchor: Anchor | null): Movement {
  return withKey(movement, index, (key) => {
    const { anchor: _, palm, ...angles } = key[arm] ?? {};
    if (anchor !== null) return { ...key, [arm]: { ...angles, ...(palm && { palm }), anchor } };
    // Stating where the elbow is lets go of what an earlier key rests on.
    const elbow = angles.elbow ?? Math.round(keyPoses(movement)[index]?.[sidedSlot("elbow", sideOfArm(arm))] ?? 0);
    return { ...key, [arm]: { ...angles, elbow } };
  });
}

/** What a hand rests on in one key pose; null where it is free. */
export const anchorAt = (movement: Movement, index: number, arm: "leadArm" | "trailArm"): Anchor | null =>
  keyAnchors(movement)[index]?.[sideOfArm(arm) === "left" ? 0 : 1] ?? null;

/**
 * How the palm of a resting hand lies in one key pose.
 *
 * @param movement that is edited
 * @param index of the key pose
 * @param arm whose hand
 * @returns null where its forearm says so
 */
export const palmAt = (movement: Movement, index: number, arm: "leadArm" | "trailArm"): RestingPalm | null =>
  keyPalms(movement)[index]?.[sideOfArm(arm) === "left" ? 0 : 1] ?? null;

/**
 * Lays the palm of a resting hand on what it rests on or away from it in one key pose; later ones follow.
 *
 * @param movement that is edited
 * @param index of the key pose
 * @param arm whose hand
 * @param palm null takes back what this key pose says
 */
export const setPalm = (movement: Movement, index: number, arm: "leadArm" | "trailArm", palm: RestingPalm | null): Movement =>
  withKey(movement, index, (key) => {
    const { palm: _, ...rest } = key[arm] ?? {};
    return { ...key, [arm]: { ...rest, ...(palm && { palm }) } };
  });

/**
 * Closes a hand in one key pose; later ones follow.
 *
 * @param movement that is edited
 * @param index of the key pose
 * @param arm whose hand
 * @param fist 0 open to 1 a fist
 */
export const setFist = (movement: Movement, index: number, arm: "leadArm" | "trailArm", fist: number): Movement =>
  withKey(movement, index, (key) => ({ ...key, [arm]: { ...key[arm], fist } }));

/** Moves a key pose along the repetition; the first and the last stay where they are, and none passes another. */
export function moveKey(movement: Movement, index: number, at: number): Movement {
  const before = movement.keys[index - 1];
  const after = movement.keys[index + 1];
  if (!before || !after) return movement;
  const place = Math.round(100 * Math.min(after.at - 0.02, Math.max(before.at + 0.02, at))) / 100;
  return withKey(movement, index, (key) => ({ ...key, at: place }));
}

/** Numbers that point at key poses by their place, after one was put in or taken out. */
const shifted = (keys: readonly MovementKey[], from: number, by: 1 | -1): MovementKey[] =>
  keys.map((key) => (key.like !== undefined && key.like >= from ? { ...key, like: key.like + by } : key));

/** The same for the key pose that can be held. */
const holdShifted = ({ holdAt }: Movement, from: number, by: 1 | -1): Pick<Movement, "holdAt"> =>
  holdAt !== undefined && holdAt >= from ? { holdAt: holdAt + by } : {};

/** Puts a key pose halfway to the next one, with the same body as the one before it. The last has no room after it. */
export function addKeyAfter(movement: Movement, index: number): Movement {
  const here = movement.keys[index];
  const next = movement.keys[index + 1];
  if (!here || !next || next.at - here.at < 0.06) return movement;
  const added: MovementKey = { at: Math.round(50 * (here.at + next.at)) / 100, breath: next.breath ?? "in", like: index };
  const keys = shifted(movement.keys, index + 1, 1);
  return {
    ...movement,
    ...holdShifted(movement, index + 1, 1),
    keys: [...keys.slice(0, index + 1), added, ...keys.slice(index + 1)],
  };
}

/** Takes a key pose out; not the first nor the last, nor one that another repeats or that can be held. */
export function removeKey(movement: Movement, index: number): Movement {
  const inner = index > 0 && index < movement.keys.length - 1;
  const repeated = movement.keys.some((key) => key.like === index);
  if (!inner || repeated || movement.holdAt === index) return movement;
  return {
    ...movement,
    ...holdShifted(movement, index + 1, -1),
    keys: shifted(
      movement.keys.filter((_, i) => i !== index),
      index + 1,
      -1,
    ),
  };
}

/** Takes over another, earlier key pose's body. */
export const copyPose = (movement: Movement, from: number, to: number): Movement =>
  from >= to
    ? movement
    : withKey(movement, to, ({ at, breath, say }) => ({ at, ...(breath && { breath }), ...(say && { say }), like: from }));

const negated = <Part extends object>(part: Part | undefined, names: readonly (keyof Part)[]): Part | undefined =>
  part &&
  (Object.fromEntries(
    Object.entries(part).map(([name, value]) => [name, names.includes(name as keyof Part) ? -(value as number) : value]),
  ) as Part);

/** The key pose's mirror image: lead and trail change places, turns and bends go to the other side. */
export function mirrorKey(movement: Movement, index: number): Movement {
  return withKey(movement, index, (key) => {
    const { leadArm, trailArm, leadFoot, trailFoot, pelvis, spine, head, weight, lift, ...rest } = key;
    const other = { lead: "trail", trail: "lead" } as const;
    const mirrored = {
      leadArm: trailArm,
      trailArm: leadArm,
      leadFoot: trailFoot,
      trailFoot: leadFoot,
      pelvis: negated(pelvis, ["list", "rotation"]),
      spine: negated(spine, ["sideBend", "rotation"]),
      head: negated(head, ["sideBend", "rotation"]),
      weight: weight === undefined ? undefined : 1 - weight,
      lift: lift ? { ...lift, foot: other[lift.foot] } : lift,
    };
    return { ...rest, ...Object.fromEntries(Object.entries(mirrored).filter(([, value]) => value !== undefined)) };
  });
}

/** An id for an organisation's own movement from its name: small letters, digits and hyphens. */
export const idFromName = (name: string): string =>
  name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 50) || "movement";
