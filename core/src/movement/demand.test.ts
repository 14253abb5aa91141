import { describe, expect, test } from "vitest";
import { sidedColumn } from "../body/channels.ts";
import { onRail } from "../body/supports.ts";
import { numberAt, present } from "../checked-access.ts";
import { readDemand } from "./demand.ts";
import type { Movement } from "./format.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "./variant.ts";

const samplesOf = (movement: Movement, choice: Partial<VariantSpec> = {}) =>
  sampleTrack(present(trackOf(movement, { ...FULL_STANDING_VARIANT, ...choice }, "right"), "track"));
const H = 1.65;
const CYCLE = 8;
const demandOf = (id: string, choice: Partial<VariantSpec> = {}, cycle = CYCLE) =>
  readDemand(samplesOf(load(id), choice), { stature: H }, cycle);

describe("seconds go with the pace", () => {
  test("on one leg, hands up and held out", () => {
    for (const id of ["one-leg-toe-near", "lift-and-part"]) {
      const quick = demandOf(id, {}, 4);
      const slow = demandOf(id, {}, 8);
      for (const key of ["oneLegSeconds", "longestOneLeg", "handAboveShoulderSeconds", "heldOutSeconds"] as const)
        for (const i of [0, 1] as const) expect(slow[key][i]).toBeCloseTo(2 * quick[key][i], 9);
    }
  });

  test("the one-leg stand is on the trailing leg, from lift to set-down", () => {
    const { oneLegSeconds, toeDownSeconds } = demandOf("one-leg-toe-near");
    expect(oneLegSeconds[0]).toBeCloseTo((0.8 - 0.22) * CYCLE, 9);
    expect(oneLegSeconds[1]).toBe(0);
    expect(toeDownSeconds).toEqual([0, 0]);
    const toe = demandOf("one-leg-toe-near", { toeDown: true });
    expect(toe.oneLegSeconds).toEqual([0, 0]);
    expect(toe.toeDownSeconds[0]).toBeCloseTo((0.8 - 0.22) * CYCLE, 9);
  });
});

describe("steadiness", () => {
  test("falls with a hand on the rail, with the toe down and on a chair", () => {
    const standing = demandOf("one-leg-toe-near").balance.total;
    expect(demandOf("one-leg-toe-near", { kind: "supported", hold: onRail("left") }).balance.total).toBeLessThan(standing - 2);
    expect(demandOf("one-leg-toe-near", { toeDown: true }).balance.total).toBeLessThan(standing);
    expect(demandOf("one-leg-toe-near", FULL_SEATED_VARIANT).balance.total).toBeLessThan(2);
  });

  test("its terms add up, and moving quicker never asks less", () => {
    for (const id of ["shift-and-press", "side-weight-shift", "trunk-turn"]) {
      const { balance } = demandOf(id);
      expect(balance.total).toBeCloseTo(balance.base + balance.movement + balance.added - balance.support, 9);
      expect(demandOf(id, {}, 3).balance.total).toBeGreaterThanOrEqual(balance.total - 1e-9);
    }
  });

  test("a taller body has a wider margin in metres, not in shares", () => {
    const samples = samplesOf(load("side-weight-shift"));
    const short = readDemand(samples, { stature: 1.5 }, CYCLE).leastMargin.metres;
    expect(readDemand(samples, { stature: 1.8 }, CYCLE).leastMargin.metres).toBeGreaterThan(short);
  });
});

describe("the least margin", () => {
  test("says towards which side it is: over the leg that carries, and the other way in a mirror", () => {
    const tall = load("one-leg-toe-near");
    const led = (lead: "left" | "right") =>
      readDemand(sampleTrack(present(trackOf(tall, FULL_STANDING_VARIANT, lead), "track")), { stature: H }, CYCLE).leastMargin
        .towards;
    expect([led("left"), led("right")].toSorted()).toEqual(["left", "right"]);
    expect(demandOf("heels-up").leastMargin.towards).toMatch(/ahead|back/);
  });
});

test("hands are overhead from a hundredth of the stature over the crown, as everywhere else", () => {
  const lift = load("lift-and-part");
  const raised = (elevation: number): Movement => ({
    ...lift,
    keys: lift.keys.map((key) => ({ ...key, arms: { elevation, plane: 85, elbow: 0, axial: 5 } })),
  });
  const over = (elevation: number) => {
    const { highest, features } = readDemand(samplesOf(raised(elevation)), { stature: H }, CYCLE);
    return { by: numberAt(highest, sidedColumn("handOverCrown", "left")), overhead: features.has("bothHandsOverhead") };
  };
  const steps = Array.from({ length: 361 }, (_, i) => over(90 + i / 4));
  const between = steps.filter(({ by }) => by > 0 && by <= 0.01);
  expect(between.length).toBeGreaterThan(2);
  expect(between.every(({ overhead }) => !overhead)).toBe(true);
  expect(steps.filter(({ by }) => by > 0.011).every(({ overhead }) => overhead)).toBe(true);
});

test("a channel's mean lies between its lowest and highest", () => {
  const { highest, lowest, mean } = demandOf("lift-and-part");
  mean.forEach((value, i) => {
    expect(value).toBeGreaterThanOrEqual(numberAt(lowest, i) - 1e-9);
    expect(value).toBeLessThanOrEqual(numberAt(highest, i) + 1e-9);
  });
  expect(highest[sidedColumn("shoulderElevation", "left")]).toBeCloseTo(140, 6);
});

test("no time is not a pace", () => {
  expect(() => readDemand(samplesOf(load("settling-breath")), { stature: H }, 0)).toThrow(RangeError);
});
