import { FURNITURE_NAMES, type FurnitureName } from "@able-tide/core/body/seats";
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

const seatKind = v.optional(v.picklist(FURNITURE_NAMES, "Choose one of these."), "chair");

/** An empty field reaches the form as undefined. */
const text = (most: number) => v.optional(v.pipe(v.string(), v.maxLength(most, `Use ${most} characters or fewer.`)));

/** What a venue is; only the fields of what it has are read. */
const VENUE_KINDS = ["hall", "pool", "both", "homes"] as const;
export type VenueKind = (typeof VENUE_KINDS)[number];

const Fields = v.object({
  name: requiredText("Enter a name for the venue.", 60),
  kind: v.optional(v.picklist(VENUE_KINDS, "Choose what the venue has."), "both"),
  chairHeight: centimetres,
  chairCount: count,
  chairKind: seatKind,
  otherHeight: centimetres,
  otherCount: count,
  otherKind: seatKind,
  thirdHeight: centimetres,
  thirdCount: count,
  thirdKind: seatKind,
  fourthHeight: centimetres,
  fourthCount: count,
  fourthKind: seatKind,
  softFloor: v.optional(v.boolean(), false),
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

/** What a new form begins with: a usual hall, and a usual warm pool. */
export const USUAL_VENUE = {
  kind: "hall",
  chairHeight: "45",
  chairCount: "12",
  floorLength: "8",
  floorWidth: "6",
  shallow: "0.9",
  deep: "1.3",
  poolLength: "8",
  water: "32",
} as const;

/** What a venue has, as its stored room tells. */
export function venueKindOf(room: VenueInput["room"]): VenueKind {
  const { chairs, homes, rail, floorLength, floorWidth, shallow, deep, water } = room;
  if (homes) return "homes";
  const isPool = shallow !== null || deep !== null || water !== null;
  const isHall = chairs.length > 0 || rail !== null || floorLength !== null || floorWidth !== null;
  if (!isPool) return "hall";
  return isHall ? "both" : "pool";
}

const NO_HALL = { chairs: [], rail: null, floorLength: null, floorWidth: null };
const NO_POOL = { shallow: null, deep: null, poolLength: null, poolChairs: 0, water: null };

/** Seats of one kind as they are stored: chairs with arms say so, what is no chair says what it is. */
function seats(height: number | undefined, of: number | undefined, kind: FurnitureName) {
  if (height === undefined) return [];
  const told = kind === "chair" ? {} : kind === "armchair" ? { arms: true } : { kind };
  return [{ height: height / 100, count: of ?? 1, ...told }];
}

/**
 * A venue from its form: seats of four kinds, rail and floor of a hall, the floor of a pool from shallow to deep, and the
 * emergency card.
 */
export const VenueForm = v.pipe(
  Fields,
  v.check(
    ({ kind, shallow, deep }) =>
      kind === "hall" || kind === "homes" || shallow === undefined || deep === undefined || shallow <= deep,
    "The shallow end is deeper than the deep end. Swap the two depths.",
  ),
  v.transform((fields): { version: number; place: VenueInput } => ({
    version: fields.version,
    place: {
      name: fields.name,
      room: {
        chairs: [
          ...seats(fields.chairHeight, fields.chairCount, fields.chairKind),
          ...seats(fields.otherHeight, fields.otherCount, fields.otherKind),
          ...seats(fields.thirdHeight, fields.thirdCount, fields.thirdKind),
          ...seats(fields.fourthHeight, fields.fourthCount, fields.fourthKind),
        ],
        rail: fields.rail ?? null,
        floorLength: fields.floorLength ?? null,
        floorWidth: fields.floorWidth ?? null,
        shallow: fields.shallow ?? null,
        deep: fields.deep ?? null,
        poolLength: fields.poolLength ?? null,
        poolChairs: fields.poolChairs ?? 0,
        water: fields.water ?? null,
        ...(fields.softFloor && fields.kind !== "pool" && fields.kind !== "homes" ? { softFloor: true } : {}),
        ...(fields.kind === "pool" ? NO_HALL : {}),
        ...(fields.kind === "hall" ? NO_POOL : {}),
        ...(fields.kind === "homes" ? { ...NO_HALL, ...NO_POOL, homes: true as const } : {}),
      },
      emergency: v.parse(EmergencyCard, fields),
    },
  })),
);
