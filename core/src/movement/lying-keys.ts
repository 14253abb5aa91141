import { sidedSlot, slot } from "../body/pose.ts";
import { seatNamed } from "../body/seats.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES, type Side } from "../side.ts";
import type { AuthoredKey } from "./authored-keys.ts";

/**
 * In bed with the back raised the legs lie along the mattress, straight and level, and the hips stay where they are. A
 * movement's legs become what lying legs can do: a foot that would rise on its ball or heel bends at the ankle, a leg that
 * would lift lifts from the mattress.
 */

const LEVEL = 90;
const STANDING_SLOTS = ["footX", "footZ", "toeOut", "heelLift", "footUp"] as const;

/** What moves in bed: all but where feet would stand and what they would carry. */
const IGNORED: ReadonlySet<number> = new Set([
  slot("weightLeft"),
  slot("press"),
  slot("sink"),
  ...SIDES.flatMap((side) => STANDING_SLOTS.map((name) => sidedSlot(name, side))),
]);

/**
 * Whether anything moves from key to key.
 *
 * @param lying whether to leave out what only standing feet show
 */
export const keysMove = (keys: readonly AuthoredKey[], lying: boolean): boolean =>
  keys.some(({ values, anchors, lift }) => {
    const first = keys[0];
    if (!first) return false;
    const other = values.some((value, i) => !(lying && IGNORED.has(i)) && Math.abs(value - numberAt(first.values, i)) > 1e-9);
    return other || anchors.some((anchor, i) => anchor !== first.anchors[i]) || (!lying && lift !== first.lift);
  });

/** Height that the sole of a foot on the floor turns up or down by, as the ankle of a lying leg. Degrees. */
const ankleOf = (key: AuthoredKey, side: Side): number =>
  key.lift === side ? numberAt(key.values, sidedSlot("legAnkle", side)) : -numberAt(key.values, sidedSlot("heelLift", side));

/**
 * Lays the legs of every key along the bed.
 *
 * @param keys of a seated variant, at the size in which they are done; changed in place
 * @param footless sides of legs without a foot
 */
export function lieDown(keys: readonly AuthoredKey[], footless: readonly Side[]): void {
  const lean = seatNamed("bed").back?.lean ?? 0;
  for (const key of keys) {
    const { values, lift } = key;
    values[slot("pelvisList")] = 0;
    values[slot("pelvisRotation")] = 0;
    // The pelvis leans back with the bed: a thigh is level at so much less than a right angle to it.
    const level = LEVEL - lean + numberAt(values, slot("pelvisTilt"));
    for (const side of SIDES) {
      const lifted = lift === side;
      const set = (name: Parameters<typeof sidedSlot>[0], value: number) => {
        values[sidedSlot(name, side)] = value;
      };
      set("legAnkle", footless.includes(side) ? 0 : ankleOf(key, side));
      set("legFlexion", level + (lifted ? numberAt(values, sidedSlot("legFlexion", side)) : 0));
      if (lifted) continue;
      set("legKnee", 0);
      set("legAbduction", 0);
      set("legRotation", 0);
    }
  }
}
