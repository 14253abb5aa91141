import * as v from "valibot";
import { FURNITURE_NAMES, type FurnitureName } from "../body/seats.ts";

const metres = (most: number) => v.optional(v.nullable(v.pipe(v.number(), v.minValue(0), v.maxValue(most))), null);
const text = (most: number) => v.optional(v.pipe(v.string(), v.maxLength(most)), "");

/** What a room or pool offers. Lengths are metres; depths from the shallow end to the deep. */
export const Venue = v.object({
  chairs: v.optional(
    v.array(
      v.object({
        height: v.pipe(v.number(), v.minValue(0.25), v.maxValue(0.7)),
        count: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(200)),
        /** Whether they have arms to push up from. */
        arms: v.exactOptional(v.boolean()),
        /** What they are, where they are not chairs; the count is then of places to sit. */
        kind: v.exactOptional(v.picklist(FURNITURE_NAMES)),
      }),
    ),
    [],
  ),
  /** Whether there are mats, foam or grass to stand on. */
  softFloor: v.exactOptional(v.boolean()),
  /** Whether it is each participant's own home: everyone sits on what they have there. */
  homes: v.exactOptional(v.literal(true)),
  rail: metres(60),
  floorLength: metres(60),
  floorWidth: metres(60),
  shallow: metres(3),
  deep: metres(3),
  poolLength: metres(60),
  /** Chairs for the water, with a lap belt, for those who cannot stand. */
  poolChairs: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(20)), 0),
  /** Degrees Celsius. */
  water: v.optional(v.nullable(v.pipe(v.number(), v.minValue(15), v.maxValue(42))), null),
});
export type Venue = v.InferOutput<typeof Venue>;

/** Seats of one kind in a place or a home. */
export interface Seat {
  readonly kind: FurnitureName;
  /** Height of the seat over the floor, metres; null where no one has measured it. */
  readonly height: number | null;
  /** How many people they seat. */
  readonly count: number;
}

/** Where no one has described the venue there is a seat of every kind for everyone. */
export const ANY_SEATS: readonly Seat[] = FURNITURE_NAMES.map((kind) => ({ kind, height: null, count: 200 }));

/**
 * The seats of a venue by kind.
 *
 * @param room as it is stored
 * @returns null where everyone is at their own home
 */
export const seatsOf = ({ chairs, homes }: Pick<Venue, "chairs" | "homes">): readonly Seat[] | null =>
  homes ? null : chairs.map(({ kind, arms, height, count }) => ({ kind: kind ?? (arms ? "armchair" : "chair"), height, count }));

/** What the class screen says when it stops. */
export const EmergencyCard = v.object({
  address: text(200),
  phone: text(60),
  defibrillator: text(120),
  exit: text(120),
  hoist: text(120),
});
export type EmergencyCard = v.InferOutput<typeof EmergencyCard>;

/** A venue as it is stored. */
export interface VenueInput {
  readonly name: string;
  readonly room: Venue;
  readonly emergency: EmergencyCard;
}
