import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { numberAt } from "../checked-access.ts";
import { angle } from "./any-pose.fixture.ts";
import { column, handOver, LANDMARKS, sidedColumn } from "./channels.ts";
import { mirrorPose, neutralPose, type Pose, sidedSlot, slot } from "./pose.ts";
import { solvePose } from "./solve.ts";

const SIDES = ["left", "right"] as const;
const RADIAN = Math.PI / 180;

/** Standing upright with both arms raised by an angle in a plane. */
function armsAt(elevation: number, plane: number): Pose {
  const pose = neutralPose();
  for (const side of SIDES) {
    pose.values[sidedSlot("elevation", side)] = elevation;
    pose.values[sidedSlot("plane", side)] = plane;
  }
  return pose;
}

const read = (pose: Pose): Float64Array => solvePose(pose).row;
const shoulderLoad = sidedColumn("shoulderLoad", "right");

describe("the load on a shoulder, as a share of the bare arm straight out", () => {
  test.each([
    [0, 0],
    [30, 0.5],
    [90, 1],
    [150, 0.5],
    [180, 0],
  ])("raised by %d degrees it is %d: the sine of the angle from the vertical", (elevation, load) => {
    expect(read(armsAt(elevation, 0))[shoulderLoad]).toBeCloseTo(load, 9);
    expect(read(armsAt(elevation, 90))[shoulderLoad]).toBeCloseTo(load, 9);
  });

  test("is the same in every plane", () => {
    fc.assert(
      fc.property(angle(0, 180), angle(-30, 120), (elevation, plane) => {
        expect(read(armsAt(elevation, plane))[shoulderLoad]).toBeCloseTo(Math.sin(elevation * RADIAN), 9);
      }),
    );
  });

  test("a bent elbow brings the mass nearer, and the load down", () => {
    const straight = armsAt(90, 90);
    const bent = armsAt(90, 90);
    for (const side of SIDES) bent.values[sidedSlot("elbow", side)] = 90;
    expect(read(bent)[shoulderLoad]).toBeLessThan(numberAt(read(straight), shoulderLoad));
  });
});

describe("where a hand is", () => {
  test("a hand at shoulder height is level with the shoulder and below the eyes", () => {
    const row = read(armsAt(90, 90));
    expect(row[sidedColumn(handOver("shoulder"), "left")]).toBeCloseTo(0, 9);
    // Eyes: .182 - .065 over the shoulder line.
    expect(row[sidedColumn(handOver("eye"), "left")]).toBeCloseTo(-0.117, 9);
    expect(row[sidedColumn(handOver("crown"), "left")]).toBeCloseTo(-0.182, 9);
  });

  test("over each landmark it is less, from the lap to the crown", () => {
    const row = read(armsAt(120, 90));
    const over = LANDMARKS.map((landmark) => numberAt(row, sidedColumn(handOver(landmark), "right")));
    expect(over).toEqual(over.toSorted((a, b) => b - a));
  });

  test("arms forward are a shoulder's breadth apart; to the sides they are wider by both arms", () => {
    expect(read(armsAt(90, 90))[column("handSeparation")]).toBeCloseTo(1, 9);
    // Breadth .259; each arm reaches .186 + .146 + .506 of a hand of .108 from its shoulder.
    expect(read(armsAt(90, 0))[column("handSeparation")]).toBeCloseTo(1 + (2 * (0.186 + 0.146 + 0.506 * 0.108)) / 0.259, 9);
  });

  test("a hand ahead at the height of the eyes is near the line of sight, one behind is not", () => {
    const ahead = numberAt(read(armsAt(105, 90)), sidedColumn("handFromSight", "right"));
    const beside = numberAt(read(armsAt(90, 0)), sidedColumn("handFromSight", "right"));
    expect(ahead).toBeLessThan(25);
    expect(beside).toBeGreaterThan(90);
  });
});

describe("the load on the low back", () => {
  test("upright it is little, and bending forward raises it with the sine of the trunk", () => {
    const upright = numberAt(read(neutralPose()), column("lowBackLoad"));
    const bent = (degrees: number) => {
      const pose = neutralPose();
      pose.values[slot("pelvisTilt")] = degrees;
      return numberAt(read(pose), column("lowBackLoad"));
    };
    expect(upright).toBeLessThan(0.01);
    // The arms hang, so that the trunk and head alone follow the sine.
    expect(bent(30)).toBeGreaterThan(bent(15));
    expect(bent(60)).toBeGreaterThan(bent(30));
  });

  test("arms held forward add to it", () => {
    const held = numberAt(read(armsAt(90, 90)), column("lowBackLoad"));
    const hanging = numberAt(read(neutralPose()), column("lowBackLoad"));
    // The gravity moment of one arm straight out, share of M g H.
    const arm = 0.028 * 0.436 * 0.186 + 0.016 * (0.186 + 0.43 * 0.146) + 0.006 * (0.186 + 0.146 + 0.506 * 0.108);
    expect(held - hanging).toBeCloseTo(2 * arm, 2);
  });
});

test("the mirror image has the readings of the other side", () => {
  const pose = armsAt(70, 40);
  pose.values[sidedSlot("elevation", "left")] = 20;
  pose.values[sidedSlot("elbow", "right")] = 60;
  const row = read(pose);
  const mirrored = read(mirrorPose(pose));
  for (const name of ["shoulderLoad", "kneeLoad", "handFromSight", handOver("chest")] as const)
    expect(mirrored[sidedColumn(name, "left")]).toBeCloseTo(numberAt(row, sidedColumn(name, "right")), 9);
  expect(mirrored[column("handSeparation")]).toBeCloseTo(numberAt(row, column("handSeparation")), 9);
});
