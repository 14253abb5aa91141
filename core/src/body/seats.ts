import { entryNamed, recordOf } from "../named.ts";

/**
 * What a person sits on, and the geometry that decides what the seat allows. Lengths are shares of stature, taken from usual
 * furniture for a stature of 1.65 m; they are our own convention, see docs/model.md. Every seat faces ahead from the hips.
 *
 * `ahead` is how far the seat reaches in front of the hips, `halfWidth` how far it reaches to either side, `soft` whether it
 * gives way under the hips, `closed` whether its front is closed, so that no foot goes back under it. `back` stands behind the
 * hips and leans back by `lean` degrees; null where there is none. `arms` are to push up from and stand `apart` from the
 * midline; their width counts half a hand on either side. `legs` hang from the seat or lie along it. `usualHeight` is in
 * metres; null where the height is chosen for the person. `gives` is how much lower a person sits than the seat measures,
 * metres.
 */
export const SEATS = [
  {
    name: "chair",
    ahead: 0.18,
    halfWidth: 0.12,
    soft: false,
    closed: false,
    back: { top: 0.27, halfWidth: 0.12, lean: 0 },
    arms: null,
    legs: "down",
    usualHeight: null,
    gives: 0,
  },
  {
    name: "armchair",
    ahead: 0.18,
    halfWidth: 0.15,
    soft: false,
    closed: false,
    back: { top: 0.27, halfWidth: 0.15, lean: 0 },
    arms: { height: 0.13, apart: 0.14, width: 0.07, behind: 0.1, ahead: 0.12 },
    legs: "down",
    usualHeight: null,
    gives: 0,
  },
  {
    name: "wheelchair",
    ahead: 0.18,
    halfWidth: 0.13,
    soft: false,
    closed: false,
    back: { top: 0.26, halfWidth: 0.13, lean: 0 },
    arms: null,
    legs: "down",
    usualHeight: null,
    gives: 0,
  },
  {
    name: "bench",
    ahead: 0.18,
    halfWidth: 0.5,
    soft: false,
    closed: false,
    back: null,
    arms: null,
    legs: "down",
    usualHeight: 0.45,
    gives: 0,
  },
  {
    name: "lowWall",
    ahead: 0.12,
    halfWidth: 0.5,
    soft: false,
    closed: true,
    back: null,
    arms: null,
    legs: "down",
    usualHeight: 0.45,
    gives: 0,
  },
  {
    name: "sofa",
    ahead: 0.21,
    halfWidth: 0.5,
    soft: true,
    closed: true,
    back: { top: 0.28, halfWidth: 0.5, lean: 0 },
    arms: null,
    legs: "down",
    usualHeight: 0.43,
    gives: 0.05,
  },
  {
    name: "bedEdge",
    ahead: 0.18,
    halfWidth: 0.5,
    soft: true,
    closed: false,
    back: null,
    arms: null,
    legs: "down",
    usualHeight: 0.5,
    gives: 0.03,
  },
  {
    name: "bed",
    ahead: 0.5,
    halfWidth: 0.27,
    soft: true,
    closed: true,
    back: { top: 0.45, halfWidth: 0.27, lean: 30 },
    arms: null,
    legs: "along",
    usualHeight: 0.5,
    gives: 0.03,
  },
] as const satisfies readonly {
  name: string;
  ahead: number;
  halfWidth: number;
  soft: boolean;
  closed: boolean;
  back: { top: number; halfWidth: number; lean: number } | null;
  arms: { height: number; apart: number; width: number; behind: number; ahead: number } | null;
  legs: "down" | "along";
  usualHeight: number | null;
  gives: number;
}[];

/** The name of a seat. */
export type SeatName = (typeof SEATS)[number]["name"];
/** The geometry of one seat, see {@link SEATS}. */
export type SeatGeometry = (typeof SEATS)[number];

/** Seats that a venue or a home may have; a wheelchair is a person's own. */
export type FurnitureName = Exclude<SeatName, "wheelchair">;
/** The names of all seats but the wheelchair, as they are listed. */
export const FURNITURE_NAMES: readonly FurnitureName[] = SEATS.flatMap(({ name }) => (name === "wheelchair" ? [] : [name]));

const BY_NAME = recordOf(
  SEATS.map(({ name }) => name),
  (name): SeatGeometry => entryNamed(SEATS, name),
);

/**
 * Finds the geometry of a seat.
 *
 * @param name one of {@link SEATS}
 * @returns its geometry, lengths as shares of stature
 */
export const seatNamed = (name: SeatName): SeatGeometry => BY_NAME[name];

/** How a person uses a seat: with the back against its back, away from it, or at its front edge. */
export const SEAT_POSITIONS = ["back", "middle", "front"] as const;
/** One of {@link SEAT_POSITIONS}. */
export type SeatPosition = (typeof SEAT_POSITIONS)[number];

/** What a person sits on, and where on it. */
export interface SeatUse {
  readonly seat: FurnitureName;
  readonly position: SeatPosition;
}

/**
 * The positions that a seat allows: nobody leans back where there is no back, and whoever lies with the back raised has the
 * back against it.
 *
 * @param name one of {@link SEATS}
 * @returns at least one position, the usual one first
 */
export function positionsOn(name: SeatName): readonly SeatPosition[] {
  const { back, legs } = seatNamed(name);
  if (legs === "along") return ["back"];
  return back === null ? ["middle", "front"] : ["middle", "back", "front"];
}

/**
 * The position on a seat that comes nearest to one that was asked for.
 *
 * @param name one of {@link SEATS}
 * @param asked what was asked for; the seat's usual position where nothing was, or the seat does not allow it
 */
export function positionOn(name: SeatName, asked?: SeatPosition): SeatPosition {
  const allowed = positionsOn(name);
  return asked !== undefined && allowed.includes(asked) ? asked : (allowed[0] ?? "middle");
}

/** At the front of a seat its edge is no further ahead of the hips than this, share of stature. */
const FRONT_EDGE = 0.1;

/**
 * How far a seat reaches ahead of the hips.
 *
 * @param name one of {@link SEATS}
 * @param position where on the seat someone sits
 * @returns share of stature
 */
export const edgeAhead = (name: SeatName, position: SeatPosition): number =>
  position === "front" ? Math.min(FRONT_EDGE, seatNamed(name).ahead) : seatNamed(name).ahead;

/**
 * How far the back of a seat leans back.
 *
 * @param name one of {@link SEATS}
 * @returns degrees from upright; 0 where there is no back
 */
export const leanOf = (name: SeatName): number => seatNamed(name).back?.lean ?? 0;

/**
 * Whether legs lie along a seat rather than hang from it.
 *
 * @param name one of {@link SEATS}
 */
export const isLyingOn = (name: SeatName): boolean => seatNamed(name).legs === "along";
