import { type Build, carriedArmOf } from "../body/build.ts";
import { type SidedSlot, sidedSlot } from "../body/pose.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { otherSide, type Side } from "../side.ts";
import { ARM_ANGLES, type AuthoredKey, LEAD, ownSide } from "./authored-keys.ts";
import type { Movement } from "./format.ts";
import type { VariantSpec } from "./variant.ts";

/**
 * An arm that does not move of itself, carried by the other hand: from under the forearm near the elbow, so that nothing
 * pulls on wrist or hand. Our own way of it; who may do it and how far is for their physiotherapist to say.
 */

/** A carried arm is lifted no further than this, degrees from hanging: a shoulder that does not hold itself is easily hurt above. */
export const CARRIED_UP_TO = 90;
/** Hands whose arms differ by no more than this move together, degrees. */
const TOGETHER = 10;
/** The palm of the hand that carries looks up, degrees of its forearm. */
const PALM_UP = -70;

/** An arm is moved where its shoulder or elbow goes through more than this, degrees. */
const MOVED = 10;
const CARRIED_JOINTS = ["elevation", "plane", "elbow"] as const;

const at = ({ values }: AuthoredKey, name: SidedSlot, side: Side): number => numberAt(values, sidedSlot(name, side));

/** Whether both arms do the same all along, so that one hand can go along with the other arm. */
const handsMoveTogether = (keys: readonly AuthoredKey[]): boolean =>
  keys.every((key) => ARM_ANGLES.every((name) => Math.abs(at(key, name, "left") - at(key, name, "right")) <= TOGETHER));

/** Whether the arms go anywhere: nothing is carried that would hang still. */
const armsMove = (keys: readonly AuthoredKey[]): boolean =>
  CARRIED_JOINTS.some((name) => {
    const all = keys.map((key) => at(key, name, LEAD));
    return Math.max(...all) - Math.min(...all) > MOVED;
  });

/** Whether a hand rests on the body somewhere: a hand without strength is not led there. */
const touchesBody = (keys: readonly AuthoredKey[]): boolean =>
  keys.some(({ anchors }) => anchors.some((anchor) => anchor !== null));

/** What a movement is for where the hands themselves do the work: a hand that carries cannot, one without strength neither. */
const FOR_HANDS = "hands and wrists";

/**
 * Whether a variant leaves a hand to carry the other arm with: nothing is held, both arms move, and it is on land.
 *
 * @param choice the variant
 */
export const leavesHandToCarry = ({ hold, arms, kind }: Pick<VariantSpec, "hold" | "arms" | "kind">): boolean =>
  hold === null && arms === "both" && kind !== "water";

/**
 * Whether a variant may carry an arm at all: nothing is held, it is on land, this body has that arm and a hand to carry it, both
 * arms move alike, neither hand rests on the body and the movement is not for the hands. Whether the hand gets there all along
 * shows when it is solved.
 *
 * @param movement that is done
 * @param keys of the variant, before sizes
 * @param choice the variant, with the arm that is to be carried
 * @param build whose body does it
 */
export const mayCarry = (
  { purpose }: Pick<Movement, "purpose">,
  keys: readonly AuthoredKey[],
  choice: VariantSpec,
  build: Build,
): boolean =>
  leavesHandToCarry(choice) &&
  carriedArmOf(build) === choice.carried &&
  !purpose.includes(FOR_HANDS) &&
  handsMoveTogether(keys) &&
  armsMove(keys) &&
  !touchesBody(keys);

/** What a hand without strength keeps as it was at first. */
const PASSIVE = ["forearm", "wrist"] as const;

/**
 * Lowers a carried arm to where it may go, its hand at rest, and turns up the palm that carries it.
 *
 * @param keys whose values it writes
 * @param carried the person's arm that is carried
 * @param lead the person's side that leads
 */
export function carryArm(keys: readonly AuthoredKey[], carried: Side, lead: Side): void {
  const first = itemAt(keys, 0);
  // Which side is whose is the same both ways.
  const arm = ownSide(carried, lead);
  const other = otherSide(arm);
  for (const key of keys) {
    key.values[sidedSlot("elevation", arm)] = Math.min(CARRIED_UP_TO, at(key, "elevation", arm));
    for (const name of PASSIVE) key.values[sidedSlot(name, arm)] = at(first, name, arm);
    key.values[sidedSlot("fist", arm)] = 0;
    key.values[sidedSlot("forearm", other)] = PALM_UP;
    key.values[sidedSlot("fist", other)] = 0;
  }
}
