import { type HelpBlock, helperSheet } from "@able-tide/core/fit/helper-sheet";
import { watchedItems } from "@able-tide/core/leading/watched-items";
import { type PlacedPerson, type StandingPosition, standingPositions } from "@able-tide/core/setup/standing-positions";
import { type Station, stationsOf, type WatchedItem } from "@able-tide/core/setup/stations";
import type { Scope } from "../scope.ts";
import { type PlacedSession, placedPeople } from "./placed-people.ts";

/** Where the participants of a session are, and what they need there. */
export interface SessionPlaces {
  /** What each participant needs of their place. */
  readonly placed: readonly PlacedPerson[];
  readonly positions: readonly StandingPosition[];
  /** What each item asks of a helper. */
  readonly helped: readonly HelpBlock[];
  /** Who is where in each item; what the places of the instructor and the helpers are found from. */
  readonly watched: readonly WatchedItem[];
  /** Where the instructor and the helpers stand, one after another. */
  readonly stations: readonly Station[];
}

/** The floor plan of a fitted plan: every page that shows a place asks here. No positions where no one has measured the floor. */
export async function sessionPlaces(scope: Scope, fitted: PlacedSession): Promise<SessionPlaces> {
  const { plan, group, reading, setting, sheet, people } = fitted;
  const placed = await placedPeople(scope, fitted);
  const { floor } = setting;
  const helped = helperSheet(
    reading.blocks,
    people.map(({ person, cells, caps }) => ({ id: person.id, name: person.name, cells, caps })),
  );
  if (floor === null) return { placed, positions: [], helped, watched: [], stations: [] };
  const moved = new Map(plan.places.map(({ personId, x, z }) => [personId, { x, z }]));
  const positions = standingPositions(floor, placed, moved);
  const there = people.flatMap(({ person: { id, stature }, cells }) => {
    const place = positions.find(({ personId }) => personId === id);
    return place ? [{ id, stature, place, cells }] : [];
  });
  const watched = watchedItems(floor, reading.blocks, sheet.items, there, helped);
  return { placed, positions, helped, watched, stations: stationsOf(floor, group.helpers, watched) };
}
