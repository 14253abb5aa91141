import { expect, test } from "vitest";
import { onRail } from "../body/supports.ts";
import { load } from "../movement/library.fixture.ts";
import { evenSizes, FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import { shownVariant } from "./shown-variant.ts";

const shift = load("side-weight-shift");
const small = evenSizes(3);
const shown = (choices: readonly VariantSpec[], planned = FULL_STANDING_VARIANT) => shownVariant(shift, planned, choices, false);
const held = (hand: "left" | "right"): VariantSpec => ({
  ...FULL_STANDING_VARIANT,
  kind: "supported",
  hold: onRail(hand),
  sizes: small,
  toeDown: true,
});

test("what is planned is shown as planned, however small people do it", () => {
  expect(shown([{ ...FULL_STANDING_VARIANT, sizes: small, weightBack: true }])).toBe(FULL_STANDING_VARIANT);
  expect(shown([])).toBe(FULL_STANDING_VARIANT);
});

test("another version is shown whole, with the hand that most hold on with", () => {
  expect(shown([held("left"), held("right"), held("right")])).toEqual({
    ...FULL_STANDING_VARIANT,
    kind: "supported",
    hold: onRail("right"),
  });
  expect(shown([{ ...FULL_SEATED_VARIANT, sizes: small }])).toEqual(FULL_SEATED_VARIANT);
});

test("legs that stand still stay still, and a variant that there is not is not shown", () => {
  const still: VariantSpec = { ...FULL_STANDING_VARIANT, sizes: { ...small, legs: 0 } };
  expect(shown([still]).sizes).toEqual({ ...evenSizes(8), legs: 0 });
  const standingOnly = { ...shift, forms: { ...shift.forms, seated: false as const } };
  expect(shownVariant(standingOnly, FULL_STANDING_VARIANT, [FULL_SEATED_VARIANT], false)).toBe(FULL_STANDING_VARIANT);
});
