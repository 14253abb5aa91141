import { expect, test } from "vitest";
import { USUAL_BUILD } from "../body/build.ts";
import { sidedColumn } from "../body/channels.ts";
import { REFERENCE_STATURE } from "../body/segments.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { load } from "../movement/library.fixture.ts";
import { variantCode } from "../movement/variant.ts";
import { BREATH_SECONDS } from "../plan/style.ts";
import { balanceDemandOf, canBeDone, peakOf, peakOfSides, SUMMARY_WIDTH, summariesOf } from "./summary.ts";
import { createVariantCache } from "./variant-cache.ts";

const kick = load("slow-kick");
const summaries = summariesOf(kick);
const variants = createVariantCache();
const doer = { stature: REFERENCE_STATURE, build: USUAL_BUILD };

test("every variant is there once a side and size, and says what the variant's own reading says", () => {
  expect(summaries.values.length).toBe(summaries.forms.length * SUMMARY_WIDTH);
  expect(new Set(summaries.forms.map(({ choice, lead }) => `${variantCode(choice)} ${lead}`)).size).toBe(summaries.forms.length);
  // One in seventeen is enough to meet every kind, side and size.
  for (let form = 0; form < summaries.forms.length; form += 17) {
    const { choice, lead } = itemAt(summaries.forms, form);
    const demand = variants.demands(kick, choice, doer, BREATH_SECONDS.usual, [lead])?.[0];
    expect(canBeDone(summaries, form)).toBe(demand !== undefined);
    if (!demand) continue;
    expect(balanceDemandOf(summaries, form)).toBeCloseTo(demand.balance.total, 4);
    for (const name of ["handOverShoulder", "loadedKnee", "kneeLoad"] as const)
      expect(peakOf(summaries, form, name, "left")).toBeCloseTo(numberAt(demand.highest, sidedColumn(name, "left")), 4);
  }
});

test("a smaller size of the same variant never lifts a hand higher over its shoulder", () => {
  const highest = new Map<string, number>();
  summaries.forms.forEach(({ choice, lead }, form) => {
    const shape = `${variantCode({ ...choice, sizes: { armLeft: 8, armRight: 8, trunk: 8, legs: 8 } })} ${lead}`;
    const peak = peakOfSides(summaries, form, "handOverShoulder");
    expect(peak).toBeLessThanOrEqual((highest.get(shape) ?? Number.POSITIVE_INFINITY) + 1e-3);
    highest.set(shape, peak);
  });
});
