import { SUPPORT_NAMES } from "@able-tide/core/body/supports";
import { DEPTHS, FULL_SIZE, VARIANT_KINDS } from "@able-tide/core/movement/variant";
import { SIDES } from "@able-tide/core/side";
import * as v from "valibot";

const Size = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(FULL_SIZE));

/** A variant as an address names it. */
const VariantSchema = v.strictObject({
  kind: v.picklist(VARIANT_KINDS),
  hold: v.nullable(v.strictObject({ by: v.picklist(SUPPORT_NAMES), hand: v.picklist(["both", ...SIDES]) })),
  depth: v.picklist(DEPTHS),
  toeDown: v.boolean(),
  arms: v.picklist(["both", ...SIDES]),
  carried: v.exactOptional(v.picklist(SIDES)),
  eased: v.exactOptional(v.literal(true)),
  sizes: v.strictObject({ armLeft: Size, armRight: Size, trunk: Size, legs: Size }),
  weightBack: v.boolean(),
});

const LONGEST_VARIANT = 600;

/** Which picture of a movement is asked for: in the first variant that it has unless another is named. */
export const FigureRequest = v.object({
  version: v.optional(v.pipe(v.string(), v.maxLength(32))),
  variant: v.optional(v.pipe(v.string(), v.maxLength(LONGEST_VARIANT), v.parseJson(), VariantSchema)),
  lead: v.optional(v.picklist(SIDES), "right"),
  fineness: v.optional(v.picklist(["small", "medium"]), "small"),
});
