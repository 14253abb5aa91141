import {
  FURNITURE_NAMES,
  type FurnitureName,
  positionOn,
  positionsOn,
  SEAT_POSITIONS,
  type SeatPosition,
} from "@able-tide/core/body/seats";
import type { PersonSeat } from "@able-tide/core/plan/plan";
import {
  assignSeats,
  ON_A_USUAL_CHAIR,
  type Seated,
  type SeatProblem,
  type Sitter,
  seatProblem,
} from "@able-tide/core/setup/seating";
import type { Seat } from "@able-tide/core/venues/venue";

/** A person on the list of seats. */
export interface SeatedPerson extends Omit<Sitter, "chosen"> {
  readonly name: string;
}

/** A seat that can be chosen for someone, and why it does not suit them; null where it does. */
interface SeatOption {
  readonly seat: FurnitureName;
  readonly problem: SeatProblem | null;
}

/** One line of the list: what someone sits on, and what they could sit on. */
export interface SeatRow {
  readonly id: string;
  readonly name: string;
  /** Whether they bring their own wheelchair. */
  readonly wheelchair: boolean;
  readonly chosen: PersonSeat | null;
  readonly seated: Seated;
  readonly options: readonly SeatOption[];
  /** Where on their seat they may sit. */
  readonly positions: readonly SeatPosition[];
  /** Whether all places on the seat that was chosen are taken. */
  readonly full: boolean;
}

const kindsOf = (seats: readonly Pick<Seat, "kind">[]): FurnitureName[] =>
  FURNITURE_NAMES.filter((name) => seats.some(({ kind }) => kind === name));

/**
 * The list of seats as it stands: what everyone was given with what the instructor chose.
 *
 * @param seats of the place; null where everyone is at home
 */
export function seatRows(
  people: readonly SeatedPerson[],
  seats: readonly Seat[] | null,
  chosen: readonly PersonSeat[],
): SeatRow[] {
  const own = (id: string) => chosen.find(({ personId }) => personId === id) ?? null;
  const given = assignSeats(
    people.map((person) => ({ ...person, chosen: own(person.id) })),
    seats,
  );
  return people.map((person) => {
    const there = seats ?? person.home;
    const mine = own(person.id);
    const seated = given.get(person.id) ?? ON_A_USUAL_CHAIR;
    const options = kindsOf(there).map((kind): SeatOption => {
      const problems = there.filter((seat) => seat.kind === kind).map((seat) => seatProblem(seat, person));
      return { seat: kind, problem: problems.includes(null) ? null : (problems[0] ?? null) };
    });
    const suits = options.some(({ seat, problem }) => seat === mine?.seat && problem === null);
    return {
      id: person.id,
      name: person.name,
      wheelchair: person.measured.wheelchair,
      chosen: mine,
      seated,
      options,
      positions: SEAT_POSITIONS.filter((position) => positionsOn(mine?.seat ?? seated.seat?.seat ?? "chair").includes(position)),
      full: suits && mine !== null && (seated.seat?.seat ?? "chair") !== mine.seat,
    };
  });
}

/**
 * What was chosen, with one person's seat chosen anew.
 *
 * @param seat null where their seat is to be found for them
 */
export function chooseSeat(
  chosen: readonly PersonSeat[],
  personId: string,
  seat: FurnitureName | null,
  position?: SeatPosition,
): PersonSeat[] {
  const others = chosen.filter((each) => each.personId !== personId);
  return seat === null ? others : [...others, { personId, seat, position: positionOn(seat, position) }];
}
