import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { armForHand } from "../body/arm-for-hand.ts";
import { sidedPointColumn } from "../body/channels.ts";
import { neutralPose, sidedSlot, slot } from "../body/pose.ts";
import { SHARE } from "../body/segments.ts";
import { solvePose } from "../body/solve.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideSign } from "../side.ts";
import {
  addKeyAfter,
  anchorAt,
  copyPose,
  idFromName,
  mirrorKey,
  moveKey,
  palmAt,
  removeKey,
  setAnchor,
  setAngles,
  setFist,
  setNumber,
  setPalm,
} from "./edit.ts";
import type { Movement } from "./format.ts";
import { load } from "./library.fixture.ts";
import { readMovement } from "./read-file.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT } from "./variant.ts";

const press = load("shift-and-press");
const swing = load("turn-in-layers");
const isGood = (movement: Movement) => expect(readMovement(JSON.stringify(movement)).problems).toEqual([]);

test("a hand laid on something stays there until it is let go", () => {
  const laid = setAnchor(press, 1, "leadArm", "belly");
  expect(anchorAt(laid, 1, "leadArm")).toBe("belly");
  expect(anchorAt(laid, 1, "trailArm")).toBeNull();
  const open = setPalm(laid, 1, "leadArm", "away");
  expect(palmAt(open, 1, "leadArm")).toBe("away");
  expect(palmAt(open, 1, "trailArm")).toBeNull();
  expect(palmAt(setPalm(open, 1, "leadArm", null), 1, "leadArm")).toBeNull();
  expect(setFist(laid, 1, "leadArm", 0.5).keys[1]?.leadArm).toMatchObject({ anchor: "belly", fist: 0.5 });
  const free = setAnchor(laid, 1, "leadArm", null);
  expect(anchorAt(free, 1, "leadArm")).toBeNull();
  isGood(laid);
  isGood(free);
});

describe("changing a key pose", () => {
  test("states an angle there and leaves the other poses and the original alone", () => {
    const changed = setAngles(press, 1, "leadArm", { elevation: 60 });
    expect(changed.keys[1]?.leadArm).toEqual({ elevation: 60 });
    expect(changed.keys[0]).toEqual(press.keys[0]);
    expect(press.keys[1]?.leadArm).toBeUndefined();
    isGood(changed);
    expect(setNumber(press, 0, "sink", 4).keys[0]?.sink).toBe(4);
  });

  test("one added keeps the repetition going and every repeat pointing where it did", () => {
    const added = addKeyAfter(press, 0);
    expect(added.keys.map(({ at }) => at)).toEqual([0, 0.25, 0.5, 1]);
    expect(added.keys[1]?.like).toBe(0);
    expect(added.keys[3]?.like).toBe(0);
    isGood(added);
    const later = addKeyAfter(swing, 1);
    isGood(later);
    expect(addKeyAfter(press, press.keys.length - 1)).toBe(press);
  });

  test("one taken out gives the movement back; ends and repeated ones stay", () => {
    expect(removeKey(addKeyAfter(press, 0), 1)).toEqual(press);
    expect(removeKey(press, 0)).toBe(press);
    expect(removeKey(press, 2)).toBe(press);
  });

  test("moved along the repetition it never passes its neighbours", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: swing.keys.length - 2 }),
        fc.double({ min: -1, max: 2, noNaN: true }),
        (index, at) => {
          isGood(moveKey(swing, index, at));
        },
      ),
    );
    expect(moveKey(press, 0, 0.3)).toBe(press);
  });

  test("copied from an earlier pose it has that body", () => {
    const copied = copyPose(swing, 0, 2);
    isGood(copied);
    const track = trackOf(copied, FULL_STANDING_VARIANT, "right");
    expect([...(track?.segments[1]?.end ?? [])]).toEqual([...(track?.segments[0]?.start ?? [])]);
    expect(copyPose(swing, 3, 1)).toBe(swing);
  });

  test("mirrored twice it is itself, once its sides are changed", () => {
    const once = mirrorKey(swing, 1);
    expect(once.keys[1]?.head?.rotation).toBe(-30);
    expect(mirrorKey(once, 1)).toEqual(swing);
  });
});

describe("pulling a hand", () => {
  const place = (side: Side, elevation: number, plane: number, elbow: number, turn: number) => {
    const pose = neutralPose();
    for (const each of SIDES) pose.values[sidedSlot("footZ", each)] = sideSign(each) * SHARE.hipHalfSeparation;
    pose.values[slot("spineRotation")] = turn;
    pose.values[sidedSlot("elevation", side)] = elevation;
    pose.values[sidedSlot("plane", side)] = plane;
    pose.values[sidedSlot("elbow", side)] = elbow;
    return pose;
  };
  const handOf = (row: Float64Array, side: Side) => {
    const column = sidedPointColumn("handCentre", side);
    return [row[column], row[column + 1], row[column + 2]] as [number, number, number];
  };

  test("to where it is brings the hand there again, whatever the trunk does", () => {
    const angle = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom<Side>("left", "right"),
        angle(10, 150),
        angle(0, 100),
        angle(5, 120),
        angle(-30, 30),
        (side, elevation, plane, elbow, turn) => {
          const { row } = solvePose(place(side, elevation, plane, elbow, turn));
          const hand = handOf(row, side);
          const found = armForHand(row, side, hand);
          const again = place(side, found.elevation, found.plane, found.elbow, turn);
          again.values[sidedSlot("axial", side)] = found.axial;
          const shoulder = sidedPointColumn("shoulder", side);
          const moved = solvePose(again).row;
          handOf(moved, side).forEach((value, axis) => {
            // Measured from the shoulder: another arm moves the whole body a little.
            const from = numberAt(row, shoulder + axis) - itemAt(hand, axis);
            expect(numberAt(moved, shoulder + axis) - value).toBeCloseTo(from, 5);
          });
        },
      ),
      { numRuns: 60 },
    );
  });
});

test.each([
  ["Lift and part, our way", "lift-and-part-our-way"],
  ["  Größe & Weite ", "gro-e-weite"],
  ["!!", "movement"],
])("the id of %j is %s", (name, id) => {
  expect(idFromName(name)).toBe(id);
});
