import type { Cap } from "@able-tide/core/caps/cap";
import { type PlanSetting, slowestCycle, venueSupportsOf, weekOf } from "@able-tide/core/schedule/plan-setting";
import { floorOf } from "@able-tide/core/setup/standing-positions";
import { venueResources } from "@able-tide/core/venues/resources";
import { ANY_SEATS, seatsOf } from "@able-tide/core/venues/venue";
import { taughtMovements, timesTaught } from "../classes/taught.ts";
import type { Group } from "../groups/groups.ts";
import type { Scope } from "../scope.ts";
import { listVenues } from "../venues/venues.ts";
import type { Plan } from "./plans.ts";

/** What a plan of a group is made for on its day. @param caps those that hold, person by person */
export type SettingOf = (
  plan: Pick<Plan, "day">,
  group: Pick<Group, "id" | "seatedOnly" | "placeId" | "inWater" | "helpers">,
  caps: ReadonlyMap<string, readonly Cap[]>,
) => PlanSetting;

/** Reads once what the settings of many plans need. */
export async function settingsOf(scope: Scope, groupIds: readonly string[]): Promise<SettingOf> {
  const taught = await taughtMovements(scope, groupIds);
  const places = await listVenues(scope);
  return ({ day }, group, caps) => {
    const room = places.find(({ id }) => id === group.placeId)?.room ?? null;
    return {
      seatedOnly: group.seatedOnly,
      supports: venueSupportsOf(room, group.inWater),
      fitPlace: venueResources(room, group),
      seats: room === null ? ANY_SEATS : seatsOf(room),
      softFloor: !group.inWater && (room === null || room.softFloor === true),
      poolFloor: { shallow: room?.shallow ?? null, deep: room?.deep ?? null, length: room?.poolLength ?? null },
      floor: floorOf(room, group.inWater),
      week: weekOf(day),
      slowestCycle: slowestCycle([...caps.values()]),
      taught: timesTaught(taught, group.id, day),
    };
  };
}
