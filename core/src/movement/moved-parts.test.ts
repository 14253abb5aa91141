import { expect, test } from "vitest";
import { USUAL_BUILD } from "../body/build.ts";
import { REFERENCE_STATURE } from "../body/segments.ts";
import { present } from "../checked-access.ts";
import { createVariantCache, leadingSides } from "../fit/variant-cache.ts";
import { load } from "./library.fixture.ts";
import { movedPartsOf } from "./moved-parts.ts";
import { evenSizes, FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "./variant.ts";

const variants = createVariantCache();
const partsOf = (id: string, choice: VariantSpec = FULL_STANDING_VARIANT) => {
  const movement = load(id);
  const doer = { stature: REFERENCE_STATURE, build: USUAL_BUILD };
  return movedPartsOf(movement, present(variants.demands(movement, choice, doer, 8, leadingSides(movement)), id));
};

test.each([
  ["look-over-shoulder", ["neck"]],
  ["lift-and-drop-shoulders", ["shoulders"]],
  ["trunk-turn", ["neck", "shoulders", "elbows", "spine", "hips", "knees"]],
  ["chin-glide", ["neck"]],
  ["toes-up", ["shoulders", "ankles"]],
  ["quiet-feet", []],
  ["fist-and-open", ["elbows", "hands"]],
  ["heels-up", ["ankles"]],
  ["small-knee-bends", ["shoulders", "elbows", "hips", "knees", "ankles"]],
] as const)("%s moves %j", (id, parts) => {
  expect(partsOf(id)).toEqual(parts);
});

test("a chair takes the legs out of a movement, and a small size moves less", () => {
  expect(partsOf("shift-and-press")).toContain("knees");
  expect(partsOf("shift-and-press", FULL_SEATED_VARIANT)).not.toContain("ankles");
  expect(partsOf("small-knee-bends", { ...FULL_STANDING_VARIANT, sizes: evenSizes(1) })).toEqual([]);
});
