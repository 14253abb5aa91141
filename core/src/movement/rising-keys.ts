import { armAngles } from "../body/arm.ts";
import { type Build, seatOf, seatSuits } from "../body/build.ts";
import { type HandContact, type PoseFrame, type Seating, type SidedSlot, STANDING_FRAME, sidedSlot, slot } from "../body/pose.ts";
import { seatNamed } from "../body/seats.ts";
import { SHARE } from "../body/segments.ts";
import { solvePose } from "../body/solve.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { SIDES } from "../side.ts";
import { type AuthoredKey, add, PELVIS_X } from "./authored-keys.ts";
import { RESTING_HAND, setHandContacts } from "./resting-hands.ts";
import { seatFor, seatHeightFor } from "./seated-keys.ts";
import type { VariantSpec } from "./variant.ts";

/** A chair to rise from is so much higher than one to sit on, share of H: about 8 cm. What has its own height stays as it is. */
export const HIGHER_TO_RISE = 0.05;
export const risingSeat = (build: Build): number =>
  seatHeightFor(build) + (seatSuits(build) ? Math.max(0, HIGHER_TO_RISE - build.seatRaise) : 0);

/** How often hands on the arms of a chair and the place of the feet are found in turn; each time a tenth of the miss is left. */
export const FEET_PASSES = 6;

/**
 * Sets the feet of a movement that leaves the chair: where the weight comes onto them just as the seat lets go. The hips are
 * then over the seat at both ends of that stretch.
 *
 * @param hands what they hold on to then
 */
export function setRisingFeet(keys: readonly AuthoredKey[], hands: readonly [HandContact, HandContact], build: Build): void {
  const seatOff = keys.find((key, i) => key.seat && (keys[i + 1]?.seat === false || keys[i - 1]?.seat === false));
  if (!seatOff) return;
  const seating: Seating = { kind: "standing", rising: { seat: seatOf(build), seatHeight: risingSeat(build), withArms: false } };
  const pose = { frame: { ...STANDING_FRAME, seating, hands, support: "armrests" as const }, values: seatOff.values.slice() };
  pose.values[slot("sink")] = 0;
  let hips = 0;
  for (let pass = 0; pass < FEET_PASSES; pass += 1) {
    setHandContacts(pose.values, hands, RESTING_HAND.seated, "armrests", [hips, 0]);
    hips = numberAt(solvePose(pose, risingSeat(build) + SHARE.hipAboveSeat, undefined, build).row, PELVIS_X);
  }
  for (const { values, seat } of keys) {
    for (const side of SIDES) add(values, sidedSlot("footX", side), -hips);
    if (seat) values[slot("sink")] = 0;
  }
}

/** Knee bend in stance up to which hands on the arms of a chair still press, degrees. */
export const PRESSES_FROM = 40;

/** Whether hands on the arms of a chair are still on them in a key. */
export const reachesArmrests = ({ seat, values }: AuthoredKey): boolean => seat || numberAt(values, slot("sink")) > PRESSES_FROM;

/** Where hands leave the arms of a chair, or come to them, the arms of that key pose are those that hold them. */
export function bendToArmrests(keys: readonly AuthoredKey[], hands: readonly [HandContact, HandContact], build: Build): void {
  for (const [i, { values, seat }] of keys.entries()) {
    const next = [keys[i - 1], keys[i + 1]].some((key) => key && !reachesArmrests(key));
    if (!next || !reachesArmrests(itemAt(keys, i))) continue;
    const seating: Seating = { kind: "standing", rising: { seat: seatOf(build), seatHeight: risingSeat(build), withArms: true } };
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
export function risingSeating(start: AuthoredKey, end: AuthoredKey, choice: VariantSpec, build: Build): Seating {
  if (start.seat && end.seat) {
    const seated = seatFor(build);
    // Where no foot goes back under the seat, whoever rises slides to its front first.
    const position = seatNamed(seated.seat).closed ? "front" : seated.position;
    return { ...seated, position, seatHeight: risingSeat(build) };
  }
  if (!reachesArmrests(start) && !reachesArmrests(end)) return { kind: "standing" };
  return {
    kind: "standing",
    rising: { seat: seatOf(build), seatHeight: risingSeat(build), withArms: choice.hold?.by === "armrests" },
  };
}
