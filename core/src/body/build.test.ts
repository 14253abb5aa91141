import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { numberAt, present } from "../checked-access.ts";
import { readDemand } from "../movement/demand.ts";
import { load } from "../movement/library.fixture.ts";
import { sampleTrack } from "../movement/samples.ts";
import { valueAt } from "../movement/solved-samples.ts";
import { trackOf } from "../movement/track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import { SIDES } from "../side.ts";
import { anyBody } from "./any-build.fixture.ts";
import { type Build, buildOf, type Limb, type MeasuredBody, USUAL_BODY, USUAL_BUILD, usualLengths, WHOLE } from "./build.ts";
import { weightInWater } from "./buoyancy.ts";
import { column, pointColumn, sidedColumn, sidedPointColumn } from "./channels.ts";
import { neutralPose, sidedSlot } from "./pose.ts";
import { SHARE } from "./segments.ts";
import { solvePose } from "./solve.ts";
import { onRail } from "./supports.ts";

const STATURE = 1.65;
const build = (differs: Partial<MeasuredBody>) => buildOf({ ...USUAL_BODY, ...differs }, STATURE);
const GONE: Limb = { kind: "absent", from: "upper", prosthesis: false };
const STILL: Limb = { kind: "still" };

const samplesOf = (id: string, choice: VariantSpec, of: Build) =>
  sampleTrack(present(trackOf(load(id), choice, "right", of), "track"));
const demandOf = (id: string, choice: VariantSpec, of: Build) => {
  const samples = samplesOf(id, choice, of);
  expect(samples.problem).toBeNull();
  return readDemand(samples, { stature: STATURE }, 8);
};

function standing(of: Build) {
  const pose = neutralPose();
  pose.values[sidedSlot("footZ", "left")] = -SHARE.hipHalfSeparation;
  pose.values[sidedSlot("footZ", "right")] = SHARE.hipHalfSeparation;
  return solvePose(pose, undefined, undefined, of);
}

describe("proportions", () => {
  test("weigh as much as the person does, whatever is missing", () => {
    fc.assert(
      fc.property(anyBody, ({ build: { masses } }) => {
        expect(masses.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
        expect(masses.every((share) => share >= 0)).toBe(true);
      }),
    );
  });

  test("measured as usual they are the usual ones", () => {
    const { leg, arm } = usualLengths(STATURE);
    const measured = build({ legLength: [leg, leg], armLength: [arm, arm] });
    measured.lengths.forEach((length, i) => {
      expect(length).toBeCloseTo(numberAt(USUAL_BUILD.lengths, i), 12);
    });
  });

  test("longer legs carry the hips higher by as much, and long arms reach further", () => {
    const { leg, arm } = usualLengths(STATURE);
    const long = standing(build({ legLength: [leg + 0.04, leg + 0.04], armLength: [arm + 0.05, arm] })).row;
    const usual = standing(USUAL_BUILD).row;
    const hips = pointColumn("pelvis") + 1;
    expect((numberAt(long, hips) - numberAt(usual, hips)) * STATURE).toBeCloseTo(0.04, 3);
    const below = (row: Float64Array, side: "left" | "right") =>
      numberAt(row, sidedPointColumn("shoulder", side) + 1) - numberAt(row, sidedPointColumn("fingertip", side) + 1);
    expect((below(long, "left") - below(long, "right")) * STATURE).toBeCloseTo(0.05, 9);
  });

  test("one leg shorter by two centimetres lowers the pelvis and bends the longer knee", () => {
    const { leg } = usualLengths(STATURE);
    const { row, problem } = standing(build({ legLength: [leg - 0.02, leg] }));
    expect(problem).toBeNull();
    expect(row[sidedColumn("knee", "left")]).toBeCloseTo(0, 3);
    expect(row[sidedColumn("knee", "right")]).toBeGreaterThan(15);
  });

  test("a length that cannot be this person's is refused", () => {
    expect(() => build({ legLength: [0.5, null] })).toThrow(RangeError);
  });

  test("a build that floats more leaves less on the feet", () => {
    const { row } = standing(USUAL_BUILD);
    expect(weightInWater(row, 0.7, build({ floats: 0.02 })).share).toBeLessThan(weightInWater(row, 0.7).share);
  });
});

describe("an arm that ends above the elbow", () => {
  const oneArm = build({ arms: [GONE, WHOLE] });

  test("shifts the body under the weight, which still stands where it is asked", () => {
    const { row, problem } = standing(oneArm);
    expect(problem).toBeNull();
    expect(row[column("comZ")]).toBeCloseTo(0, 6);
    expect(row[pointColumn("pelvis") + 2]).toBeLessThan(-0.002);
  });

  test("loads its shoulder as its own arm held out does, and never holds on", () => {
    const lifted = demandOf("lift-and-part", FULL_STANDING_VARIANT, oneArm);
    expect(lifted.highest[sidedColumn("shoulderLoad", "left")]).toBeLessThanOrEqual(1 + 1e-9);
    expect(
      trackOf(load("lift-and-part"), { ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("left") }, "right", oneArm),
    ).toBeNull();
    expect(
      trackOf(load("lift-and-part"), { ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("right") }, "right", oneArm),
    ).not.toBeNull();
  });
});

test("an arm that does not move of itself rests, whichever arms the variant moves and whichever side leads", () => {
  for (const lead of SIDES) {
    const track = present(trackOf(load("lift-and-part"), FULL_SEATED_VARIANT, lead, build({ arms: [WHOLE, STILL] })), "track");
    expect(track.segments.every(({ frame }) => frame.hands[1] === "onBody" && frame.hands[0] === "free")).toBe(true);
  }
});

describe("a leg that is absent or does not move", () => {
  test("leaves no standing variant, and with a prosthesis it does", () => {
    const movement = load("shift-and-press");
    const prosthesis: Limb = { kind: "absent", from: "lower", prosthesis: true };
    expect(trackOf(movement, FULL_STANDING_VARIANT, "right", build({ legs: [GONE, WHOLE] }))).toBeNull();
    expect(trackOf(movement, FULL_STANDING_VARIANT, "right", build({ legs: [STILL, WHOLE] }))).toBeNull();
    expect(
      demandOf("shift-and-press", FULL_STANDING_VARIANT, build({ legs: [prosthesis, WHOLE] })).leastMargin.metres,
    ).toBeGreaterThan(0);
  });

  test("carries nothing on the seat, where its stump lies level", () => {
    const samples = samplesOf("settling-breath", FULL_SEATED_VARIANT, build({ legs: [GONE, WHOLE] }));
    expect(samples.problem).toBeNull();
    expect(valueAt(samples, 0, sidedColumn("footShare", "left"))).toBe(0);
    expect(valueAt(samples, 0, sidedColumn("footShare", "right"))).toBeGreaterThan(0.1);
    const stump = valueAt(samples, 0, sidedPointColumn("toe", "left") + 1);
    expect(stump).toBeCloseTo(valueAt(samples, 0, sidedPointColumn("hip", "left") + 1), 6);
  });

  test("is not lifted when it is still; the other one is", () => {
    const marched = samplesOf("march-opposite-hand", FULL_SEATED_VARIANT, build({ legs: [STILL, WHOLE] }));
    expect(marched.problem).toBeNull();
    expect(marched.segments.some(({ frame }) => frame.feet[0] === "lifted")).toBe(false);
    expect(marched.segments.some(({ frame }) => frame.feet[1] === "lifted")).toBe(true);
  });
});

test("a wheelchair supports the back: sitting still asks nothing there, and there is no standing variant", () => {
  const wheels = build({ wheelchair: true });
  expect(demandOf("settling-breath", FULL_SEATED_VARIANT, wheels).quietSteadiness).toBe(0);
  expect(demandOf("settling-breath", FULL_SEATED_VARIANT, USUAL_BUILD).quietSteadiness).toBe(0.5);
  expect(trackOf(load("settling-breath"), FULL_STANDING_VARIANT, "right", wheels)).toBeNull();
});
