import { type Build, hasFoot, lengthIndexes, seatOf } from "../body/build.ts";
import { ROW_WIDTH, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { type FootContact, isLying, type PoseFrame, type Seating, STANDING_FRAME, sidedSlot, slot } from "../body/pose.ts";
import { SHARE } from "../body/segments.ts";
import { solvePoseOffBase } from "../body/solve.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { type Pair, pairOf, SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import { type AuthoredKey, add, ownSide, PELVIS_X } from "./authored-keys.ts";
import type { Anchor } from "./format.ts";

/** Seat at the height of the knee crease: the thighs are level and a person's feet stand flat. */
export const SEAT_HEIGHT = 0.25;
export const SEATED_WIDTH = 0.13;
export const THIGH_LENGTH = lengthIndexes("thigh");
export const SHANK_LENGTH = lengthIndexes("shank");
export const ownLength = ({ lengths }: Build, index: Pair, side: Side): number => numberAt(lengths, index[sideIndex(side)]);

export function setSeatedFeet(values: Float64Array, lead: Side, build: Build): void {
  for (const side of SIDES) {
    add(values, sidedSlot("footX", side), ownLength(build, THIGH_LENGTH, ownSide(side, lead)));
    add(values, sidedSlot("footZ", side), (sideSign(side) * SEATED_WIDTH) / 2);
  }
}

/** What the seat takes over from the legs: no sink; the shift of weight may become a lean. */
export function seat(
  keys: readonly AuthoredKey[],
  becomes: { pelvisTilt?: number | undefined; pelvisList?: number | undefined },
  lead: Side,
  build: Build,
): void {
  const weight = (key: AuthoredKey) => 1 - numberAt(key.values, slot("weightLeft"));
  const first = keys[0] ? weight(keys[0]) : 0.5;
  const largest = Math.max(...keys.map((key) => Math.abs(weight(key) - first)), 1e-9);
  const shifts = keys.map((key) => (weight(key) - first) / largest);
  keys.forEach((key, i) => {
    const shift = itemAt(shifts, i);
    key.values[slot("sink")] = 0;
    key.values[slot("press")] = 0;
    key.values[slot("weightLeft")] = 0.5;
    key.values[slot("pelvisTilt")] = numberAt(key.values, slot("pelvisTilt")) + shift * (becomes.pelvisTilt ?? 0);
    key.values[slot("pelvisList")] = numberAt(key.values, slot("pelvisList")) + shift * (becomes.pelvisList ?? 0);
    setSeatedFeet(key.values, lead, build);
  });
}

/**
 * Seated, a lifted thigh starts from level: flexion counts from there.
 *
 * @param derived whether the keys are those of standing, whose bent knees then hang from the seat
 */
export function seatedLift(keys: readonly AuthoredKey[], derived: boolean): void {
  for (const { values, lift } of keys) {
    if (lift === null) continue;
    const index = sidedSlot("legFlexion", lift);
    values[index] = 90 + numberAt(values, index);
    if (derived) values[sidedSlot("legKnee", lift)] = Math.max(90, numberAt(values, sidedSlot("legKnee", lift)));
  }
}

export const LAP = pairOf((side) => sidedColumn("handOverLap", side));
export const HAND_X = pairOf((side) => sidedPointColumn("handCentre", side));

/** A hand further ahead of the hips than this hangs in front of the knees, share of H. */
export const PAST_THE_KNEES = SHARE.thigh;

/**
 * On a chair a hand that would hang beside the hips goes through the seat, or the arms of the chair: it rests on the thigh. One
 * that would lie on the hip lies on the thigh next to it.
 */
export function handsOffTheSeat(key: AuthoredKey, seating: Seating, footless: readonly Side[], build: Build): AuthoredKey {
  const feet = pairOf((side): FootContact => {
    if (footless.includes(side)) return "absent";
    if (key.lift === side) return "lifted";
    return isLying(seating) ? "lying" : "flat";
  });
  const frame: PoseFrame = { ...STANDING_FRAME, seating, feet };
  const row = new Float64Array(ROW_WIDTH);
  solvePoseOffBase({ frame, values: key.values }, row, build);
  const anchors = pairOf((side): Anchor | null => {
    const i = sideIndex(side);
    const said = key.anchors[i];
    if (said !== null) return said === "hip" ? "upperThigh" : said;
    const ahead = numberAt(row, HAND_X[i]) - numberAt(row, PELVIS_X);
    return numberAt(row, LAP[i]) < 0 && ahead < PAST_THE_KNEES ? "thigh" : null;
  });
  return { ...key, anchors };
}

/** The thigh of a leg without a foot lies on the seat, unless the movement lifts it. */
export function restStumps(keys: readonly AuthoredKey[], footless: readonly Side[]): void {
  for (const { values, lift } of keys)
    for (const side of footless) {
      if (lift === side) continue;
      values[sidedSlot("legFlexion", side)] = 90;
      values[sidedSlot("legKnee", side)] = 90;
    }
}

/** Height of a seat on which the thighs are level and the feet flat, or higher for who needs it, share of H. */
export function seatHeightFor(build: Build): number {
  const shanks = SIDES.filter((side) => hasFoot(build, side)).map((side) => ownLength(build, SHANK_LENGTH, side));
  return (
    SEAT_HEIGHT + (shanks.length > 0 ? Math.max(...shanks) - SHARE.shank : 0) + (build.measured.wheelchair ? 0 : build.seatRaise)
  );
}

/** A chair that suits the body, or what it sits on; a wheelchair supports the back. @param inWater on a chair for the pool */
export function seatFor(build: Build, inWater = false): Extract<Seating, { kind: "seated" }> {
  const seat = seatOf(build);
  const position = seat === "wheelchair" ? "back" : (build.measured.sits?.position ?? "middle");
  const seatHeight = seatHeightFor(build);
  const inPool = inWater ? { inPool: true as const } : {};
  return inWater && seat !== "wheelchair"
    ? { kind: "seated", seat: "chair", seatHeight, position: "middle", backSupported: false, ...inPool }
    : { kind: "seated", seat, seatHeight, position, backSupported: position === "back", ...inPool };
}

/** A trunk that tilts or bends forward by more than this from the back of a seat leaves it, degrees. */
const LEAVES_BACK = { tilt: 5, flexion: 10 } as const;

/**
 * What carries a seated body between two key poses: the back of the seat only while the trunk stays against it. A wheelchair
 * supports throughout.
 *
 * @param seating what the body sits on
 * @param start values of the first key pose
 * @param end values of the next one
 */
export function seatingBetween(seating: Seating, start: Float64Array, end: Float64Array): Seating {
  if (seating.kind !== "seated" || !seating.backSupported || seating.seat === "wheelchair") return seating;
  const leaves = [start, end].some(
    (values) =>
      numberAt(values, slot("pelvisTilt")) > LEAVES_BACK.tilt || numberAt(values, slot("spineFlexion")) > LEAVES_BACK.flexion,
  );
  return leaves ? { ...seating, backSupported: false } : seating;
}
