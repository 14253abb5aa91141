import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt, numberAt } from "../checked-access.ts";
import { SIDES } from "../side.ts";
import { USUAL_BUILD } from "./build.ts";
import { ROW_WIDTH, sidedColumn, sidedPointColumn } from "./channels.ts";
import { highestHip, legLength, straightLeg } from "./leg-parts.ts";
import { placePlantedLeg, plantedFoot, readPlantedLeg, setPlantedFoot } from "./planted-leg.ts";

/** Thigh, shank, and the ankle over the floor, shares of stature: Drillis and Contini. */
const THIGH = 0.245;
const SHANK = 0.246;
const ANKLE = 0.039;
const FOOT = 0.152;
const DEGREES = 180 / Math.PI;
const UPRIGHT = Float64Array.from([1, 0, 0, 0, 1, 0, 0, 0, 1]) as never;

type Point = readonly [number, number, number];

/** A right leg from a hip to a foot whose ankle stands at the origin of the floor. */
function planted(hip: Point, { toeOut = 0, heelLift = 0 } = {}) {
  const row = new Float64Array(ROW_WIDTH);
  const moments = new Float64Array(4);
  row.set(hip, sidedPointColumn("hip", "right"));
  const foot = plantedFoot();
  setPlantedFoot(foot, "right", 0, 0, toeOut, heelLift, 0);
  placePlantedLeg(row, "right", foot, USUAL_BUILD, moments);
  readPlantedLeg(row, "right", UPRIGHT, foot, USUAL_BUILD);
  const at = (name: "kneeJoint" | "ankle" | "heel" | "ball" | "toe"): Point => {
    const from = sidedPointColumn(name, "right");
    return [numberAt(row, from), numberAt(row, from + 1), numberAt(row, from + 2)];
  };
  return { row, moments, foot, at };
}

const distance = (a: Point, b: Point): number => Math.hypot(...a.map((x, i) => x - itemAt(b, i)));

describe("a leg that carries weight", () => {
  test("straight, it is thigh and shank over the ankle", () => {
    const { row, at } = planted([0, ANKLE + THIGH + SHANK, 0]);
    expect(at("kneeJoint")[1]).toBeCloseTo(ANKLE + SHANK, 9);
    expect(row[sidedColumn("knee", "right")]).toBeCloseTo(0, 4);
    expect(straightLeg(USUAL_BUILD, "right")).toBeCloseTo(THIGH + SHANK, 12);
  });

  test("lower, the knee bends forward by the law of cosines, and the ankle with it", () => {
    const height = 0.42;
    const { row, at } = planted([0, ANKLE + height, 0]);
    const bend = 180 - Math.acos((THIGH ** 2 + SHANK ** 2 - height ** 2) / (2 * THIGH * SHANK)) * DEGREES;
    const shankLean = Math.acos((SHANK ** 2 + height ** 2 - THIGH ** 2) / (2 * SHANK * height)) * DEGREES;
    expect(row[sidedColumn("knee", "right")]).toBeCloseTo(bend, 6);
    expect(row[sidedColumn("dorsiflexion", "right")]).toBeCloseTo(shankLean, 6);
    expect(at("kneeJoint")[0]).toBeGreaterThan(0);
    expect(legLength(USUAL_BUILD, bend)).toBeCloseTo(height, 9);
  });

  test("the knee points where the foot points", () => {
    const { at } = planted([0, ANKLE + 0.42, 0], { toeOut: 30 });
    const [x, , z] = at("kneeJoint");
    expect(Math.atan2(z, x) * DEGREES).toBeCloseTo(30, 6);
  });

  test("no bone stretches, wherever the hip is in reach", () => {
    const offset = fc.double({ min: -0.15, max: 0.15, noNaN: true });
    fc.assert(
      fc.property(offset, offset, fc.double({ min: 0.3, max: 0.46, noNaN: true }), (x, z, y) => {
        fc.pre(Math.hypot(x, y, z) < THIGH + SHANK);
        const hip: Point = [x, ANKLE + y, z];
        const { at } = planted(hip);
        expect(distance(hip, at("kneeJoint"))).toBeCloseTo(THIGH, 9);
        expect(distance(at("kneeJoint"), at("ankle"))).toBeCloseTo(SHANK, 9);
      }),
    );
  });

  test("weighs thigh, shank and foot", () => {
    expect(planted([0, ANKLE + THIGH + SHANK, 0]).moments[3]).toBeCloseTo(0.1 + 0.0465 + 0.0145, 12);
  });
});

describe("a foot on the floor", () => {
  test("flat, it is as long as a foot and all on the floor, the heel a quarter behind the ankle", () => {
    const { at } = planted([0, ANKLE + 0.45, 0]);
    expect(distance(at("heel"), at("toe"))).toBeCloseTo(FOOT, 9);
    for (const name of ["heel", "ball", "toe"] as const) expect(at(name)[1]).toBeCloseTo(0, 9);
    expect(at("heel")[0]).toBeCloseTo(-FOOT / 4, 9);
  });

  test("with the heel up the ball stays where it was, and the toes lie on the floor", () => {
    const flat = planted([0, ANKLE + 0.4, 0]);
    const up = planted([0, ANKLE + 0.4, 0], { heelLift: 30 });
    expect(distance(flat.at("ball"), up.at("ball"))).toBeCloseTo(0, 9);
    expect(up.at("heel")[1]).toBeCloseTo(distance(flat.at("heel"), flat.at("ball")) * Math.sin(30 / DEGREES), 9);
    expect(up.at("toe")[1]).toBeGreaterThanOrEqual(-1e-12);
  });

  test("with the toes up the heel stays where it was", () => {
    const flat = planted([0, ANKLE + 0.4, 0]);
    const up = planted([0, ANKLE + 0.4, 0], { heelLift: -20 });
    expect(distance(flat.at("heel"), up.at("heel"))).toBeCloseTo(0, 9);
    expect(up.at("toe")[1]).toBeCloseTo(FOOT * Math.sin(20 / DEGREES), 9);
  });
});

test("the highest hip over an ankle some way off is the other side of a right triangle", () => {
  for (const side of SIDES) {
    expect(highestHip(0, USUAL_BUILD, side)).toBeCloseTo(0.491, 9);
    expect(highestHip(0.2, USUAL_BUILD, side)).toBeCloseTo(Math.sqrt(0.491 ** 2 - 0.2 ** 2), 9);
    expect(highestHip(0.5, USUAL_BUILD, side)).toBe(-1);
  }
});
