import { FULL_STANDING_VARIANT, type VariantSpec } from "@able-tide/core/movement/variant";
import * as v from "valibot";
import { expect, test } from "vitest";
import { figureAddress } from "../app/kit/figure-address.ts";
import { FigureRequest } from "./figure-request.ts";

const read = (address: string) =>
  v.safeParse(FigureRequest, Object.fromEntries(new URL(address, "http://localhost").searchParams));

test.each<VariantSpec>([
  FULL_STANDING_VARIANT,
  { ...FULL_STANDING_VARIANT, kind: "supported", hold: { by: "rail", hand: "left" }, arms: "right", carried: "left" },
])("an address says the variant that it was made for", (variant) => {
  const of = { variant, lead: "left", fineness: "medium" } as const;
  expect(read(figureAddress("row-the-boat", "v1", of)).output).toEqual({ version: "v1", ...of });
});

test("an address without a variant asks for the movement's first", () => {
  expect(read("/movements/row-the-boat/figure").output).toEqual({ lead: "right", fineness: "small" });
});

test.each(['{"kind":"flying"}', "{", "[]", JSON.stringify({ ...FULL_STANDING_VARIANT, more: 1 })])(
  "%s is no variant",
  (variant) => {
    expect(read(`/?${new URLSearchParams({ variant })}`).success).toBe(false);
  },
);
