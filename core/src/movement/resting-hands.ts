import { armTakesPart, type Build, canGrip } from "../body/build.ts";
import { ROW_WIDTH } from "../body/channels.ts";
import {
  type HandContact,
  isLying,
  isOnSupport,
  mirrorPose,
  mirrorValues,
  type PoseFrame,
  type SidedSlot,
  sidedSlot,
} from "../body/pose.ts";
import { isHandSupported, type SupportName, supportNamed } from "../body/supports.ts";
import { itemAt, numberAt, present } from "../checked-access.ts";
import { pairOf, SIDES, type Side, sideIndex } from "../side.ts";
import { type Rest, type RestingHand, restHandsOn } from "./anchors.ts";
import { ARM_ANGLES, type AuthoredKey, LEAD, ownSide } from "./authored-keys.ts";
import { footContacts } from "./foot-contacts.ts";
import { armMoves, FULL_SIZE, type VariantSpec } from "./variant.ts";

/** Where a hand rests that does not move, from the pelvis: low on the belly, under the navel, or on the thigh. */
export const RESTING_HAND = { standing: { x: 0.08, y: 0.06, z: 0.025 }, seated: { x: 0.13, y: 0.064, z: 0.06 } } as const;

/** What of an arm changes where its palm is told how to lie. */
const ARM_AND_FOREARM = [...ARM_ANGLES, "forearm"] as const;

const UNDER_OTHER_FOREARM: Rest = { first: "otherForearm", anchor: "otherForearm", size: 1, palm: null };

/**
 * Lays the hands that rest on the body where they rest, each as far on its way as its size says.
 *
 * @returns for each key what the left and the right hand rest on; null for a hand that is free, or only part of the way there
 */
export function restHands(
  keys: readonly AuthoredKey[],
  lead: Side,
  choice: VariantSpec,
  build: Build,
  frame: PoseFrame,
  footless: readonly Side[],
): readonly (readonly [Rest | null, Rest | null])[] {
  const { carried } = choice;
  if (carried === undefined && keys.every(({ anchors }) => anchors.every((anchor) => anchor === null)))
    return keys.map(() => [null, null]);
  const first = itemAt(keys, 0).values.slice();
  const row = new Float64Array(ROW_WIDTH);
  const rests = keys.map((): [Rest | null, Rest | null] => [null, null]);
  const sizeOf = (side: Side) => (ownSide(side, lead) === "left" ? choice.sizes.armLeft : choice.sizes.armRight) / FULL_SIZE;
  const moves = SIDES.filter((side) => armMoves(choice, ownSide(side, lead)));
  keys.forEach((key, i) => {
    const feet = footContacts(key, key, choice, footless, "heel", isLying(frame.seating));
    const restOf = (side: Side): Rest | null => {
      if (carried !== undefined && ownSide(side, lead) !== carried) return UNDER_OTHER_FOREARM;
      const anchor = key.anchors[sideIndex(side)];
      if (anchor === null || !moves.includes(side)) return null;
      const from = itemAt(keys, 0).anchors[sideIndex(side)];
      const palm = key.palms[sideIndex(side)];
      return i === 0 || from === null
        ? { first: anchor, anchor, size: 1, palm }
        : { first: from, anchor, size: sizeOf(side), palm };
    };
    const here = pairOf(restOf);
    const pose = { frame: { ...frame, feet }, values: key.values };
    const seen = lead === LEAD ? pose : mirrorPose(pose);
    const seenRests = lead === LEAD ? here : ([here[1], here[0]] as const);
    if (here.some((rest) => rest !== null)) {
      const atRest = (rest: Rest | null): RestingHand | null => rest && { start: rest, end: rest };
      restHandsOn(seen, [atRest(seenRests[0]), atRest(seenRests[1])], 0, Number.POSITIVE_INFINITY, row, build);
      key.values.set(lead === LEAD ? seen.values : mirrorValues(seen.values));
    }
    for (const side of moves) {
      const size = sizeOf(side);
      const carries = carried !== undefined && ownSide(side, lead) !== carried;
      const restsFirst = carries || keys[0]?.anchors[sideIndex(side)] !== null;
      const rest = here[sideIndex(side)];
      if (rest !== null && (restsFirst || size === 1)) itemAt(rests, i)[sideIndex(side)] = rest;
      if (i === 0 || size === 1 || (rest === null) !== restsFirst) continue;
      // A free hand that has to go a part of the way to a rest, or from one.
      const lies = (rest === null ? keys[0]?.palms[sideIndex(side)] : rest.palm) !== null;
      for (const name of lies ? ARM_AND_FOREARM : ARM_ANGLES) {
        const index = sidedSlot(name, side);
        const value = numberAt(key.values, index);
        const from = numberAt(first, index);
        key.values[index] =
          rest === null
            ? value + (1 - size) * (present(keys[0]?.values[index], "first key") - from)
            : from + size * (value - from);
      }
    }
  });
  return rests;
}

export function handContacts(lead: Side, choice: VariantSpec, build: Build): readonly [HandContact, HandContact] {
  const hold = (side: Side): HandContact => {
    const own = ownSide(side, lead);
    if (choice.hold !== null && isHandSupported(choice.hold, own))
      return supportNamed(choice.hold.by).carries ? "firm" : "lightTouch";
    // A stump rests nowhere: it follows the movement or hangs.
    if (choice.carried !== undefined) return own === choice.carried ? "free" : "carrying";
    const rests = !armTakesPart(build, own) || (!armMoves(choice, own) && canGrip(build, own));
    return rests ? "onBody" : "free";
  };
  return [hold("left"), hold("right")];
}

/**
 * Puts the hands that rest or hold on where they are.
 *
 * @param values of the pose, written to
 * @param hands what each does
 * @param rest where a hand rests, from the pelvis, shares of stature
 * @param support what is held
 * @param from what the place of a support is measured from, ahead and aside; the arms of a chair from the hips on it
 */
export function setHandContacts(
  values: Float64Array,
  hands: readonly [HandContact, HandContact],
  rest: { x: number; y: number; z: number },
  support: SupportName,
  [from, beside]: readonly [ahead: number, aside: number] = [0, 0],
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
    } else if (isOnSupport(hand)) {
      set("holdX", from + ahead);
      set("holdY", height);
      set("holdZ", s * aside + beside);
    }
  }
}
