import { describe, expect, test } from "vitest";
import { load } from "../movement/library.fixture.ts";
import { shallowestIn } from "./walked-depth.ts";

const turns = [
  { lead: "right" as const, rounds: 4 },
  { lead: "left" as const, rounds: 3 },
];
const ahead = { movement: load("walk-the-length"), turns };

describe("the shallowest water of an item", () => {
  test("on a walk is up the floor: 4 times .26 of 1.70 m on a floor that rises 5 cm a metre is 9 cm less", () => {
    expect(shallowestIn({ stature: 1.7, depth: 1.2, shallowest: 1.15, floorRise: 0.05 }, ahead)).toBeCloseTo(1.2 - 0.0884, 9);
  });

  test("is no deeper than where they move about anyway", () => {
    expect(shallowestIn({ stature: 1.7, depth: 1.2, shallowest: 1.05, floorRise: 0.05 }, ahead)).toBe(1.05);
  });

  test("stays as it is to the side, on the spot and on land", () => {
    const person = { stature: 1.7, depth: 1.2, shallowest: 1.15, floorRise: 0.05 };
    expect(shallowestIn(person, { movement: load("side-steps-along"), turns })).toBe(1.15);
    expect(shallowestIn(person, { movement: load("shift-and-press"), turns })).toBe(1.15);
    expect(shallowestIn({ stature: 1.7, depth: null, shallowest: null, floorRise: 0.05 }, ahead)).toBeNull();
  });
});
