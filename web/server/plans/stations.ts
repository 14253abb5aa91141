import { type HelpBlock, helperSheet } from "@able-tide/core/fit/helper-sheet";
import { watchedItems } from "@able-tide/core/leading/watched-items";
import { type PlacedPerson, standingPositions } from "@able-tide/core/setup/standing-positions";
import { type Station, stationsOf, type WatchedItem } from "@able-tide/core/setup/stations";
import type { PersonPlace } from "@able-tide/words/stations";
import type { Scope } from "../scope.ts";
import { type PlacedSession, placedPeople } from "./placed-people.ts";

/** Where the participants of a session are, and what they need there. */
export interface SessionPlaces {
  /** What each participant needs of their place. */
  readonly placed: readonly PlacedPerson[];
  /** Everyone at their place; no one where no one has measured the floor. */
  readonly there: readonly PersonPlace[];
  /** What each item asks of a helper. */
  readonly helped: readonly HelpBlock[];
  /** Who is where in each item; what the places of the instructor and the helpers are found from. */
  readonly watched: readonly WatchedItem[];
}

/** The floor plan of a fitted plan: every page that shows a place asks here. */
export async function sessionPlaces(scope: Scope, fitted: PlacedSession): Promise<SessionPlaces> {
  const { plan, reading, setting, sheet, people } = fitted;
  const placed = await placedPeople(scope, fitted);
  const { floor } = setting;
  const helped = helperSheet(
    reading.blocks,
    people.map(({ person, cells, caps }) => ({ id: person.id, name: person.name, cells, caps })),
  );
  if (floor === null) return { placed, there: [], helped, watched: [] };
  const moved = new Map(plan.places.map(({ personId, x, z }) => [personId, { x, z }]));
  const positions = standingPositions(floor, placed, moved);
  const seen = people.flatMap(({ person: { id, name, stature }, cells }) => {
    const place = positions.find(({ personId }) => personId === id);
    return place ? [{ id, name, stature, place, cells }] : [];
  });
  return {
    placed,
    there: seen.map(({ id, name, place: { x, z } }) => ({ id, name, x, z })),
    helped,
    watched: watchedItems(floor, reading.blocks, sheet.items, seen, helped),
  };
}

/** Where the participants of a session are, and where those who lead it stand. */
export interface SessionStations extends SessionPlaces {
  /** One after another; none where no one has measured the floor. */
  readonly stations: readonly Station[];
}

/** The floor plan of a fitted plan with where the instructor and the helpers stand. */
export async function sessionStations(scope: Scope, fitted: PlacedSession): Promise<SessionStations> {
  const places = await sessionPlaces(scope, fitted);
  const { floor } = fitted.setting;
  return { ...places, stations: floor === null ? [] : stationsOf(floor, fitted.group.helpers, places.watched) };
}
