import { type SidedSlot, sidedSlot, slot } from "../body/pose.ts";
import { leanOf } from "../body/seats.ts";
import { tiltArm } from "../body/tilt-arm.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import type { AuthoredKey } from "./authored-keys.ts";
import { stepsBetween } from "./resize-keys.ts";

/**
 * In bed with the back raised the legs lie along the mattress, straight and level, and the hips stay where they are. A
 * movement's legs become what lying legs can do: a foot that would rise on its ball or heel bends at the ankle, a leg that
 * would lift lifts from the mattress. Arms go where they go in space on a chair: who reaches ahead reaches level, not up.
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

/** Whether anything moves from key to key. @param lying whether to leave out what only standing feet show */
const keysMove = (keys: readonly AuthoredKey[], lying: boolean): boolean =>
  keys.some(({ values, anchors, lift }) => {
    const first = keys[0];
    if (!first) return false;
    const other = values.some((value, i) => !(lying && IGNORED.has(i)) && Math.abs(value - numberAt(first.values, i)) > 1e-9);
    return other || anchors.some((anchor, i) => anchor !== first.anchors[i]) || (!lying && lift !== first.lift);
  });

/** Whether a foot slides or steps to another place on the floor. */
const feetTravel = (keys: readonly AuthoredKey[]): boolean =>
  keys.some((key) => keys[0] && SIDES.some((side) => stepsBetween(keys[0] as AuthoredKey, key, side)));

/** Height that the sole of a foot on the floor turns up or down by, as the ankle of a lying leg. Degrees. */
const ankleOf = (key: AuthoredKey, side: Side): number =>
  key.lift === side ? numberAt(key.values, sidedSlot("legAnkle", side)) : -numberAt(key.values, sidedSlot("heelLift", side));

/** From this elevation on an arm keeps its direction in space; hanging, it lies along the trunk. Degrees: the lean of the bed. */
const RAISED = leanOf("bed");

/** Lets a free arm go where it would go from an upright trunk, the more the further it is raised. */
function keepArmInSpace(values: Float64Array, side: Side, lean: number): void {
  const at = (name: SidedSlot) => numberAt(values, sidedSlot(name, side));
  const elevation = at("elevation");
  const share = Math.min(1, Math.max(0, elevation / RAISED));
  if (share === 0) return;
  const tilted = tiltArm({ elevation, plane: at("plane"), axial: at("axial") }, share * lean);
  for (const name of ["elevation", "plane", "axial"] as const) values[sidedSlot(name, side)] = tilted[name];
}

/**
 * Lays the legs of every key along the bed.
 *
 * @param keys of a seated variant, at the size in which they are done; changed in place
 * @param footless sides of legs without a foot
 * @returns whether there is anything to do in bed: not where feet go from place to place, or where nothing else would move
 */
export function lieDown(keys: readonly AuthoredKey[], footless: readonly Side[]): boolean {
  if (feetTravel(keys)) return false;
  const moved = keysMove(keys, false);
  const lean = leanOf("bed");
  for (const key of keys) {
    const { values, lift } = key;
    values[slot("pelvisList")] = 0;
    values[slot("pelvisRotation")] = 0;
    // The pelvis leans back with the bed: a thigh is level at so much less than a right angle to it.
    const level = LEVEL - lean + numberAt(values, slot("pelvisTilt"));
    for (const side of SIDES) {
      if (key.anchors[sideIndex(side)] === null) keepArmInSpace(values, side, lean);
      const lifted = lift === side;
      const set = (name: SidedSlot, value: number) => {
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
  return !moved || keysMove(keys, true);
}
