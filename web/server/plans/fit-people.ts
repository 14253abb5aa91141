import { buildOf } from "@able-tide/core/body/build";
import type { Cap } from "@able-tide/core/caps/cap";
import type { FitPerson } from "@able-tide/core/fit/session";
import type { PersonPosition } from "@able-tide/core/plan/plan";
import type { PlanSetting } from "@able-tide/core/schedule/plan-setting";
import { poolDepth, shallowestNear } from "@able-tide/core/setup/pool-depth";
import { seatedBody } from "@able-tide/core/setup/seat-raise";
import { depthAt } from "@able-tide/core/setup/standing-positions";
import type { Person } from "../people/people.ts";

/** A person as the fit needs them on a day, standing where they stand in that place. */
export function fitPersonOf(
  { id, stature, mass, measured, about }: Pick<Person, "id" | "stature" | "mass" | "measured" | "about">,
  caps: readonly Cap[],
  { fitPlace, poolFloor, floor }: Pick<PlanSetting, "fitPlace" | "poolFloor" | "floor">,
  places: readonly PersonPosition[],
): FitPerson {
  const moved = places.find(({ personId }) => personId === id);
  const there = moved && floor ? depthAt(floor, moved) : null;
  const depth = fitPlace.pool === null ? null : (there ?? poolDepth(stature, buildOf(measured, stature), caps, poolFloor));
  return {
    id,
    stature,
    mass,
    measured: seatedBody(measured, stature, caps),
    aids: about.aids,
    depth,
    shallowest: depth === null ? null : shallowestNear(depth, poolFloor),
    ...(about.waterEquipment && { equipment: about.waterEquipment }),
    caps,
  };
}
