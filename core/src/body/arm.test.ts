import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { SIDES, type Side } from "../side.ts";
import { type ArmAngles, armAngles, placeArm } from "./arm.ts";
import { USUAL_BUILD } from "./build.ts";
import { ROW_WIDTH, sidedPointColumn } from "./channels.ts";

/** Lengths of an upper arm, a forearm and a hand, shares of stature: Drillis and Contini. */
const UPPER = 0.186;
const FOREARM = 0.146;
const HAND = 0.108;
/** Masses of the same, shares of body mass: Winter's table after Dempster. */
const MASSES = 0.028 + 0.016 + 0.006;

const UPRIGHT = Float64Array.from([1, 0, 0, 0, 1, 0, 0, 0, 1]);
const HANGING: ArmAngles = { elevation: 0, plane: 0, axial: 0, elbow: 0, forearm: 0, wrist: 0 };

/** An arm from a shoulder at the origin of an upright thorax. */
function placed(side: Side, angles: Partial<ArmAngles>) {
  const row = new Float64Array(ROW_WIDTH);
  const moments = new Float64Array(4);
  placeArm(row, side, UPRIGHT as never, { ...HANGING, ...angles }, USUAL_BUILD, moments);
  const point = (name: "elbowJoint" | "wristJoint" | "handCentre" | "fingertip") => {
    const at = sidedPointColumn(name, side);
    return [row[at], row[at + 1], row[at + 2]] as [number, number, number];
  };
  return {
    row,
    moments,
    elbow: point("elbowJoint"),
    wrist: point("wristJoint"),
    hand: point("handCentre"),
    tip: point("fingertip"),
  };
}

function near(point: readonly number[], x: number, y: number, z: number): void {
  for (const [i, value] of [x, y, z].entries()) expect(point[i]).toBeCloseTo(value, 12);
}

describe("an arm by its angles", () => {
  test("hangs straight down", () => {
    const { elbow, wrist, tip } = placed("right", {});
    near(elbow, 0, -UPPER, 0);
    near(wrist, 0, -UPPER - FOREARM, 0);
    near(tip, 0, -UPPER - FOREARM - HAND, 0);
  });

  test("is raised to the side in plane 0 and forward in plane 90, each side to its own", () => {
    near(placed("right", { elevation: 90 }).wrist, 0, 0, UPPER + FOREARM);
    near(placed("left", { elevation: 90 }).wrist, 0, 0, -UPPER - FOREARM);
    near(placed("right", { elevation: 90, plane: 90 }).wrist, UPPER + FOREARM, 0, 0);
    near(placed("left", { elevation: 90, plane: 90 }).wrist, UPPER + FOREARM, 0, 0);
  });

  test("overhead is above the shoulder, whatever the plane", () => {
    for (const plane of [0, 45, 90]) near(placed("left", { elevation: 180, plane }).wrist, 0, UPPER + FOREARM, 0);
  });

  test("an elbow bent to a right angle takes the forearm where the plane points", () => {
    near(placed("right", { plane: 90, elbow: 90 }).wrist, FOREARM, -UPPER, 0);
    near(placed("right", { plane: 0, elbow: 90 }).wrist, 0, -UPPER, FOREARM);
  });

  test("weighs what its table says, with the centre between shoulder and fingertip", () => {
    const { moments } = placed("right", { elevation: 90, plane: 90 });
    expect(moments[3]).toBeCloseTo(MASSES, 12);
    // Upper arm at 43.6 %, forearm at 43 %, the hand at 50.6 % of its own length.
    const moment = 0.028 * 0.436 * UPPER + 0.016 * (UPPER + 0.43 * FOREARM) + 0.006 * (UPPER + FOREARM + 0.506 * HAND);
    expect(moments[0]).toBeCloseTo(moment, 12);
    expect(moments[1]).toBeCloseTo(0, 12);
  });
});

const anyAngles = fc.record({
  elevation: fc.double({ min: 0, max: 180, noNaN: true }),
  plane: fc.double({ min: -40, max: 130, noNaN: true }),
  axial: fc.double({ min: -90, max: 90, noNaN: true }),
  elbow: fc.double({ min: 0, max: 150, noNaN: true }),
  forearm: fc.double({ min: -80, max: 80, noNaN: true }),
  wrist: fc.double({ min: -70, max: 80, noNaN: true }),
});

describe("whatever the angles", () => {
  test("no bone stretches, and the wrist is as far from the shoulder as the law of cosines says", () => {
    fc.assert(
      fc.property(anyAngles, fc.constantFrom(...SIDES), (angles, side) => {
        const { elbow, wrist, tip } = placed(side, angles);
        expect(Math.hypot(...elbow)).toBeCloseTo(UPPER, 10);
        expect(Math.hypot(...wrist.map((x, i) => itemAt(tip, i) - x))).toBeCloseTo(HAND, 10);
        const folded = Math.cos((angles.elbow * Math.PI) / 180);
        expect(Math.hypot(...wrist)).toBeCloseTo(Math.sqrt(UPPER ** 2 + FOREARM ** 2 + 2 * UPPER * FOREARM * folded), 10);
      }),
    );
  });

  test("the left arm is the mirror image of the right", () => {
    fc.assert(
      fc.property(anyAngles, (angles) => {
        const left = placed("left", angles);
        const right = placed("right", angles);
        for (const name of ["elbow", "wrist", "hand", "tip"] as const) {
          const [x, y, z] = right[name];
          near(left[name], x, y, -z);
        }
      }),
    );
  });

  test("they are read back as they were written", () => {
    fc.assert(
      fc.property(anyAngles, fc.constantFrom(...SIDES), (angles, side) => {
        const read = armAngles(placed(side, angles).row, side);
        const { axial, ...others } = angles;
        for (const name of Object.keys(others) as (keyof typeof others)[]) expect(read[name]).toBeCloseTo(others[name], 9);
        // A turn is known but for whole turns.
        expect(Math.cos(((read.axial - axial) * Math.PI) / 180)).toBeCloseTo(1, 12);
      }),
    );
  });
});
