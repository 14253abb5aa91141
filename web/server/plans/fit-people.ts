import { buildOf } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import { present } from "@able-tide/core/checked-access";
import type { FitPerson } from "@able-tide/core/fit/session";
import type { PersonPosition, PlanContent } from "@able-tide/core/plan/plan";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { floorRiseOf, poolDepth, shallowestNear } from "@able-tide/core/setup/pool-depth";
import { canHold } from "@able-tide/core/setup/position-problems";
import { assignSeats, bodyOnSeat, capsOfSeat, ON_A_USUAL_CHAIR, type Seated, type Sitter } from "@able-tide/core/setup/seating";
import { depthAt } from "@able-tide/core/setup/standing-positions";
import type { Person } from "../people/people.ts";

type Fitted = Pick<Person, "id" | "stature" | "mass" | "measured" | "about">;
type Placed = Pick<PlanSetting, "fitPlace" | "poolFloor" | "floor" | "seats">;

/** A person as the fit needs them on a day, standing where they stand in that place and sitting on what they were given. */
function fitPersonOf(
  { id, stature, mass, measured, about }: Fitted,
  caps: readonly Cap[],
  { fitPlace, poolFloor, floor }: Placed,
  places: readonly PersonPosition[],
  { seat, chair }: Seated,
): FitPerson {
  const moved = places.find(({ personId }) => personId === id);
  const there = moved && floor ? depthAt(floor, moved) : null;
  const depth = fitPlace.pool === null ? null : (there ?? poolDepth(stature, buildOf(measured, stature), caps, poolFloor));
  return {
    id,
    stature,
    mass,
    measured: bodyOnSeat({ measured, stature, caps }, seat, chair),
    aids: about.aids,
    depth,
    shallowest: depth === null ? null : shallowestNear(depth, poolFloor),
    ...(depth !== null && { floorRise: floorRiseOf(poolFloor) }),
    ...(about.waterEquipment && { equipment: about.waterEquipment }),
    ...(moved && floor && fitPlace.pool === null && floor.rail > 0 && { atRail: canHold(floor, moved) }),
    caps: [...caps, ...capsOfSeat(id, seat)],
  };
}

/** A person as someone who needs a seat, whatever is chosen for them. */
export const sitterOf = ({ id, stature, measured, about }: Fitted, caps: readonly Cap[]): Omit<Sitter, "chosen"> => ({
  id,
  stature,
  measured,
  caps,
  home: about.home.map((seat) => ({ ...seat, count: 1 })),
});

/** What each person is given to sit on, in the order given. @param caps those of the day, person by person */
function seatsForPeople(
  people: readonly Fitted[],
  caps: ReadonlyMap<string, readonly Cap[]>,
  setting: Placed,
  { seats }: Pick<PlanContent, "seats">,
): readonly Seated[] {
  const sitters = people.map(
    (person): Sitter => ({
      ...sitterOf(person, caps.get(person.id) ?? []),
      chosen: seats.find(({ personId }) => personId === person.id) ?? null,
    }),
  );
  const given = setting.fitPlace.pool === null ? assignSeats(sitters, setting.seats) : null;
  return people.map(({ id }) => (given === null ? ON_A_USUAL_CHAIR : present(given.get(id), id)));
}

/** People as the fit needs them on a day, with what each was given to sit on; in the order given. */
export function fitPeopleOf(
  people: readonly Fitted[],
  caps: ReadonlyMap<string, readonly Cap[]>,
  setting: Placed,
  plan: Pick<PlanContent, "places" | "seats">,
): { readonly fits: readonly FitPerson[]; readonly seated: readonly Seated[] } {
  const seated = seatsForPeople(people, caps, setting, plan);
  return {
    fits: people.map((person, i) =>
      fitPersonOf(person, caps.get(person.id) ?? [], setting, plan.places, present(seated[i], person.id)),
    ),
    seated,
  };
}
