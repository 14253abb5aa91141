import { sidedSlot } from "../body/pose.ts";
import { keyPoses, LEAD, TRAIL } from "./authored-keys.ts";
import { addKeyAfter, setNumber, withKey } from "./edit.ts";
import type { Movement, MovementKey } from "./format.ts";

export type Lift = NonNullable<MovementKey["lift"]>;
export const LIFT_ANGLES = [
  { name: "hipFlexion", range: "hipFlexion" },
  { name: "hipAbduction", range: "hipAbduction" },
  { name: "hipRotation", range: "hipRotation" },
  { name: "knee", range: "knee" },
  { name: "ankle", range: "dorsiflexion" },
] as const;

/** A foot on its way up: the thigh a little forward, the knee bent. */
const FIRST_LIFT = { hipFlexion: 30, hipAbduction: 0, knee: 55, ankle: 0 } as const;

const FOOT_PLACE = ["footX", "footZ"] as const;

/** What each key pose says of a foot off the floor, with what it carries on from earlier ones. */
export function liftsOf({ keys }: Pick<Movement, "keys">): readonly (Lift | null)[] {
  const lifts: (Lift | null)[] = [];
  for (const key of keys) {
    const before = lifts[key.like ?? lifts.length - 1] ?? null;
    lifts.push(key.lift === undefined ? before : key.lift);
  }
  return lifts;
}

/**
 * Lifts a foot in one key pose, or changes how it is lifted. The weight goes to the other foot one key pose before and
 * stays there one after; where those are the ends of the repetition, key poses are put in for it, since the ends must
 * meet.
 *
 * @returns the movement, and the number that the key pose has now
 */
export function liftFoot(
  movement: Movement,
  index: number,
  lift: Partial<Lift> & Pick<Lift, "foot">,
): { movement: Movement; index: number } {
  const last = movement.keys.length - 1;
  if (index <= 0 || index >= last) return { movement, index };
  const now = liftsOf(movement)[index] ?? null;
  if (now?.foot === lift.foot)
    return { movement: withKey(movement, index, (key) => ({ ...key, lift: { ...now, ...lift } })), index };
  let changed = movement;
  let at = index;
  if (at === 1) {
    const wider = addKeyAfter(changed, 0);
    if (wider === changed) return { movement, index };
    changed = wider;
    at += 1;
  }
  if (at + 1 === changed.keys.length - 1) {
    const wider = addKeyAfter(changed, at);
    if (wider === changed) return { movement, index };
    changed = wider;
  }
  const weight = lift.foot === "lead" ? 0 : 1;
  for (const number of [at - 1, at, at + 1]) changed = setNumber(changed, number, "weight", weight);
  changed = withKey(changed, at, (key) => ({ ...key, lift: { ...FIRST_LIFT, ...lift } }));
  // What comes after puts it down again, unless it says something of its own.
  changed = withKey(changed, at + 1, (key) => ({ ...key, lift: key.lift ?? null }));
  return { movement: changed, index: at };
}

/** Sets both feet down in one key pose. */
export const setFeetDown = (movement: Movement, index: number): Movement =>
  withKey(movement, index, (key) => ({ ...key, lift: null }));

/**
 * Turns a foot in one key pose, out from its place in the stance.
 *
 * @param movement that is edited
 * @param index of the key pose
 * @param foot which
 * @param degrees outward positive
 */
export const turnFoot = (movement: Movement, index: number, foot: "leadFoot" | "trailFoot", degrees: number): Movement =>
  withKey(movement, index, (key) => ({ ...key, [foot]: { ...key[foot], turn: degrees } }));

/** Lifts heel or toes of a foot that stays on the floor, degrees: heel up positive, toes up negative. */
export const pitchFoot = (movement: Movement, index: number, foot: "leadFoot" | "trailFoot", degrees: number): Movement =>
  withKey(movement, index, (key) => {
    const { heel: _, toes: __, ...place } = key[foot] ?? {};
    return { ...key, [foot]: { ...place, ...(degrees < 0 ? { toes: -degrees } : { heel: degrees }) } };
  });

/**
 * Puts a foot elsewhere in one key pose, from its place in the stance. The way there is a step: the other foot carries the weight
 * before it and after; where those are the ends of the repetition, a key pose is put in for it, since the ends must meet. Later key
 * poses that do not say otherwise leave the foot there. Where the last one has both feet further on alike, the repetition walks on.
 *
 * @param movement that is edited
 * @param index of the key pose, not the first: that stands in the stance
 * @param foot which
 * @param place how far, shares of stature: ahead, and outward to its own side
 * @returns the movement, and the number that the key pose has now
 */
export function placeFoot(
  movement: Movement,
  index: number,
  foot: "leadFoot" | "trailFoot",
  place: { readonly ahead?: number; readonly outward?: number },
): { movement: Movement; index: number } {
  if (index <= 0) return { movement, index };
  const put = (into: Movement, number: number): Movement =>
    withKey(into, number, (key) => ({ ...key, [foot]: { ...key[foot], ...place } }));
  if (!stepsTo(put(movement, index), index, foot)) return { movement: put(movement, index), index };
  const ends = index === movement.keys.length - 1;
  // The end is reached with the weight where it began: the step comes before it.
  const wider = ends ? addKeyAfter(movement, index - 1) : movement;
  const closes = wider !== movement;
  // A step away from the start, and one after a step of the other foot, need the weight on the other foot first.
  const shifts = index === 1 || stepsTo(wider, index - 1, foot === "leadFoot" ? "trailFoot" : "leadFoot");
  const shifted = shifts ? addKeyAfter(wider, index - 1) : wider;
  const at = shifted === wider ? index : index + 1;
  const weight = foot === "leadFoot" ? 0 : 1;
  const stepped = [at - 1, at].reduce((changed, number) => setNumber(changed, number, "weight", weight), put(shifted, at));
  return { movement: closes ? put(stepped, at + 1) : stepped, index: at };
}

function stepsTo(movement: Movement, index: number, foot: "leadFoot" | "trailFoot"): boolean {
  if (index <= 0) return false;
  const side = foot === "leadFoot" ? LEAD : TRAIL;
  const [before, here] = [keyPoses(movement)[index - 1], keyPoses(movement)[index]];
  return FOOT_PLACE.some((name) => before?.[sidedSlot(name, side)] !== here?.[sidedSlot(name, side)]);
}
