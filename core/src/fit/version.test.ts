import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { onRail } from "../body/supports.ts";
import { load } from "../movement/library.fixture.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, mirrorVariant, type VariantSpec } from "../movement/variant.ts";
import { shapesOf } from "./candidates.ts";
import { isOnFeetVersion, VERSION_CODES, versionCode, versionOf, versionOfVariant } from "./version.ts";

const HALL = { depth: "middle", inWater: false } as const;
const of = (choice: Partial<VariantSpec>, planned: Parameters<typeof versionOfVariant>[1] = HALL) =>
  versionOf(versionOfVariant({ ...FULL_STANDING_VARIANT, ...choice }, planned));

describe("the version that a variant is", () => {
  test("every number is one version and back", () => {
    for (let code = 0; code < VERSION_CODES; code += 1) expect(versionCode(versionOf(code))).toBe(code);
    expect(() => versionOf(VERSION_CODES)).toThrow(RangeError);
  });

  test("posture, legs and arms are told apart", () => {
    expect(of({})).toEqual({ posture: "standing", legs: "planned", arms: "all" });
    expect(of({ depth: "high" })).toEqual({ posture: "standing", legs: "higher", arms: "all" });
    expect(of({ sizes: { armLeft: 8, armRight: 8, trunk: 8, legs: 0 } })).toMatchObject({ legs: "still" });
    expect(of({ arms: "left" })).toMatchObject({ arms: "one" });
    expect(of({ ...FULL_SEATED_VARIANT })).toEqual({ posture: "seated", legs: "planned", arms: "all" });
    // A chair has no stance height.
    expect(of({ ...FULL_SEATED_VARIANT, depth: "high" })).toMatchObject({ legs: "planned" });
    expect(of({ ...FULL_SEATED_VARIANT }, { depth: "middle", inWater: true })).toMatchObject({ posture: "poolChair" });
  });

  test("next to a hand that holds on, the other arm moves or rests", () => {
    const held = { kind: "supported", hold: onRail("left") } as const;
    expect(of(held)).toEqual({ posture: "holding", legs: "planned", arms: "all" });
    expect(of({ ...held, arms: "left" })).toMatchObject({ posture: "holding", arms: "none" });
    expect(of({ kind: "water", hold: onRail("left") })).toMatchObject({ posture: "atWall" });
  });

  test("size, toe down, weight over the heels and the second task change no version", () => {
    const plain = of({});
    expect(of({ sizes: { armLeft: 2, armRight: 5, trunk: 4, legs: 3 } })).toEqual(plain);
    expect(of({ toeDown: true, weightBack: true, eased: true })).toEqual(plain);
  });

  test("a variant and its mirror image are one version", () => {
    const shapes = shapesOf(load("one-leg-toe-near"));
    fc.assert(
      fc.property(fc.constantFrom(...shapes), (shape) => {
        expect(versionOfVariant(mirrorVariant(shape), HALL)).toBe(versionOfVariant(shape, HALL));
        expect(isOnFeetVersion(versionOfVariant(shape, HALL))).toBe(shape.kind !== "seated");
      }),
    );
  });
});
