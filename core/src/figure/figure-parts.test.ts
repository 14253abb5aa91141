import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { anyBody, onBuild } from "../body/any-build.fixture.ts";
import { anyPose } from "../body/any-pose.fixture.ts";
import { pointAt } from "../body/body-axes.ts";
import { type Build, buildOf, lengthIndexes, USUAL_BODY, USUAL_BUILD } from "../body/build.ts";
import { sidedPointColumn } from "../body/channels.ts";
import { isOnSupport, mirrorPose, neutralPose, type Pose, sidedSlot } from "../body/pose.ts";
import { DEGREE } from "../body/rotation.ts";
import { solvePose } from "../body/solve.ts";
import { dot, minus } from "../body/vector.ts";
import { WATER_EQUIPMENT_NAMES } from "../body/water-equipment.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { otherSide, SIDES, sideIndex } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { armPathOf } from "./arm-parts.ts";
import { figureAxes } from "./figure-axes.ts";
import { bodyParts, figureParts, LIFELIKE } from "./figure-parts.ts";
import { handAxes } from "./hand-parts.ts";
import { legPathOf } from "./leg-parts.ts";
import { facesOf, meshOf, surfaceOf } from "./mesh.ts";
import { type FigurePart, ringCount, ringOf, thinned } from "./part.ts";

const rowOf = (pose: Pose, build: Build = USUAL_BUILD): Float64Array => solvePose(pose, undefined, undefined, build).row;

/** Volume that the faces of a part enclose: positive only where they look outwards. */
function volumeOf(part: FigurePart): number {
  const surface = surfaceOf(part, 12);
  const faces = facesOf(surface);
  let volume = 0;
  for (let i = 0; i < faces.length; i += 3) {
    const [a, b, c] = [0, 1, 2].map((corner) =>
      [0, 1, 2].map((axis) => numberAt(surface.points, 3 * itemAt(faces, i + corner) + axis)),
    ) as [number[], number[], number[]];
    const [ax, ay, az] = a as [number, number, number];
    const [bx, by, bz] = b as [number, number, number];
    const [cx, cy, cz] = c as [number, number, number];
    volume += (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6;
  }
  return volume;
}

/** Any pose of any body that the solver is for. */
const drawn = fc.tuple(anyPose, anyBody).map(([pose, body]) => ({ pose: onBuild(pose, body.build), ...body }));

describe("the parts of a figure", () => {
  test("have only numbers, and faces that look outwards, in any pose of any body from 1.35 to 2.00 m", () => {
    fc.assert(
      fc.property(drawn, fc.constantFrom(...WATER_EQUIPMENT_NAMES), ({ pose, build }, inHands) => {
        for (const part of figureParts(rowOf(pose, build), pose.frame, build, { ...LIFELIKE, inHands })) {
          expect(
            part.rings.every((value) => Number.isFinite(value)),
            part.name,
          ).toBe(true);
          expect(volumeOf(part), part.name).toBeGreaterThan(0);
        }
      }),
      { numRuns: cases(60, 600) },
    );
  });

  test("are held before the palm by free hands only", () => {
    fc.assert(
      fc.property(anyPose, fc.constantFrom("paddles" as const, "floats" as const), (pose, inHands) => {
        const row = rowOf(pose);
        const held = bodyParts(row, pose.frame, undefined, { ...LIFELIKE, inHands }).filter(({ name }) => name === "equipment");
        for (const side of SIDES) {
          const own = held.filter((part) => part.side === side);
          const { wrist, palm } = handAxes(row, side);
          if (isOnSupport(pose.frame.hands[sideIndex(side)])) expect(own).toEqual([]);
          else expect(own.length).toBeGreaterThan(0);
          for (const part of own) expect(dot(minus(ringOf(part, 0).at, wrist), palm)).toBeGreaterThan(0.01);
        }
      }),
      { numRuns: cases(40, 400) },
    );
  });

  test("swap sides in a mirror", () => {
    fc.assert(
      fc.property(fc.tuple(anyPose, anyBody), ([pose, body]) => {
        const detail = { ...LIFELIKE, inHands: "paddles" } as const;
        const own = onBuild(pose, body.build);
        const parts = bodyParts(rowOf(own, body.build), own.frame, body.build, detail);
        const seen = mirrorPose(own);
        const mirrored = bodyParts(rowOf(seen, body.mirrored), seen.frame, body.mirrored, detail);
        for (const side of SIDES)
          for (const what of ["arm", "hand", "leg", "sleeve", "shoe", "equipment"]) {
            const here = parts.filter((part) => part.name === what && part.side === side);
            const there = mirrored.filter((part) => part.name === what && part.side === otherSide(side));
            expect(there.length).toBe(here.length);
            here.forEach((part, i) => {
              const other = itemAt(there, i);
              for (let ring = 0; ring < ringCount(part); ring += 1) {
                const [x, y, z] = ringOf(part, ring).at;
                const [mx, my, mz] = ringOf(other, ring).at;
                expect(Math.hypot(x - mx, y - my, z + mz), `${side} ${what} ${ring}`).toBeLessThan(1e-6);
              }
            });
          }
      }),
      { numRuns: cases(40, 400) },
    );
  });

  test("keep the lengths of the bones", () => {
    fc.assert(
      fc.property(drawn, ({ pose, build }) => {
        const { row, problem } = solvePose(pose, undefined, undefined, build);
        // A foot that a leg does not reach is drawn where it should be.
        fc.pre(problem === null);
        const axes = figureAxes(row, pose.frame);
        for (const side of SIDES) {
          const long = (segment: Parameters<typeof lengthIndexes>[0]) =>
            numberAt(build.lengths, lengthIndexes(segment)[sideIndex(side)]);
          const arm = armPathOf(row, side, axes);
          expect(Math.hypot(...minus(arm.to, arm.joint))).toBeCloseTo(long("forearm"), 4);
          const leg = legPathOf(row, side, axes.pelvis);
          expect(Math.hypot(...minus(leg.joint, leg.from))).toBeCloseTo(long("thigh"), 4);
          expect(Math.hypot(...minus(leg.to, leg.joint))).toBeCloseTo(long("shank"), 4);
        }
      }),
      { numRuns: cases(40, 400) },
    );
  });
});

describe("the hand of a figure", () => {
  const angles = { elevation: 60, plane: 70, axial: 10, elbow: 50, forearm: 0, wrist: 0 };
  const posed = (more: Partial<typeof angles>): Float64Array => {
    const pose = neutralPose();
    for (const side of SIDES)
      for (const [name, value] of Object.entries({ ...angles, ...more }))
        pose.values[sidedSlot(name as keyof typeof angles, side)] = value;
    return rowOf(pose);
  };

  test.each(SIDES)("%s: its palm turns with the forearm, degree by degree", (side) => {
    const straight = handAxes(posed({}), side);
    for (const forearm of [-80, -30, 25, 85]) {
      const turned = handAxes(posed({ forearm }), side);
      expect(dot(turned.palm, straight.palm)).toBeCloseTo(Math.cos(forearm * DEGREE), 6);
      expect(dot(turned.fingers, straight.fingers)).toBeCloseTo(1, 6);
    }
  });

  test.each(SIDES)("%s: hanging, its palm looks at the body and its thumb ahead", (side) => {
    const { palm, thumb } = handAxes(posed({ elevation: 0, plane: 90, axial: 0, elbow: 0 }), side);
    expect((side === "right" ? -1 : 1) * palm[2]).toBeGreaterThan(0.9);
    expect(thumb[0]).toBeGreaterThan(0.9);
  });

  test("shows its palm while it is open, and not in a fist", () => {
    const open = neutralPose();
    const closed = neutralPose();
    for (const side of SIDES) closed.values[sidedSlot("fist", side)] = 1;
    const palms = (pose: Pose) => bodyParts(rowOf(pose), pose.frame).filter(({ material }) => material === "palm").length;
    expect(palms(open)).toBeGreaterThan(0);
    expect(palms(closed)).toBe(0);
  });

  test("reaches as far as the model's fingertips, and in a fist not half as far", () => {
    const reach = (fist: number): number => {
      const pose = neutralPose();
      pose.values[sidedSlot("fist", "right")] = fist;
      const row = rowOf(pose);
      const { wrist, fingers } = handAxes(row, "right");
      const ends = bodyParts(row, pose.frame)
        .filter(({ name, side }) => name === "hand" && side === "right")
        .flatMap((part) =>
          Array.from({ length: ringCount(part) }, (_, ring) => dot(minus(ringOf(part, ring).at, wrist), fingers)),
        );
      return Math.max(...ends);
    };
    const row = rowOf(neutralPose());
    const model = Math.hypot(
      ...minus(pointAt(row, sidedPointColumn("fingertip", "right")), pointAt(row, sidedPointColumn("wristJoint", "right"))),
    );
    expect(Math.abs(reach(0) - model)).toBeLessThan(0.012);
    expect(reach(1)).toBeLessThan(0.85 * reach(0));
  });
});

describe("limbs that end or are replaced", () => {
  const withLimb = (limbs: Partial<typeof USUAL_BODY>): FigurePart[] => {
    const build = buildOf({ ...USUAL_BODY, ...limbs }, 1.65);
    const pose = onBuild(neutralPose(), build);
    return bodyParts(rowOf(pose, build), pose.frame, build);
  };
  const whole = { kind: "whole" } as const;
  const gone = (from: "upper" | "lower", prosthesis: boolean) => ({ kind: "absent", from, prosthesis }) as const;
  const has = (parts: readonly FigurePart[], said: string) => parts.some(({ name, side }) => `${side} ${name}` === said);

  test("an arm that ends has no hand, a leg that ends has no shoe", () => {
    for (const from of ["upper", "lower"] as const) {
      expect(has(withLimb({ arms: [gone(from, false), whole] }), "left hand")).toBe(false);
      expect(has(withLimb({ arms: [gone(from, false), whole] }), "right hand")).toBe(true);
      expect(has(withLimb({ legs: [whole, gone(from, false)] }), "right shoe")).toBe(false);
    }
  });

  test("a prosthesis is seen, and has a hand or a shoe", () => {
    for (const from of ["upper", "lower"] as const) {
      const arm = withLimb({ arms: [gone(from, true), whole] });
      expect(has(arm, "left prosthesis") && has(arm, "left hand")).toBe(true);
      const leg = withLimb({ legs: [whole, gone(from, true)] });
      expect(has(leg, "right prosthesis") && has(leg, "right shoe")).toBe(true);
    }
  });

  test("an arm that the other hand carries lies in a sling while it is bent", () => {
    const build = buildOf({ ...USUAL_BODY, arms: [{ kind: "carried" }, whole] }, 1.65);
    const slings = (elbow: number): number => {
      const pose = neutralPose();
      pose.values[sidedSlot("elbow", "left")] = elbow;
      return bodyParts(rowOf(pose, build), pose.frame, build).filter(({ material }) => material === "sling").length;
    };
    expect([slings(90), slings(10)]).toEqual([3, 0]);
  });
});

describe("the left side", () => {
  test("is told from the right by bands on sleeve, wrist and hem, and by its own shoe", () => {
    const pose = neutralPose();
    const parts = bodyParts(rowOf(pose), pose.frame);
    expect(parts.filter(({ material }) => material === "band").map(({ side }) => side)).toEqual(["left", "left", "left"]);
    expect(parts.filter(({ material }) => material === "leftShoe").map(({ side }) => side)).toEqual(["left"]);
  });
});

describe("a mesh of parts", () => {
  const pose = neutralPose();
  const parts = figureParts(rowOf(pose), pose.frame);

  test("has directions of length one, and corners for every face", () => {
    const { positions, normals, materials, faces } = meshOf(parts, 10);
    expect(positions.length).toBe(3 * materials.length);
    expect(Math.max(...faces)).toBe(materials.length - 1);
    for (let i = 0; i < normals.length; i += 3) {
      const size = Math.hypot(normals[i] ?? 0, normals[i + 1] ?? 0, normals[i + 2] ?? 0);
      expect(size).toBeCloseTo(1, 4);
    }
  });

  test("is filled again for another pose, and made anew where the parts are others", () => {
    const mesh = meshOf(parts, 10);
    const before = mesh.positions.slice();
    const raised = neutralPose();
    raised.values[sidedSlot("elevation", "left")] = 90;
    const again = meshOf(figureParts(rowOf(raised), raised.frame), 10, mesh);
    expect(again).toBe(mesh);
    expect(again.positions).not.toEqual(before);
    const fist = neutralPose();
    fist.values[sidedSlot("fist", "left")] = 1;
    expect(meshOf(figureParts(rowOf(fist), fist.frame), 10, mesh)).not.toBe(mesh);
  });
});

describe("a coarser part", () => {
  test("has the ends of the fine one, about half its rings, and still encloses nearly as much", () => {
    fc.assert(
      fc.property(drawn, ({ pose, build }) => {
        for (const part of bodyParts(rowOf(pose, build), pose.frame, build)) {
          const coarse = thinned(part);
          const [fineRings, rings] = [ringCount(part), ringCount(coarse)];
          expect(rings).toBe(fineRings < 7 || part.name === "hand" ? fineRings : Math.floor(fineRings / 2) + 1);
          expect(ringOf(coarse, 0)).toEqual(ringOf(part, 0));
          expect(ringOf(coarse, rings - 1)).toEqual(ringOf(part, fineRings - 1));
          // A ball of nine rings becomes one of five, and loses a tenth; a sling tapers to nothing, and loses a quarter.
          expect(volumeOf(coarse) / volumeOf(part), part.name).toBeGreaterThan(0.7);
          expect(volumeOf(coarse) / volumeOf(part), part.name).toBeLessThan(1.05);
        }
      }),
      { numRuns: cases(30, 300) },
    );
  });
});
