import { REFERENCE_STATURE } from "../body/segments.ts";
import { itemAt } from "../checked-access.ts";
import { clamp, distance, type FloorPosition } from "./floor-position.ts";
import { type FloorFigure, isAside, type ShownPart, type Turned, unseenParts } from "./sight.ts";
import type { Floor } from "./standing-positions.ts";

/** What someone may need of a helper in an item: nothing while they sit, more while they stand, most near a limit. */
export const NEEDS = ["none", "standing", "close"] as const;
/** One of these needs. */
export type Need = (typeof NEEDS)[number];

/** Someone in one item, with what they may need. */
export interface WatchedFigure extends FloorFigure {
  readonly need: Need;
}

/** One item as it is watched: who is where, and what there is to see. */
export interface WatchedItem {
  readonly figures: readonly WatchedFigure[];
  /** Where most face. */
  readonly facing: Turned;
  /** Whether the instructor shows it standing. */
  readonly shownOnFeet: boolean;
  readonly parts: readonly ShownPart[];
}

/** What someone cannot see of the instructor. */
export interface Unseen {
  readonly personId: string;
  readonly parts: readonly ShownPart[];
}

/** Where those who lead stand in some items, one after another. */
export interface Station {
  /** The first item and the last. */
  readonly from: number;
  readonly to: number;
  readonly instructor: FloorPosition;
  readonly helpers: readonly FloorPosition[];
  /** Who cannot see what of the instructor in any of the items. */
  readonly unseen: readonly Unseen[];
  /** Who stands in any of the items and is reached by no one in time, by id; those near a limit first. */
  readonly unreached: readonly string[];
}

/** Two steps and an arm, metres. Our own convention. */
export const REACHED_ON_LAND = 2;
/** Five seconds of walking through water to the waist and an arm, metres. Our own convention. */
export const REACHED_IN_WATER = 2.6;
/** An arm and a stoop from the edge of a pool, metres. */
const REACHED_FROM_EDGE = 0.9;
/** The instructor is so far from the wall, a helper so far from walls and people, metres. */
const FROM_WALL = 0.5;
const FROM_PEOPLE = 0.6;
/** Places that are tried, metres from one to the next. */
const GRID = 0.5;

/** What looking to the side costs, as a share of a part that is hidden. */
const ASIDE_COST = 0.5;
const EPSILON = 1e-9;

const WEIGHTS: Readonly<Record<Need, number>> = { none: 0, standing: 1, close: 10 };
/** A place is left for another only where that is better by so much over the items that follow. */
const WALK_COSTS = { instructor: 4, helper: 6 } as const;

/** Where the instructor may stand: along each wall, or each edge of the pool, the middle of the front first. */
function instructorPlaces({ length, width, pool }: Floor): FloorPosition[] {
  const from = pool === null ? FROM_WALL : -FROM_WALL;
  const along = [0.5, 0.35, 0.65, 0.2, 0.8];
  return [
    ...along.map((share) => ({ x: from, z: share * width })),
    ...along.map((share) => ({ x: length - from, z: share * width })),
    ...along.map((share) => ({ x: share * length, z: from })),
    ...along.map((share) => ({ x: share * length, z: width - from })),
  ];
}

/** Whether the instructor is there in time: in a pool from its edge. */
const instructorReaches = ({ pool }: Floor, at: FloorPosition, { x, z }: FloorPosition): boolean =>
  distance(at, { x, z }) <= (pool === null ? REACHED_ON_LAND : FROM_WALL + REACHED_FROM_EDGE);

const helperReaches = ({ pool }: Floor, at: FloorPosition, to: FloorPosition): boolean =>
  distance(at, to) <= (pool === null ? REACHED_ON_LAND : REACHED_IN_WATER);

/** Places for a helper: a grid over the floor, away from walls and people. */
function helperPlaces({ length, width }: Floor, figures: readonly FloorPosition[]): FloorPosition[] {
  const steps = (metres: number) =>
    Array.from({ length: Math.max(1, Math.floor((metres - 2 * FROM_WALL) / GRID) + 1) }, (_, i) => i);
  return steps(length)
    .flatMap((i) => steps(width).map((j) => ({ x: FROM_WALL + i * GRID, z: FROM_WALL + j * GRID })))
    .map(({ x, z }) => ({ x: clamp(x, 0, length), z: clamp(z, 0, width) }))
    .filter((place) => figures.every((figure) => distance(figure, place) >= FROM_PEOPLE));
}

/** How good a helper's place is for those whom no one else reaches: nearest to those who need most, and behind them. */
function worthOf(floor: Floor, place: FloorPosition, figures: readonly WatchedFigure[]): number {
  return figures.reduce((sum, figure) => {
    const weight = WEIGHTS[figure.need];
    if (weight === 0 || !helperReaches(floor, place, figure)) return sum;
    const away = distance(place, figure);
    return sum + weight * (1 - 0.1 * away) + (place.x > figure.x ? 0.02 : 0);
  }, 0);
}

/**
 * The places for each item that are worth most in all, where every walk costs something: the best way over the items, one after
 * another, by dynamic programming. Of equals the earlier place.
 *
 * @param places that are tried
 * @param worth of each place, item by item
 * @param walk what walking from one to another costs
 */
export function bestPlaces<Place>(places: readonly Place[], worth: readonly (readonly number[])[], walk: number): Place[] {
  const from: number[][] = [];
  let before = places.map(() => 0);
  worth.forEach((own, i) => {
    const best = before.reduce((most, value, p) => (value > itemAt(before, most) + EPSILON ? p : most), 0);
    const came = places.map((_, p) => (i > 0 && itemAt(before, best) - walk > itemAt(before, p) + EPSILON ? best : p));
    before = places.map((_, p) => {
      const walked = itemAt(came, p) === p ? 0 : walk;
      return itemAt(before, itemAt(came, p)) - walked + itemAt(own, p);
    });
    from.push(came);
  });
  let at = before.reduce((most, value, p) => (value > itemAt(before, most) + EPSILON ? p : most), 0);
  const way: Place[] = [];
  for (let i = worth.length - 1; i >= 0; i -= 1) {
    way.unshift(itemAt(places, at));
    at = itemAt(itemAt(from, i), at);
  }
  return way;
}

/** What everyone cannot see of an instructor at some place. */
function unseenFrom({ figures, shownOnFeet, parts, facing }: WatchedItem, at: FloorPosition): Unseen[] {
  const back = ((facing + 2) % 4) as Turned;
  const instructor = { id: "", stature: REFERENCE_STATURE, onFeet: shownOnFeet, facing: back, ...at };
  return figures.flatMap((viewer): Unseen[] => {
    const unseen = unseenParts(viewer, instructor, figures, parts);
    return unseen.length === 0 ? [] : [{ personId: viewer.id, parts: unseen }];
  });
}

/** How bad it is to show an item from some place: what is hidden from anyone, and who has to look to the side. */
const hiddenFrom = (item: WatchedItem, at: FloorPosition): number =>
  unseenFrom(item, at).reduce((sum, { parts }) => sum + parts.length, 0) +
  ASIDE_COST * item.figures.filter((figure) => isAside(figure, at)).length;

const samePlaces = (a: Station, b: Station): boolean =>
  distance(a.instructor, b.instructor) < EPSILON &&
  a.helpers.every((place, i) => distance(place, itemAt(b.helpers, i)) < EPSILON);

const unionOf = <Thing>(a: readonly Thing[], b: readonly Thing[]): Thing[] => [...new Set([...a, ...b])];

/** Two stations with the same places, one after the other. */
function joined(a: Station, b: Station): Station {
  const idsOf = ({ unseen }: Station) => unseen.map(({ personId }) => personId);
  const partsOf = ({ unseen }: Station, id: string) => unseen.find(({ personId }) => personId === id)?.parts ?? [];
  return {
    ...a,
    to: b.to,
    unseen: unionOf(idsOf(a), idsOf(b)).map((personId) => ({
      personId,
      parts: unionOf(partsOf(a, personId), partsOf(b, personId)),
    })),
    unreached: unionOf(a.unreached, b.unreached),
  };
}

/**
 * Where the instructor and the helpers stand best through a session: the instructor where most can see what is shown, the
 * helpers where they reach those who stand, those near a limit first. They stay where they are unless walking is worth it. In a
 * pool the instructor is at its edge, where arms and legs stay in sight.
 *
 * @param floor of the hall or pool
 * @param helpers how many there are
 * @param items of the session, in order
 * @returns the items in which no one walks are one station
 */
export function stationsOf(floor: Floor, helpers: number, items: readonly WatchedItem[]): Station[] {
  const walls = instructorPlaces(floor);
  const instructor = bestPlaces(
    walls,
    items.map((item) => walls.map((at) => -hiddenFrom(item, at))),
    WALK_COSTS.instructor,
  );
  let left = items.map(({ figures }, i) =>
    figures.filter((figure) => figure.need !== "none" && !instructorReaches(floor, itemAt(instructor, i), figure)),
  );
  const places = helperPlaces(
    floor,
    items.flatMap(({ figures }) => figures),
  );
  const ways: FloorPosition[][] = [];
  for (let helper = 0; helper < helpers && places.length > 0; helper += 1) {
    const way = bestPlaces(
      places,
      left.map((figures, i) => {
        const taken = ways.map((other) => itemAt(other, i));
        return places.map((at) => (taken.some((other) => distance(other, at) < FROM_PEOPLE) ? -1 : worthOf(floor, at, figures)));
      }),
      WALK_COSTS.helper,
    );
    left = left.map((figures, i) => figures.filter((figure) => !helperReaches(floor, itemAt(way, i), figure)));
    ways.push(way);
  }
  const stations: Station[] = [];
  items.forEach((item, i) => {
    const at = itemAt(instructor, i);
    const unreached = itemAt(left, i).toSorted((a, b) => WEIGHTS[b.need] - WEIGHTS[a.need]);
    const station: Station = {
      from: i,
      to: i,
      instructor: at,
      helpers: ways.map((way) => itemAt(way, i)),
      unseen: unseenFrom(item, at),
      unreached: unreached.map(({ id }) => id),
    };
    const last = stations.at(-1);
    if (last && samePlaces(last, station)) stations[stations.length - 1] = joined(last, station);
    else stations.push(station);
  });
  return stations;
}
