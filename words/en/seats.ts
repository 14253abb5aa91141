import { positionOn, type SeatName, type SeatPosition, type SeatUse } from "@able-tide/core/body/seats";
import type { SeatProblem } from "@able-tide/core/setup/seating";

const SEATS: Readonly<Record<SeatName, string>> = {
  chair: "chair without arms",
  armchair: "chair with arms",
  wheelchair: "wheelchair",
  bench: "bench",
  lowWall: "low wall",
  sofa: "sofa",
  bedEdge: "edge of the bed",
  bed: "in bed, back raised",
};

/** What a seat is called, as "bench". */
export const seatLabel = (seat: SeatName): string => SEATS[seat];

const ON: Readonly<Record<SeatName, string>> = {
  chair: "on a chair without arms",
  armchair: "on a chair with arms",
  wheelchair: "in a wheelchair",
  bench: "on a bench",
  lowWall: "on a low wall",
  sofa: "on a sofa",
  bedEdge: "on the edge of the bed",
  bed: "in bed with the back raised",
};

/** Where someone sits, as "on a bench". */
export const onSeat = (seat: SeatName): string => ON[seat];

/** The same as a reason, as "sits on a bench". */
export const sitsOn = (seat: SeatName): string => `sits ${onSeat(seat)}`;

const POSITIONS: Readonly<Record<SeatPosition, string>> = {
  back: "back supported",
  middle: "back free",
  front: "at the front edge",
};

/** How a seat is used, as "back supported". */
export const seatPositionLabel = (position: SeatPosition): string => POSITIONS[position];

/** What someone sits on and, where it is not the usual way, how: "bench" or "chair with arms, back supported". */
export const formatSeatUse = ({ seat, position }: SeatUse): string =>
  positionOn(seat) === position ? seatLabel(seat) : `${seatLabel(seat)}, ${seatPositionLabel(position)}`;

/** What people sit on other than a usual chair, as a sentence; empty where everyone has one. */
export function formatSeats(people: readonly { readonly name: string; readonly seat: SeatUse | null }[]): string {
  const others = people.flatMap(({ name, seat }) => (seat ? [`${name}: ${formatSeatUse(seat)}`] : []));
  return others.length === 0 ? "" : `Seats other than a usual chair: ${others.join("; ")}.`;
}

/** Why a seat does not suit someone, as a clause. */
export const formatSeatProblem = (problem: SeatProblem): string =>
  problem.wrong === "tooLow"
    ? `is ${Math.ceil(100 * problem.by)} cm lower than their limits ask`
    : "has no arms, and their limits ask for a chair with arms";
