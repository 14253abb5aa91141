import { EmergencyCard, type VenueInput } from "@able-tide/core/venues/venue";
import * as v from "valibot";
import { requiredText } from "./required-text.ts";
import { rowVersion } from "./row-version.ts";

const metres = (most: number) =>
  v.optional(v.pipe(v.number("Enter a number of metres."), v.minValue(0.1), v.maxValue(most, `Enter ${most} m or less.`)));
const centimetres = v.optional(
  v.pipe(
    v.number("Enter a number of centimetres."),
    v.minValue(25, "Enter 25 cm or more."),
    v.maxValue(70, "Enter 70 cm or less."),
  ),
);
const count = v.optional(v.pipe(v.number("Enter a number."), v.integer("Enter a whole number."), v.minValue(1), v.maxValue(200)));

/** An empty field reaches the form as undefined. */
const text = (most: number) => v.optional(v.pipe(v.string(), v.maxLength(most, `Use ${most} characters or fewer.`)));

const Fields = v.object({
  name: requiredText("Enter a name for the venue.", 60),
  chairHeight: centimetres,
  chairCount: count,
  chairArms: v.optional(v.boolean(), false),
  otherHeight: centimetres,
  otherCount: count,
  otherArms: v.optional(v.boolean(), false),
  rail: metres(60),
  floorLength: metres(60),
  floorWidth: metres(60),
  shallow: metres(3),
  deep: metres(3),
  poolLength: metres(60),
  poolChairs: v.optional(
    v.pipe(
      v.number("Enter a number."),
      v.integer("Enter a whole number."),
      v.minValue(0, "Enter 0 or more."),
      v.maxValue(20, "Enter 20 or less."),
    ),
  ),
  water: v.optional(
    v.pipe(
      v.number("Enter a number of degrees Celsius."),
      v.minValue(15, "Enter 15 °C or more."),
      v.maxValue(42, "Enter 42 °C or less."),
    ),
  ),
  address: text(200),
  phone: text(60),
  defibrillator: text(120),
  exit: text(120),
  hoist: text(120),
  version: v.optional(rowVersion, 0),
});
export type VenueFormInput = v.InferInput<typeof Fields>;

const chairs = (height: number | undefined, of: number | undefined, arms: boolean) =>
  height === undefined ? [] : [{ height: height / 100, count: of ?? 1, ...(arms ? { arms } : {}) }];

/**
 * A venue from its form: chairs of two heights, rail, floor, pool floor from shallow to deep, and the emergency card.
 */
export const VenueForm = v.pipe(
  Fields,
  v.check(
    ({ shallow, deep }) => shallow === undefined || deep === undefined || shallow <= deep,
    "The shallow end is deeper than the deep end. Swap the two depths.",
  ),
  v.transform((fields): { version: number; place: VenueInput } => ({
    version: fields.version,
    place: {
      name: fields.name,
      room: {
        chairs: [
          ...chairs(fields.chairHeight, fields.chairCount, fields.chairArms),
          ...chairs(fields.otherHeight, fields.otherCount, fields.otherArms),
        ],
        rail: fields.rail ?? null,
        floorLength: fields.floorLength ?? null,
        floorWidth: fields.floorWidth ?? null,
        shallow: fields.shallow ?? null,
        deep: fields.deep ?? null,
        poolLength: fields.poolLength ?? null,
        poolChairs: fields.poolChairs ?? 0,
        water: fields.water ?? null,
      },
      emergency: v.parse(EmergencyCard, fields),
    },
  })),
);
