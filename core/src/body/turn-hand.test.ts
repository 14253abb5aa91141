import fc from "fast-check";
import { expect, test } from "vitest";
import { SIDES } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { angle } from "./any-pose.fixture.ts";
import { pointAt } from "./body-axes.ts";
import { sidedPointColumn } from "./channels.ts";
import { neutralPose, sidedSlot } from "./pose.ts";
import { solvePose } from "./solve.ts";
import { handTurner } from "./turn-hand.ts";
import { dot, minus, unit } from "./vector.ts";

test("a hand turned by its directions looks where the solved hand does", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...SIDES),
      fc.tuple(angle(5, 150), angle(0, 100), angle(-40, 80), angle(5, 140)),
      fc.tuple(angle(-85, 85), angle(-70, 80)),
      fc.tuple(angle(-85, 85), angle(-70, 80)),
      (side, [elevation, plane, axial, elbow], before, after) => {
        const solved = ([forearm, wrist]: readonly [number, number]): Float64Array => {
          const pose = neutralPose();
          for (const [name, value] of Object.entries({ elevation, plane, axial, elbow, forearm, wrist }))
            pose.values[sidedSlot(name as "elbow", side)] = value;
          return solvePose(pose).row;
        };
        const row = solved(after);
        const at = (name: "wristJoint" | "handCentre" | "fingertip" | "palm") => pointAt(row, sidedPointColumn(name, side));
        const turned = handTurner(solved(before), side)(...after);
        expect(dot(turned.palm, unit(minus(at("palm"), at("handCentre"))))).toBeCloseTo(1, 9);
        expect(dot(turned.fingers, unit(minus(at("fingertip"), at("wristJoint"))))).toBeCloseTo(1, 9);
      },
    ),
    { numRuns: cases(60, 600) },
  );
});
