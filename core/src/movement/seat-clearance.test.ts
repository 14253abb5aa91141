import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { angle } from "../body/any-pose.fixture.ts";
import { neutralPose, type Pose, type Seating, STANDING_FRAME, sidedSlot, slot } from "../body/pose.ts";
import type { SeatName, SeatPosition } from "../body/seats.ts";
import { SHARE } from "../body/segments.ts";
import { solvePose } from "../body/solve.ts";
import { SIDES } from "../side.ts";
import { depthInSeat, SEAT_GIVES } from "./seat-clearance.ts";

type Seated = Extract<Seating, { kind: "seated" }>;

/** Sitting upright with the feet flat and the hands in front of the chest. */
function sitting(seat: SeatName, position: SeatPosition): Pose & { readonly seating: Seated } {
  const seating: Seated = { kind: "seated", seat, seatHeight: 0.25, position, backSupported: position === "back" };
  const pose = neutralPose({ ...STANDING_FRAME, seating });
  for (const side of SIDES) {
    pose.values[sidedSlot("footX", side)] = SHARE.thigh;
    pose.values[sidedSlot("footZ", side)] = side === "left" ? -0.06 : 0.06;
    pose.values[sidedSlot("elevation", side)] = 60;
    pose.values[sidedSlot("plane", side)] = 90;
  }
  return { ...pose, seating };
}

/** How far a body goes into its seat, its pose changed. */
function depth(seat: SeatName, position: SeatPosition, change: (values: Float64Array) => void = () => undefined): number {
  const pose = sitting(seat, position);
  change(pose.values);
  return depthInSeat(solvePose(pose).row, pose.seating);
}
const fits = (...asked: Parameters<typeof depth>): boolean => depth(...asked) <= SEAT_GIVES;

const turned = (degrees: number) => (values: Float64Array) => {
  values[slot("spineRotation")] = degrees;
};
const leaning = (degrees: number) => (values: Float64Array) => {
  values[slot("pelvisTilt")] = degrees;
};
const both = (angles: Partial<Record<"elevation" | "plane" | "elbow", number>>) => (values: Float64Array) => {
  for (const side of SIDES)
    for (const [name, value] of Object.entries(angles)) values[sidedSlot(name as "elevation", side)] = value;
};

describe("what a seat leaves room for", () => {
  test("upright with the hands in front there is room on every seat", () => {
    for (const seat of ["chair", "armchair", "bench", "lowWall", "sofa", "bedEdge"] as const)
      for (const position of ["middle", "front"] as const) expect(fits(seat, position), seat).toBe(true);
    for (const seat of ["chair", "armchair", "sofa"] as const) expect(fits(seat, "back"), seat).toBe(true);
  });

  test("with the back supported the trunk turns a little, not far; away from the back it is free", () => {
    expect(fits("chair", "back", turned(10))).toBe(true);
    expect(fits("chair", "back", turned(35))).toBe(false);
    expect(fits("chair", "front", turned(35))).toBe(true);
    // Where there is no back nothing stops a turn.
    expect(fits("bench", "middle", turned(45))).toBe(true);
  });

  test("turning further never makes more room", () => {
    fc.assert(
      fc.property(angle(0, 45), angle(0, 45), (a, b) => {
        const [less, more] = a < b ? [a, b] : [b, a];
        expect(depth("sofa", "back", turned(more))).toBeGreaterThanOrEqual(depth("sofa", "back", turned(less)) - 1e-9);
      }),
    );
  });

  test("a supported back stops leaning back and allows leaning forward", () => {
    expect(fits("chair", "back", leaning(-8))).toBe(false);
    expect(fits("chair", "middle", leaning(-8))).toBe(true);
    expect(fits("bench", "middle", leaning(-15))).toBe(true);
    expect(fits("chair", "back", leaning(20))).toBe(true);
  });

  test("elbows go back beside a chair's back, and not into that of a sofa", () => {
    const rowing = both({ elevation: -45, plane: 90, elbow: 100 });
    expect(fits("chair", "middle", rowing)).toBe(true);
    expect(fits("sofa", "back", rowing)).toBe(false);
  });

  test("a hand that presses down beside the hips finds the floor's air on a chair and wood on a bench", () => {
    const down = both({ elevation: 10, plane: 0 });
    expect(fits("chair", "front", down)).toBe(true);
    expect(fits("bench", "middle", down)).toBe(false);
  });

  test("between the arms of a chair no hand hangs out low", () => {
    const out = both({ elevation: 6, plane: 0 });
    expect(fits("chair", "middle", out)).toBe(true);
    expect(fits("armchair", "middle", out)).toBe(false);
  });

  test("no heel goes back under a seat whose front is closed", () => {
    const back = (values: Float64Array) => {
      values[sidedSlot("footX", "right")] = 0.12;
    };
    expect(fits("chair", "middle", back)).toBe(true);
    expect(fits("sofa", "middle", back)).toBe(false);
  });

  test("how deep is a length: a body one centimetre deeper reads so", () => {
    // A shoulder blade goes straight back with the pelvis of a body that slides: here the back comes nearer instead.
    const nearer = depth("chair", "back") - depth("chair", "middle");
    expect(nearer).toBeCloseTo(0.06, 9);
  });
});
