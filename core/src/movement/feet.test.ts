import { describe, expect, test } from "vitest";
import { column, ROW_WIDTH, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { present } from "../checked-access.ts";
import type { Movement } from "./format.ts";
import { greatestJump } from "./jump.ts";
import { sampleTrack } from "./samples.ts";
import { INTERVALS, valueAt } from "./solved-samples.ts";
import { trackOf } from "./track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "./variant.ts";

const movement = (keys: Movement["keys"], more: Partial<Movement> = {}): Movement => ({
  format: "able-tide/movement",
  version: 2,
  id: "feet",
  name: { en: "Feet" },
  purpose: ["ankles and feet"],
  phase: "flow",
  sided: false,
  breaths: 1,
  stance: { kind: "hip" },
  keys,
  forms: { standing: {}, supported: {}, seated: {} },
  vary: {},
  cues: {},
  ...more,
});
const samplesOf = (made: Movement, choice = FULL_STANDING_VARIANT) =>
  sampleTrack(present(trackOf(made, choice, "right"), "track"));

const heels = movement([
  { at: 0, weight: 0.5 },
  { at: 0.25, press: 1 },
  { at: 0.5, feet: { heel: 25 } },
  { at: 0.75, feet: { heel: 0 } },
  { at: 1, like: 0 },
]);

describe("heels up", () => {
  const samples = samplesOf(heels);

  test("can be done, weight over the balls of the feet, without a jump", () => {
    expect(samples.problem).toBeNull();
    expect(greatestJump(samples).by).toBeLessThan(1e-5);
  });

  test("the heels leave the floor while the toes stay, and ankles point", () => {
    const top = 2 * (INTERVALS + 1);
    for (const side of ["left", "right"] as const) {
      expect(valueAt(samples, top, sidedPointColumn("heel", side) + 1)).toBeGreaterThan(0.03);
      expect(valueAt(samples, top, sidedColumn("dorsiflexion", side))).toBeLessThan(-10);
    }
  });

  test("ask more steadiness at the top than flat", () => {
    expect(samples.reading.highest[column("comY")]).toBeGreaterThan(0.574 + 0.02);
  });
});

test("toes up rock the weight to the heels", () => {
  const samples = samplesOf(
    movement([
      { at: 0 },
      { at: 0.3, press: -0.5 },
      { at: 0.6, feet: { toes: 12 } },
      { at: 0.85, feet: { toes: 0 } },
      { at: 1, like: 0 },
    ]),
  );
  expect(samples.problem).toBeNull();
  expect(greatestJump(samples).by).toBeLessThan(1e-5);
  expect(samples.reading.highest[sidedColumn("dorsiflexion", "left")]).toBeGreaterThan(12);
});

describe("a step to the side and home", () => {
  const step = movement([
    { at: 0, weight: 0.5 },
    { at: 0.2, weight: 0 },
    { at: 0.4, leadFoot: { outward: 0.12 } },
    { at: 0.6, weight: 0.5 },
    { at: 0.7, weight: 0 },
    { at: 0.9, leadFoot: { outward: 0 } },
    { at: 1, like: 0 },
  ]);
  const samples = samplesOf(step);

  test("can be done: the foot clears the floor and comes down where it should", () => {
    expect(samples.problem).toBeNull();
    expect(greatestJump(samples).by).toBeLessThan(1e-5);
    const ankle = sidedPointColumn("ankle", "right");
    const half = 1 * (INTERVALS + 1) + INTERVALS / 2;
    expect(valueAt(samples, half, ankle + 1)).toBeCloseTo(0.039 + 0.03, 6);
    expect(valueAt(samples, 2 * (INTERVALS + 1), ankle + 2)).toBeCloseTo(0.052 + 0.12, 6);
  });

  test("the standing leg carries everything while the other is on its way, and it counts as standing on one leg", () => {
    for (let i = 0; i <= INTERVALS; i += 1) expect(valueAt(samples, INTERVALS + 1 + i, sidedColumn("footShare", "left"))).toBe(1);
    expect(samples.reading.oneLeg.total[0]).toBeCloseTo(0.2 + 0.2, 9);
  });

  test("on a chair the foot slides out and home", () => {
    const seated = samplesOf(step, FULL_SEATED_VARIANT);
    expect(seated.problem).toBeNull();
    expect(seated.rows.length).toBe(seated.count * ROW_WIDTH);
  });
});
