import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY, USUAL_BUILD } from "../body/build.ts";
import { pointColumn, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { HALF_HAND, THIGH_RADIUS } from "../body/flesh.ts";
import { SHARE } from "../body/segments.ts";
import { itemAt, present } from "../checked-access.ts";
import { SIDES, type Side } from "../side.ts";
import { anatomyProblems } from "./anatomy.ts";
import type { Anchor, Movement, MovementKey } from "./format.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { INTERVALS, valueAt } from "./solved-samples.ts";
import { trackOf } from "./track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "./variant.ts";

const breath = load("settling-breath");
const resting = (anchor: Anchor, more: Partial<MovementKey> = {}): Movement => ({
  ...breath,
  keys: [
    { at: 0, arms: { elevation: 10 } },
    { at: 0.5, breath: "out", leadArm: { anchor }, ...more },
    { at: 1, breath: "in", like: 0 },
  ],
});

/** Distance at the second key pose between the middle of a hand and a point of the body, shares of H. */
function apart(movement: Movement, choice: VariantSpec, lead: Side, build = USUAL_BUILD) {
  const samples = sampleTrack(present(trackOf(movement, choice, lead, build), "track"));
  expect(samples.problem).toBeNull();
  const point = (name: Parameters<typeof sidedPointColumn>[0], side: Side) =>
    [0, 1, 2].map((axis) => valueAt(samples, INTERVALS, sidedPointColumn(name, side) + axis));
  return (name: Parameters<typeof sidedPointColumn>[0], side: Side): number => {
    const hand = point("handCentre", lead);
    return Math.hypot(...point(name, side).map((value, axis) => value - itemAt(hand, axis)));
  };
}

/** Where a hand is at the second key pose: ahead of the pelvis and up from the floor; the crown's height. Shares of H. */
function place(movement: Movement, choice: VariantSpec, lead: Side) {
  const samples = sampleTrack(present(trackOf(movement, choice, lead), "track"));
  expect(samples.problem).toBeNull();
  const read = (column: number, axis: number) => valueAt(samples, INTERVALS, column + axis);
  const hand = sidedPointColumn("handCentre", lead);
  return {
    ahead: read(hand, 0) - read(pointColumn("pelvis"), 0),
    up: read(hand, 1),
    crown: read(pointColumn("head"), 1) + 0.065,
  };
}

/** The middle of a hand on a knee: a little before the joint, over flesh and half a hand. */
const ON_KNEE = Math.hypot(
  0.08 * SHARE.thigh,
  THIGH_RADIUS.middle + 0.84 * (THIGH_RADIUS.knee - THIGH_RADIUS.middle) + HALF_HAND,
);

const other = (side: Side): Side => (side === "left" ? "right" : "left");

describe.each(SIDES)("a hand rests, the %s side leading", (lead) => {
  test("on the knee of a chair, its own or the other one", () => {
    expect(apart(resting("knee"), FULL_SEATED_VARIANT, lead)("kneeJoint", lead)).toBeCloseTo(ON_KNEE, 3);
    expect(apart(resting("otherKnee"), FULL_SEATED_VARIANT, lead)("kneeJoint", other(lead))).toBeCloseTo(ON_KNEE, 3);
  });

  test("on the hip while standing, and in the other hand", () => {
    expect(apart(resting("hip"), FULL_STANDING_VARIANT, lead)("hip", lead)).toBeLessThan(0.085);
    const meeting = resting("otherHand", { trailArm: { elevation: 40, plane: 90, elbow: 90, axial: 20 } });
    expect(apart(meeting, FULL_STANDING_VARIANT, lead)("handCentre", other(lead))).toBeLessThan(0.01);
  });

  test("on the low back, the chest and the side of the head, on the other wrist", () => {
    for (const choice of [FULL_STANDING_VARIANT, FULL_SEATED_VARIANT]) {
      expect(place(resting("lowBack"), choice, lead).ahead).toBeLessThan(-0.06);
      expect(place(resting("chest"), choice, lead).ahead).toBeGreaterThan(0.06);
      expect(place(resting("head"), choice, lead).up).toBeGreaterThan(0.85 * place(resting("head"), choice, lead).crown);
      const meeting = resting("otherWrist", { trailArm: { elevation: 40, plane: 90, elbow: 90, axial: 20 } });
      expect(apart(meeting, choice, lead)("wristJoint", other(lead))).toBeLessThan(0.01);
    }
  });

  test("without a shoulder turning further than a shoulder does", () => {
    const hanging = { elevation: 12, plane: 20, elbow: 12, axial: 60 };
    for (const anchor of ["lowBack", "chest", "head", "otherWrist"] as const) {
      const { keys, ...rest } = resting(anchor);
      // A hand comes to the head past the face.
      const past: MovementKey[] =
        anchor === "head" ? [{ at: 0.3, breath: "in", leadArm: { elevation: 60, plane: 75, elbow: 120, axial: 20 } }] : [];
      const [, there, back] = keys;
      const movement: Movement = {
        ...rest,
        keys: [
          { at: 0, arms: hanging },
          ...past,
          { ...there, at: 0.5 },
          ...past.map((key) => ({ ...key, at: 0.7 })),
          { ...back, at: 1 },
        ],
      };
      const samples = sampleTrack(present(trackOf(movement, FULL_STANDING_VARIANT, lead), "track"));
      expect(anatomyProblems(samples), anchor).toEqual([]);
    }
  });

  test("with a longer arm too", () => {
    const build = buildOf({ ...USUAL_BODY, armLength: lead === "left" ? [0.8, null] : [null, 0.8] }, 1.65);
    expect(apart(resting("knee"), FULL_SEATED_VARIANT, lead, build)("kneeJoint", lead)).toBeCloseTo(ON_KNEE, 3);
  });
});

test("a smaller size goes part of the way there, and a key that moves the arm lets go", () => {
  const elbow = (movement: Movement, choice: VariantSpec, segment: number) =>
    valueAt(
      sampleTrack(present(trackOf(movement, choice, "right"), "track")),
      segment * (INTERVALS + 1) + INTERVALS,
      sidedColumn("elbow", "right"),
    );
  const whole = elbow(resting("belly"), FULL_STANDING_VARIANT, 0);
  const half = elbow(resting("belly"), { ...FULL_STANDING_VARIANT, sizes: { armLeft: 8, armRight: 4, trunk: 8, legs: 8 } }, 0);
  expect(half).toBeCloseTo(whole / 2, 6);
  const letGo: Movement = {
    ...breath,
    keys: [
      { at: 0, arms: { anchor: "belly" } },
      { at: 0.5, breath: "out", leadArm: { elbow: 20 } },
      { at: 1, breath: "in", like: 0 },
    ],
  };
  expect(elbow(letGo, FULL_STANDING_VARIANT, 0)).toBeCloseTo(20, 6);
});

/** Distance of the middle of a hand from the line between hip and knee of its side, at every sample, shares of H. */
function fromThigh(choice: VariantSpec, lead: Side): number[] {
  const samples = sampleTrack(present(trackOf(load("tap-down-the-legs"), choice, lead), "track"));
  return Array.from({ length: samples.count }, (_, sample) => {
    const at = (name: Parameters<typeof sidedPointColumn>[0]) =>
      [0, 1, 2].map((axis) => valueAt(samples, sample, sidedPointColumn(name, lead) + axis));
    const [hip, knee, hand] = [at("hip"), at("kneeJoint"), at("handCentre")] as [number[], number[], number[]];
    const along = knee.map((value, i) => value - itemAt(hip, i));
    const to = hand.map((value, i) => value - itemAt(hip, i));
    const square = along.reduce((sum, value) => sum + value * value, 0);
    const share = Math.min(1, Math.max(0, to.reduce((sum, value, i) => sum + value * itemAt(along, i), 0) / square));
    return Math.hypot(...to.map((value, i) => value - share * itemAt(along, i)));
  });
}

test.each([
  ["standing", FULL_STANDING_VARIANT, 0.085],
  ["on a chair", FULL_SEATED_VARIANT, 0.068],
  ["standing, at half size", { ...FULL_STANDING_VARIANT, sizes: { armLeft: 4, armRight: 4, trunk: 8, legs: 8 } }, 0.085],
] as const)("a hand that goes from one rest to the next stays on the leg all the way, %s", (_, choice, most) => {
  for (const lead of SIDES) {
    expect(Math.max(...fromThigh(choice, lead))).toBeLessThan(most);
    // On the flesh, not in it.
    expect(Math.min(...fromThigh(choice, lead))).toBeGreaterThan(THIGH_RADIUS.knee + HALF_HAND - 0.002);
  }
});
