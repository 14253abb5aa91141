import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { numberAt } from "../checked-access.ts";
import { SIDES, sideIndex } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { anyBody, onBuild } from "./any-build.fixture.ts";
import { angle, anyPose } from "./any-pose.fixture.ts";
import { marginOfStability } from "./base-of-support.ts";
import {
  type Build,
  hasFoot,
  lengthIndexes,
  type MidlineSegment,
  massIndex,
  massIndexes,
  type SidedSegment,
  USUAL_BUILD,
} from "./build.ts";
import { column, pointColumn, sidedColumn, sidedPointColumn } from "./channels.ts";
import { footIsUnsupported, mirrorPose, neutralPose, type Pose, sidedSlot, slot } from "./pose.ts";
import { MASS, SHARE, SPINE_HINGE } from "./segments.ts";
import { solvePose } from "./solve.ts";

type Vector = readonly [number, number, number];
const pointOf = (row: Float64Array, first: number): Vector => [
  numberAt(row, first),
  numberAt(row, first + 1),
  numberAt(row, first + 2),
];
const mix = (a: Vector, b: Vector, at: number): Vector => [
  a[0] + at * (b[0] - a[0]),
  a[1] + at * (b[1] - a[1]),
  a[2] + at * (b[2] - a[2]),
];
const distance = (a: Vector, b: Vector) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Centre of mass worked out again from the joints alone, segment by segment. */
function massFromJoints(row: Float64Array, { masses }: Build): { share: number; centre: Vector } {
  let share = 0;
  let sum: Vector = [0, 0, 0];
  const add = (mass: number, at: Vector) => {
    share += mass;
    sum = [sum[0] + mass * at[0], sum[1] + mass * at[1], sum[2] + mass * at[2]];
  };
  const pelvis = pointOf(row, pointColumn("pelvis"));
  const lumbar = pointOf(row, pointColumn("lumbar"));
  const midSpine = pointOf(row, pointColumn("midSpine"));
  const shoulders = pointOf(row, pointColumn("shoulderLine"));
  const middleOf = ({ from, to }: { from: number; to: number }) => (from + to) / 2;
  const mass = (segment: MidlineSegment) => numberAt(masses, massIndex(segment));
  add(mass("headNeck"), pointOf(row, pointColumn("head")));
  add(mass("pelvis"), mix(pelvis, lumbar, middleOf(MASS.pelvis) / SPINE_HINGE.low));
  add(mass("abdomen"), mix(lumbar, midSpine, 0.5));
  add(mass("thorax"), mix(midSpine, shoulders, (middleOf(MASS.thorax) - SPINE_HINGE.high) / (1 - SPINE_HINGE.high)));
  for (const side of SIDES) {
    const at = (name: Parameters<typeof sidedPointColumn>[0]) => pointOf(row, sidedPointColumn(name, side));
    const sided = (segment: SidedSegment) => numberAt(masses, massIndexes(segment)[sideIndex(side)]);
    add(sided("upperArm"), mix(at("shoulder"), at("elbowJoint"), MASS.upperArm.at));
    add(sided("forearm"), mix(at("elbowJoint"), at("wristJoint"), MASS.forearm.at));
    add(sided("hand"), at("handCentre"));
    add(sided("thigh"), mix(at("hip"), at("kneeJoint"), MASS.thigh.at));
    add(sided("shank"), mix(at("kneeJoint"), at("ankle"), MASS.shank.at));
    // The floor point half a foot length ahead of the ankle is three quarters of the way from heel to toe.
    add(sided("foot"), mix(at("ankle"), mix(at("heel"), at("toe"), SHARE.heelBehindAnkle + 0.5), 0.5));
  }
  return { share, centre: [sum[0] / share, sum[1] / share, sum[2] / share] };
}

/** A pose on a body of a build, where it can be taken up. */
const taken = (asked: Pose, build = USUAL_BUILD) => {
  const pose = onBuild(asked, build);
  fc.pre(pose.frame.seating.kind === "seated" || pose.frame.feet.some((contact) => !footIsUnsupported(contact)));
  const solved = solvePose(pose, undefined, undefined, build);
  fc.pre(solved.problem === null);
  return solved;
};

describe("whatever the body and the pose", () => {
  test("mass adds up to the whole, and its centre is where the segments put it", () => {
    fc.assert(
      fc.property(anyPose, anyBody, (pose, { build }) => {
        const { row } = taken(pose, build);
        const { share, centre } = massFromJoints(row, build);
        expect(share).toBeCloseTo(1, 12);
        expect(centre[0]).toBeCloseTo(numberAt(row, column("comX")), 6);
        expect(centre[1]).toBeCloseTo(numberAt(row, column("comY")), 6);
        expect(centre[2]).toBeCloseTo(numberAt(row, column("comZ")), 6);
      }),
    );
  });

  test("every bone keeps its length, trunk and feet too", () => {
    fc.assert(
      fc.property(anyPose, anyBody, (pose, { build }) => {
        const { row } = taken(pose, build);
        const at = (name: Parameters<typeof pointColumn>[0]) => pointOf(row, pointColumn(name));
        expect(distance(at("pelvis"), at("lumbar"))).toBeCloseTo(SPINE_HINGE.low * SHARE.trunk, 9);
        expect(distance(at("midSpine"), at("shoulderLine"))).toBeCloseTo((1 - SPINE_HINGE.high) * SHARE.trunk, 9);
        for (const side of SIDES) {
          const of = (name: Parameters<typeof sidedPointColumn>[0]) => pointOf(row, sidedPointColumn(name, side));
          const long = (segment: Parameters<typeof lengthIndexes>[0]) =>
            numberAt(build.lengths, lengthIndexes(segment)[sideIndex(side)]);
          expect(distance(of("heel"), of("toe"))).toBeCloseTo(hasFoot(build, side) ? SHARE.footLength : 0, 9);
          expect(distance(of("shoulder"), of("elbowJoint"))).toBeCloseTo(long("upperArm"), 9);
          expect(distance(of("elbowJoint"), of("wristJoint"))).toBeCloseTo(long("forearm"), 9);
          expect(distance(of("wristJoint"), of("fingertip"))).toBeCloseTo(long("hand"), 9);
          // A straight leg is found by a square root near zero: to a millionth of stature.
          expect(distance(of("hip"), of("kneeJoint"))).toBeCloseTo(long("thigh"), 6);
          expect(distance(of("kneeJoint"), of("ankle"))).toBeCloseTo(long("shank"), 6);
        }
        expect(
          distance(pointOf(row, sidedPointColumn("hip", "left")), pointOf(row, sidedPointColumn("hip", "right"))),
        ).toBeCloseTo(2 * SHARE.hipHalfSeparation, 9);
      }),
    );
  });

  test("mirrored once, every side's reading is the other's", () => {
    fc.assert(
      fc.property(anyPose, anyBody, (pose, { build, mirrored }) => {
        const { row } = taken(pose, build);
        const there = taken(mirrorPose(pose), mirrored).row;
        for (const name of ["shoulderLoad", "kneeLoad", "footShare", "handOverShoulder", "hipFlexion"] as const)
          expect(there[sidedColumn(name, "left")]).toBeCloseTo(numberAt(row, sidedColumn(name, "right")), 3);
      }),
    );
  });

  test("the weight stands at the asked share within a thousandth", () => {
    fc.assert(
      fc.property(anyPose, angle(0.05, 0.95), (pose, weightLeft) => {
        fc.pre(pose.frame.seating.kind === "standing" && pose.frame.feet.every((foot) => foot === "flat"));
        pose.values[slot("weightLeft")] = weightLeft;
        const { row } = taken(pose);
        expect(Math.abs(numberAt(row, sidedColumn("footShare", "left")) - weightLeft)).toBeLessThan(0.001);
      }),
    );
  });

  test("the margin is that of the centre of mass over the base the solver gives", () => {
    fc.assert(
      fc.property(anyPose, (pose) => {
        const { row, base } = taken(pose);
        const margin = marginOfStability([numberAt(row, column("comX")), numberAt(row, column("comZ"))], base);
        expect(row[column("margin")]).toBeCloseTo(margin, 9);
      }),
    );
  });
});

describe("a hinge at the hips and a rounded back are different things", () => {
  const standing = () => {
    const pose = neutralPose();
    pose.values[sidedSlot("footZ", "left")] = -SHARE.hipHalfSeparation;
    pose.values[sidedSlot("footZ", "right")] = SHARE.hipHalfSeparation;
    return pose;
  };

  test("a hinge bends no spine", () => {
    fc.assert(
      fc.property(angle(-15, 30), (tilt) => {
        const pose = standing();
        pose.values[slot("pelvisTilt")] = tilt;
        const { row } = taken(pose);
        expect(row[column("spineFlexion")]).toBe(0);
        const at = (name: "pelvis" | "lumbar" | "shoulderLine") => pointOf(row, pointColumn(name));
        const straight = distance(at("pelvis"), at("shoulderLine"));
        expect(straight).toBeCloseTo(SHARE.trunk, 9);
      }),
    );
  });

  test("a rounded back tilts no pelvis", () => {
    fc.assert(
      fc.property(angle(0, 50), (flexion) => {
        const pose = standing();
        pose.values[slot("spineFlexion")] = flexion;
        const { row } = taken(pose);
        expect(row[column("pelvisTilt")]).toBe(0);
        const lumbar = pointOf(row, pointColumn("lumbar"));
        const pelvis = pointOf(row, pointColumn("pelvis"));
        expect(lumbar[0]).toBeCloseTo(pelvis[0], 9);
      }),
    );
  });
});

test("a pose that puts a foot on the floor which a body does not have is a problem that says so, and no number is lost", () => {
  fc.assert(
    fc.property(anyPose, anyBody, ({ frame, values }, { build }) => {
      const { row, problem } = solvePose({ frame: { ...frame, hands: ["free", "free"] }, values }, undefined, undefined, build);
      expect(row.every(Number.isFinite)).toBe(true);
      const missing = SIDES.find((side) => !hasFoot(build, side) && !footIsUnsupported(frame.feet[sideIndex(side)]));
      if (missing) expect(problem).toEqual({ kind: "noFoot", side: missing });
      else expect(problem?.kind).not.toBe("noFoot");
    }),
    { numRuns: cases(800, 20000) },
  );
});
