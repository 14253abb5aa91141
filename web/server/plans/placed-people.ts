import type { Cap } from "@able-tide/core/caps/cap";
import { stanceShares } from "@able-tide/core/movement/authored-keys";
import type { Movement } from "@able-tide/core/movement/format";
import { supportModeOf } from "@able-tide/core/movement/support-mode";
import { walkedPlaces } from "@able-tide/core/schedule/walks";
import type { PlacedPerson } from "@able-tide/core/setup/standing-positions";
import type { Side } from "@able-tide/core/side";
import { openLimitations } from "../people/limitations.ts";
import type { Scope } from "../scope.ts";
import type { FittedPlan } from "./fitted-plan.ts";

/** Half the span of the arms, and half of someone standing still; shares of stature. */
const ARMS = 0.48;
const STILL = 0.15;
/** Limitations with which someone has to be near to see or to hear. */
const NEAR: readonly string[] = ["lowVision", "hearingLoss"];

/** The furthest that a foot goes from the middle of the stance in a movement, share of stature. */
function travelOf(movement: Movement): number {
  const { length, width } = stanceShares(movement.stance);
  const feet = movement.keys.flatMap(({ feet: both, leadFoot, trailFoot }) => [both, leadFoot, trailFoot]);
  const stepped = feet.map((foot) => Math.hypot(foot?.ahead ?? 0, foot?.outward ?? 0));
  return Math.max(length, width / 2, ...stepped);
}

/** The hand that holds the rail or a wall most often; null where none does, or both do as often. */
function handOf(cells: FittedPlan["people"][number]["cells"]): Side | null {
  const times = (side: Side): number =>
    cells.filter(({ choice }) => choice?.hold?.by === "rail" && choice.hold.hand === side).length;
  const more = times("right") - times("left");
  return more === 0 ? null : more > 0 ? "right" : "left";
}

/** A session with everyone's cells, as places are found for it: of a plan, or of a class about to begin. */
export interface PlacedSession extends Pick<FittedPlan, "plan" | "group" | "setting" | "reading" | "sheet"> {
  readonly people: readonly (Pick<FittedPlan["people"][number], "person" | "fit" | "cells"> & {
    readonly caps: readonly Cap[];
  })[];
}

/** What each person of a plan needs of their place; whoever does not go into the water has none. */
export async function placedPeople(
  scope: Scope,
  { people, reading, group }: Pick<PlacedSession, "people" | "reading" | "group">,
): Promise<PlacedPerson[]> {
  const limitations = await openLimitations(scope);
  const there = people.filter(({ cells }) => !group.inWater || cells.some(({ choice }) => choice !== null));
  return there.map(({ person, fit, cells }) => {
    const modes = cells.map(({ choice }) => (choice === null ? null : supportModeOf(choice)));
    const travel = reading.blocks.map(({ movement }, i) => (modes[i] === null || modes[i] === "seated" ? 0 : travelOf(movement)));
    return {
      id: person.id,
      stature: person.stature,
      reach: person.stature * Math.max(ARMS, STILL + Math.max(0, ...travel)),
      atRail: modes.filter((mode) => mode === "rail" || mode === "wall").length,
      helped: modes.filter((mode) => mode === "helper").length,
      hand: handOf(cells),
      near: limitations.some(({ personId, rule }) => personId === person.id && NEAR.includes(rule)),
      depth: fit.depth ?? null,
      walk: walkedPlaces(reading.blocks, cells, person.stature),
    };
  });
}
