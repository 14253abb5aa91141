import { type Build, legTakesPart } from "../body/build.ts";
import { type SidedSlot, sidedSlot, slot } from "../body/pose.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { pairOf, SIDES, type Side, sideIndex } from "../side.ts";
import { ARM_SLOTS, type AuthoredKey, FOOT_SLOTS, LEG_SLOTS, ownSide } from "./authored-keys.ts";
import { turnsBetween } from "./turned-feet.ts";
import { FULL_SIZE, type VariantSpec } from "./variant.ts";

export const TRUNK_SLOTS = [
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
export const stepsBetween = (a: AuthoredKey, b: AuthoredKey, side: Side): boolean =>
  (["footX", "footZ"] as const).some(
    (name) => Math.abs(numberAt(a.values, sidedSlot(name, side)) - numberAt(b.values, sidedSlot(name, side))) > 1e-9,
  );
export const STANCE_SLOTS = ["sink", "press"] as const;
export const TRUNK_INDEXES = TRUNK_SLOTS.map(slot);
export const STANCE_INDEXES = STANCE_SLOTS.map(slot);
export const indexesOf = (names: readonly SidedSlot[], side: Side): readonly number[] =>
  names.map((name) => sidedSlot(name, side));
export const ARM_INDEXES = pairOf((side) => indexesOf(ARM_SLOTS, side));
export const FOOT_INDEXES = pairOf((side) => indexesOf(FOOT_SLOTS, side));
export const LEG_INDEXES = pairOf((side) => indexesOf(LEG_SLOTS, side));
export const WEIGHT = slot("weightLeft");

/** key 0 + size . (key - key 0), group by group. Weight stays whole where a foot lifts: it must be all on the other. */
export function resize(keys: readonly AuthoredKey[], lead: Side, choice: VariantSpec): void {
  const first = itemAt(keys, 0).values.slice();
  const scale = (values: Float64Array, indexes: readonly number[], eighths: number) => {
    if (eighths === FULL_SIZE) return;
    for (const index of indexes) {
      const start = numberAt(first, index);
      values[index] = start + (eighths / FULL_SIZE) * (numberAt(values, index) - start);
    }
  };
  const { trunk, legs } = choice.sizes;
  const lifts = keys.some((key) => key.lift !== null);
  // A foot that turns carries little: its weight stays on the other whatever the size.
  const steps = SIDES.some((side) =>
    keys.some((key) => stepsBetween(itemAt(keys, 0), key, side) || turnsBetween(itemAt(keys, 0), key, side)),
  );
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
      if (lifted[i]) for (const index of LEG_INDEXES[i]) values[index] = (numberAt(values, index) * legs) / FULL_SIZE;
    }
  }
}

/** Legs that stand still under the rest: even, upright and with both feet where the stance has them. */
export function standStill(keys: readonly AuthoredKey[]): AuthoredKey[] {
  for (const { values } of keys) {
    values[WEIGHT] = 0.5;
    values[slot("sink")] = 0;
    values[slot("press")] = 0;
  }
  return keys.map((key) => ({ ...key, lift: null }));
}

/** A leg that does not move of itself stays where it is in the first key pose, and never leaves the floor. */
export function withoutStillLegs(key: AuthoredKey, first: AuthoredKey, lead: Side, build: Build): AuthoredKey {
  const still = SIDES.filter((side) => !legTakesPart(build, ownSide(side, lead)));
  if (still.length === 0) return key;
  const values = key.values.slice();
  for (const side of still)
    for (const name of FOOT_SLOTS) values[sidedSlot(name, side)] = numberAt(first.values, sidedSlot(name, side));
  return { ...key, values, lift: key.lift !== null && still.includes(key.lift) ? null : key.lift };
}
