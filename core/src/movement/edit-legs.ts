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
