import { describe, expect, test } from "vitest";
import { buildOf, USUAL_BODY, USUAL_BUILD } from "../body/build.ts";
import { capOf } from "../caps/cap.fixture.ts";
import { poolDepth } from "./pool-depth.ts";

const SLOPING = { shallow: 0.9, deep: 1.4 };

describe("how deep someone stands in a pool", () => {
  test("is to the lower breastbone, in whole centimetres", () => {
    expect(poolDepth(1.7, USUAL_BUILD, [], SLOPING)).toBeCloseTo(1.19, 9);
    expect(poolDepth(1.55, USUAL_BUILD, [], SLOPING)).toBeCloseTo(1.08, 9);
  });

  test("is as deep as the floor goes, and no shallower than it begins", () => {
    expect(poolDepth(1.95, USUAL_BUILD, [], { shallow: 0.9, deep: 1.2 })).toBe(1.2);
    expect(poolDepth(1.2, USUAL_BUILD, [], { shallow: 1.1, deep: 1.4 })).toBe(1.1);
    expect(poolDepth(1.7, USUAL_BUILD, [], { shallow: null, deep: null })).toBeCloseTo(1.19, 9);
  });

  test("keeps a cap on depth, a share of stature", () => {
    expect(poolDepth(1.7, USUAL_BUILD, [capOf({ channel: "waterDepth", limit: 60 })], SLOPING)).toBeCloseTo(1.02, 9);
  });

  test("the chair of who cannot stand is set down at the shallow end", () => {
    expect(poolDepth(1.7, buildOf({ ...USUAL_BODY, wheelchair: true }, 1.7), [], SLOPING)).toBe(0.9);
  });
});
