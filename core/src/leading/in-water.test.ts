import { expect, test } from "vitest";
import type { Posture } from "../fit/version.ts";
import { endsInWater, outOfWater } from "./in-water.ts";

const item = (postures: readonly Posture[], apart: readonly string[] = []) => ({
  versions: postures.map((posture) => ({ posture })),
  apart,
});

test("whoever does no movement of a pool session stays out of the water", () => {
  const items = [item(["water"], ["a", "b", "c"]), item(["atWall", "poolChair"], ["c", "a"]), item([], ["a", "b", "c", "d"])];
  expect(outOfWater(items)).toEqual(["a", "c"]);
  expect(outOfWater([item(["water"])])).toEqual([]);
});

test("on land no one is out of the water, whoever rests throughout", () => {
  expect(outOfWater([item(["standing", "seated"], ["a"])])).toEqual([]);
  expect(outOfWater([])).toEqual([]);
});

test("a session ends where its last movement that someone does is led", () => {
  expect(endsInWater([item(["standing"]), item(["atWall"])])).toBe(true);
  expect(endsInWater([item(["water"]), item([], ["a"])])).toBe(true);
  expect(endsInWater([item(["water"]), item(["standing"])])).toBe(false);
  expect(endsInWater([])).toBe(false);
});
