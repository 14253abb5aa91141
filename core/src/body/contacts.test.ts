import { describe, expect, test } from "vitest";
import { FIRM_HAND_SHARE, RESTING_SHARE } from "./base-of-support.ts";
import { pointColumn, ROW_WIDTH } from "./channels.ts";
import { contactsOf, pressurePoint } from "./contacts.ts";
import { neutralPose, type Pose, type PoseFrame, STANDING_FRAME, sidedSlot, slot } from "./pose.ts";

/** A foot is 0.152 H long and 0.055 H wide, and its heel is a quarter of its length behind the ankle. */
const FOOT = { length: 0.152, breadth: 0.055 };

/** A pose with the left foot's ankle over the origin and the right one's at 0.2, 0.1. */
function poseWith(frame: Partial<PoseFrame> = {}, values: Readonly<Record<string, number>> = {}): Pose {
  const pose = neutralPose();
  pose.values[sidedSlot("footX", "left")] = 0;
  pose.values[sidedSlot("footZ", "left")] = 0;
  pose.values[sidedSlot("footX", "right")] = 0.2;
  pose.values[sidedSlot("footZ", "right")] = 0.1;
  for (const side of ["left", "right"] as const) pose.values[sidedSlot("toeOut", side)] = values["toeOut"] ?? 0;
  pose.values[sidedSlot("heelLift", "left")] = values["heelLift"] ?? 0;
  return { frame: { ...STANDING_FRAME, ...frame }, values: pose.values };
}
const row = (): Float64Array => new Float64Array(ROW_WIDTH);
const rounded = (points: readonly (readonly number[])[]) =>
  points.map((point) => point.map((value) => Math.round(value * 1e9) / 1e9 + 0)).toSorted();

describe("what touches the floor", () => {
  test("a flat foot is a rectangle from the heel to the toes", () => {
    const [left] = contactsOf(poseWith(), row());
    const [back, front, half] = [-0.25 * FOOT.length, 0.75 * FOOT.length, FOOT.breadth / 2];
    expect(rounded(left?.corners ?? [])).toEqual(
      rounded([
        [back, -half],
        [back, half],
        [front, -half],
        [front, half],
      ]),
    );
    expect(left?.share).toBe(1);
  });

  test("a foot turned out by a right angle lies across, to its own side", () => {
    const [left, right] = contactsOf(poseWith({}, { toeOut: 90 }), row());
    const toes = 0.75 * FOOT.length;
    // Right is positive: the left toes point to the left, the right ones to the right of their ankle.
    expect(Math.min(...(left?.corners ?? []).map(([, z]) => z))).toBeCloseTo(-toes, 9);
    expect(Math.max(...(right?.corners ?? []).map(([, z]) => z))).toBeCloseTo(0.1 + toes, 9);
  });

  test("a resting toe is the forefoot alone and carries little", () => {
    const [left] = contactsOf(poseWith({ feet: ["restingToe", "flat"] }), row());
    const ahead = (left?.corners ?? []).map(([x]) => x);
    expect(Math.min(...ahead)).toBeCloseTo(0.48 * FOOT.length, 9);
    expect(Math.max(...ahead)).toBeCloseTo(0.75 * FOOT.length, 9);
    expect(left?.share).toBe(RESTING_SHARE);
  });

  test.each(["lifted", "onItsWay", "absent"] as const)("a foot that is %s touches nothing", (contact) => {
    const [left] = contactsOf(poseWith({ feet: [contact, "flat"] }), row());
    expect(left).toEqual({ corners: [], share: 0 });
  });

  test("a firm hand is a point where it holds on, and one on a seat adds the seat", () => {
    const pose = poseWith({ hands: ["free", "firm"] });
    pose.values[sidedSlot("holdX", "right")] = 0.3;
    pose.values[sidedSlot("holdZ", "right")] = 0.25;
    expect(contactsOf(pose, row())[2]).toEqual({ corners: [[0.3, 0.25]], share: FIRM_HAND_SHARE });
  });

  test("a seat turns with the pelvis and is shorter when someone sits at its front", () => {
    const seated = (atFront: boolean, turn: number): readonly (readonly number[])[] => {
      const pose = poseWith({
        seating: {
          kind: "seated",
          seat: "chair",
          seatHeight: 0.26,
          position: atFront ? "front" : "middle",
        } as PoseFrame["seating"],
      });
      pose.values[slot("pelvisRotation")] = turn;
      const placed = row();
      placed[pointColumn("pelvis")] = 1;
      return contactsOf(pose, placed).at(-1)?.corners ?? [];
    };
    expect(Math.max(...seated(false, 0).map(([x = 0]) => x))).toBeCloseTo(1.18, 9);
    expect(Math.max(...seated(true, 0).map(([x = 0]) => x))).toBeCloseTo(1.1, 9);
    expect(Math.max(...seated(false, 90).map(([, z = 0]) => z))).toBeCloseTo(0.18, 9);
  });
});

describe("where a foot presses", () => {
  const at = (press: number, contact: "flat" | "forefoot" | "heel", heelLift = 0) =>
    pressurePoint(poseWith({}, { heelLift }).values, "left", contact, press)[0] / FOOT.length;

  test("slides along a flat foot from a tenth to 45 % of its length ahead of the ankle", () => {
    expect(at(-1, "flat")).toBeCloseTo(0.1, 9);
    expect(at(0, "flat")).toBeCloseTo(0.25, 9);
    expect(at(1, "flat")).toBeCloseTo(0.45, 9);
    expect(at(0.5, "flat")).toBeCloseTo(0.35, 9);
  });

  test("goes to the ball as the heel rises, all of the way by 8 degrees", () => {
    const ball = (0.48 + 0.75) / 2;
    expect(at(0, "forefoot", 0)).toBeCloseTo(0.25, 9);
    expect(at(0, "forefoot", 4)).toBeCloseTo((0.25 + ball) / 2, 9);
    expect(at(0, "forefoot", 8)).toBeCloseTo(ball, 9);
    expect(at(0, "forefoot", 20)).toBeCloseTo(ball, 9);
  });

  test("goes to the heel as the toes rise", () => {
    expect(at(0, "heel", -8)).toBeCloseTo(0, 9);
  });
});
