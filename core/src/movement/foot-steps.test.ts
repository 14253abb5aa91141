import { describe, expect, test } from "vitest";
import { column, sidedColumn } from "../body/channels.ts";
import { itemAt, numberAt, present } from "../checked-access.ts";
import { readDemand } from "./demand.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { type SolvedSamples, valueAt } from "./solved-samples.ts";
import { timeAbove } from "./time-above.ts";

const secondsAbove = (samples: SolvedSamples, columnNumber: number, limit: number, cycleSeconds: number): number =>
  timeAbove(samples, (sample) => valueAt(samples, sample, columnNumber), limit).total * cycleSeconds;

import { trackOf } from "./track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "./variant.ts";

const samplesOf = (id: string, choice = FULL_STANDING_VARIANT) =>
  sampleTrack(present(trackOf(load(id), choice, "right"), "track"));
const stepsIn = (id: string) => samplesOf(id).reading.steps.map(({ side, direction }) => `${side} ${direction}`);

describe("the steps of a repetition", () => {
  test.each([
    ["step-ahead-and-home", ["right ahead", "right back"]],
    ["step-behind-and-home", ["right back", "right ahead"]],
    ["step-across-and-home", ["right across", "right across"]],
    ["shift-and-press", []],
  ])("%s", (id, steps) => {
    expect(stepsIn(id)).toEqual(steps);
  });

  test("are none on a chair", () => {
    expect(samplesOf("step-ahead-and-home", FULL_SEATED_VARIANT).reading.steps).toEqual([]);
  });

  test("back and across ask more than ahead while the foot is on its way", () => {
    const added = (id: string) => Math.max(...samplesOf(id).reading.added);
    expect(added("step-across-and-home")).toBeGreaterThanOrEqual(1);
    const { reading } = samplesOf("step-ahead-and-home");
    const onItsWay = reading.steps.map(({ segment }) => numberAt(reading.added, segment * 9 + 4));
    expect(onItsWay[1]).toBeGreaterThanOrEqual(itemAt(onItsWay, 0) + 1 - 1e-9);
  });
});

describe("time above a value", () => {
  const samples = samplesOf("lift-and-part");
  const elevation = sidedColumn("shoulderElevation", "right");
  const highest = numberAt(samples.reading.highest, elevation);

  test("is the whole repetition over nothing, none over the peak, and less the higher the value", () => {
    expect(secondsAbove(samples, elevation, -1, 8)).toBeCloseTo(8, 9);
    expect(secondsAbove(samples, elevation, highest, 8)).toBe(0);
    const times = [20, 60, 100].map((limit) => secondsAbove(samples, elevation, limit, 8));
    expect(times.toSorted((a, b) => b - a)).toEqual(times);
  });

  test("agrees with what the demand says of hands above the shoulder", () => {
    const demand = readDemand(samples, { stature: 1.65 }, 8);
    const over = secondsAbove(samples, sidedColumn("handOverShoulder", "right"), 0.01, 8);
    expect(Math.abs(over - demand.handAboveShoulderSeconds[1])).toBeLessThan(0.5);
  });
});

test("hands held out to the sides are further apart than the shoulders, and hidden from the eyes when they hang", () => {
  const { reading } = samplesOf("lift-and-part");
  expect(reading.highest[column("handSeparation")]).toBeGreaterThan(2);
  const arms = readDemand(samplesOf("settling-breath"), { stature: 1.65 }, 8);
  expect(arms.handOutOfSightSeconds[0]).toBeGreaterThan(0);
  expect(arms.handOutOfSightSeconds[0]).toBeLessThanOrEqual(8);
});
