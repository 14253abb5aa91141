import { USUAL_BUILD } from "@able-tide/core/body/build";
import { pointColumn, rangeNamed, sidedPointColumn } from "@able-tide/core/body/channels";
import { numberAt, present } from "@able-tide/core/checked-access";
import { liftsOf } from "@able-tide/core/movement/edit-legs";
import type { Movement } from "@able-tide/core/movement/format";
import { loadAll } from "@able-tide/core/movement/library.fixture";
import { sampleTrack } from "@able-tide/core/movement/samples";
import { valueAt } from "@able-tide/core/movement/solved-samples";
import { trackOf } from "@able-tide/core/movement/track";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { describe, expect, test } from "vitest";
import { HANDLES, handlePlace, handlesIn, pull, turnsHand } from "./pull.ts";

const movement: Movement = {
  format: "able-tide/movement",
  version: 2,
  id: "pulled",
  name: { en: "Pulled" },
  purpose: ["calm"],
  phase: "flow",
  sided: false,
  breaths: 1,
  stance: { kind: "hip" },
  keys: [
    { at: 0, sink: 6, arms: { elevation: 30, plane: 60, elbow: 40 } },
    { at: 0.5, breath: "in" },
    { at: 1, breath: "out", like: 0 },
  ],
  forms: { standing: {}, supported: {}, seated: {} },
  vary: {},
  cues: {},
};
/** The row of a key pose, the second one unless another is asked for. */
function rowOf(of: Movement, index = 1): Float64Array {
  const samples = sampleTrack(present(trackOf(of, FULL_STANDING_VARIANT, "right"), "track"));
  const width = samples.rows.length / samples.count;
  expect(samples.problem).toBeNull();
  expect(valueAt(samples, 9, pointColumn("pelvis") + 1)).toBeGreaterThan(0);
  return samples.rows.slice(9 * index * width, (9 * index + 1) * width);
}
const row = rowOf(movement);

describe("pulling on the figure", () => {
  test("a hand goes where it is pulled, to about a degree's worth", () => {
    const hand = sidedPointColumn("handCentre", "right");
    const to = { across: numberAt(row, hand + 2) + 0.05, up: numberAt(row, hand + 1) + 0.12 };
    const after = rowOf(pull(movement, 1, row, "rightHand", "front", to).movement);
    expect(after[hand + 1]).toBeCloseTo(to.up, 1);
    expect(after[hand + 2]).toBeCloseTo(to.across, 1);
    expect(after[sidedPointColumn("handCentre", "left") + 1]).toBeCloseTo(
      numberAt(row, sidedPointColumn("handCentre", "left") + 1),
      2,
    );
  });

  test("the hips go down into the knees and across from foot to foot, and no further than a body can", () => {
    const down = pull(movement, 1, row, "pelvis", "side", { across: 0, up: 0.48 }).movement;
    expect(down.keys[1]?.sink).toBeGreaterThan(20);
    expect(pull(movement, 1, row, "pelvis", "front", { across: 0.5, up: 0.52 }).movement.keys[1]?.weight).toBe(1);
    expect(pull(movement, 1, row, "pelvis", "side", { across: 0, up: 0 }).movement.keys[1]?.sink).toBe(60);
  });

  test("chest and head bend the way they are pulled", () => {
    expect(pull(movement, 1, row, "chest", "front", { across: 0.1, up: 0.8 }).movement.keys[1]?.spine?.sideBend).toBeGreaterThan(
      5,
    );
    expect(pull(movement, 1, row, "chest", "side", { across: 0.1, up: 0.8 }).movement.keys[1]?.spine?.flexion).toBeGreaterThan(5);
    expect(pull(movement, 1, row, "head", "front", { across: -0.06, up: 0.98 }).movement.keys[1]?.head?.sideBend).toBeLessThan(
      -5,
    );
  });

  test("a foot pulled up leaves the floor with the weight on the other, follows, and comes down again", () => {
    const ankle = sidedPointColumn("ankle", "right");
    const up = pull(movement, 1, row, "rightFoot", "side", { across: 0.15, up: 0.16 });
    expect(up.index).toBe(2);
    expect(liftsOf(up.movement)[2]?.foot).toBe("lead");
    const aloft = rowOf(up.movement, up.index);
    expect(aloft[ankle]).toBeCloseTo(0.15, 1);
    expect(aloft[ankle + 1]).toBeCloseTo(0.16, 1);
    const out = pull(up.movement, up.index, aloft, "rightFoot", "front", { across: 0.2, up: 0.16 });
    expect(liftsOf(out.movement)[2]?.hipAbduction).toBeGreaterThan(10);
    const down = pull(out.movement, out.index, aloft, "rightFoot", "side", { across: 0, up: 0.04 });
    expect(liftsOf(down.movement).every((lift) => lift === null)).toBe(true);
  });

  test("on a chair a foot is pulled from where the thigh is level", () => {
    const samples = sampleTrack(present(trackOf(movement, FULL_SEATED_VARIANT, "right"), "track"));
    const width = samples.rows.length / samples.count;
    const seated = samples.rows.slice(9 * width, 10 * width);
    const knee = sidedPointColumn("kneeJoint", "right");
    const to = { across: numberAt(seated, knee) + 0.12, up: 0.12 };
    const up = pull(movement, 1, seated, "rightFoot", "side", to, { build: USUAL_BUILD, seated: true });
    const lift = liftsOf(up.movement)[up.index];
    expect(Math.abs(lift?.hipFlexion ?? 90)).toBeLessThan(20);
    expect(lift?.knee).toBeLessThan(75);
  });

  test.each(HANDLES.filter(turnsHand))(
    "%s turns the hand towards where it is pulled, within its range, and moves no joint before it",
    (handle) => {
      const arm = handle.startsWith("right") ? "leadArm" : "trailArm";
      const side = handle.startsWith("right") ? "right" : "left";
      const name = handle.endsWith("Palm") ? "forearm" : "wrist";
      const [x, y, z] = handlePlace(row, handle);
      for (const view of ["front", "side"] as const)
        for (const [across, up] of [
          [0.06, 0],
          [-0.06, 0],
          [0, 0.08],
          [0, -0.08],
        ] as const) {
          const to = { across: (view === "front" ? z : x) + across, up: y + up };
          const { movement: turned } = pull(movement, 1, row, handle, view, to);
          const after = rowOf(turned);
          const off = (from: Float64Array) => {
            const [fx, fy, fz] = handlePlace(from, handle);
            return Math.hypot((view === "front" ? fz : fx) - to.across, fy - to.up);
          };
          expect(off(after)).toBeLessThanOrEqual(off(row) + 1e-9);
          const { lowest, highest } = rangeNamed(name);
          const value = present(turned.keys[1]?.[arm]?.[name], name);
          expect(value).toBeGreaterThanOrEqual(lowest);
          expect(value).toBeLessThanOrEqual(highest);
          const wrist = sidedPointColumn("wristJoint", side);
          for (const axis of [0, 1, 2]) expect(after[wrist + axis]).toBeCloseTo(numberAt(row, wrist + axis), 3);
        }
    },
  );

  test("what turns a hand is not shown where it would cover the hand, and always in one of the pictures", () => {
    const solved = loadAll().flatMap((of) => trackOf(of, FULL_STANDING_VARIANT, "right") ?? []);
    const poses = solved
      .map((track) => sampleTrack(track))
      .map(({ rows, count }) => rows.slice(rows.length - rows.length / count));
    for (const pose of poses) {
      for (const view of ["front", "side"] as const)
        for (const handle of handlesIn(pose, view).filter(turnsHand)) {
          const hand = handle.startsWith("left") ? "leftHand" : "rightHand";
          const [a, b] = [handlePlace(pose, handle), handlePlace(pose, hand)];
          const across = view === "front" ? 2 : 0;
          expect(Math.hypot((a[across] ?? 0) - (b[across] ?? 0), a[1] - b[1])).toBeGreaterThan(0.05);
        }
      const somewhere = new Set([...handlesIn(pose, "front"), ...handlesIn(pose, "side")]);
      for (const handle of HANDLES) expect(somewhere, handle).toContain(handle);
    }
  });

  test("a palm pulled down looks down: what a hand resting on water does", () => {
    const [x, y] = handlePlace(row, "rightPalm");
    const { movement: turned } = pull(movement, 1, row, "rightPalm", "side", { across: x, up: y - 0.1 });
    const palm = (from: Float64Array) =>
      numberAt(from, sidedPointColumn("palm", "right") + 1) - numberAt(from, sidedPointColumn("handCentre", "right") + 1);
    expect(palm(rowOf(turned))).toBeLessThan(palm(row) - 0.005);
  });

  test.each(HANDLES)("%s left where it is changes next to nothing", (handle) => {
    for (const view of ["front", "side"] as const) {
      const [x, y, z] = handlePlace(row, handle);
      const after = rowOf(pull(movement, 1, row, handle, view, { across: view === "front" ? z : x, up: y }).movement);
      const [ax, ay, az] = handlePlace(after, handle);
      expect(Math.hypot(ax - x, ay - y, az - z)).toBeLessThan(0.03);
    }
  });
});
