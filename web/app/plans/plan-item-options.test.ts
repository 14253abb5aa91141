import { changeItem } from "@able-tide/core/plan/change-item";
import type { PlanItem } from "@able-tide/core/plan/plan-item";
import { expect, test } from "vitest";
import { SIDES, sidesChange, sidesOf, VARIANTS, variantChange, variantOf } from "./plan-item-options.ts";

const ITEM: PlanItem = { id: "b1", movementId: "shift-and-press", rounds: 4, first: "right", hold: "left" };

test.each(SIDES)("sides: choosing %j is kept and shown again", (value) => {
  expect(sidesOf(changeItem(ITEM, sidesChange(value)))).toBe(value);
});

test.each(VARIANTS)("variant: choosing %j is kept and shown again", (value) => {
  expect(variantOf(changeItem(ITEM, variantChange(value)))).toBe(value);
});

test("one side only leaves out the other, whichever came first before", () => {
  expect(changeItem(ITEM, sidesChange("only left"))).toMatchObject({ only: "left" });
  expect(changeItem(ITEM, sidesChange("only left"))).not.toHaveProperty("first");
});
