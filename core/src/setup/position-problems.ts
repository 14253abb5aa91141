import { RAIL_FROM, RAIL_SPACE } from "../venues/resources.ts";
import { distance, type FloorPosition } from "./floor-position.ts";
import { apart, depthAt, type Floor, type PlacedPerson, type StandingPosition } from "./standing-positions.ts";
import { movedBy, nearestOnTheWay, pastTheFloor, WAY_TOLERANCE, wayOf } from "./walk-ways.ts";

/** What is wrong with a position, as a code; `by` in metres. */
export type PositionFinding =
  | {
      readonly found: "tooClose" | "tooDeep" | "walksTooClose" | "walksTooDeep" | "walksOffTheFloor" | "endsAway";
      readonly by: number;
    }
  | { readonly found: "nearWall" | "railOutOfReach" | "wallOutOfReach" | "farFromInstructor" };

/** What is too near what, or out of reach. */
export interface PositionProblem {
  readonly personId: string;
  readonly finding: PositionFinding;
}

/** What still counts as within reach of the rail. */
const RAIL_REACH = 0.75;
/** Water deeper than planned by more than this is too deep, metres. */
const DEEPER = 0.1;
/** Further than this from the front is hard to see and to hear. */
const NEAR_ROW = 3.5;

/**
 * Whether someone can hold on from a place: to the rail along the right-hand wall, or in a pool to either side of it.
 */
export function canHold({ width, rail, pool }: Floor, { x, z }: FloorPosition): boolean {
  if (pool !== null) return Math.min(z, width - z) <= RAIL_REACH;
  return width - z <= RAIL_REACH && x <= RAIL_FROM + rail;
}

/** Further than this from the own place at the end of walks is away from it, metres. */
const AWAY = 0.3;
/** Nearer to their place than this someone is at it, metres. */
const AT_HOME = 0.1;

/** Whether a walk has led from the own place. @param to metres from it */
export const isAway = ({ x, z }: FloorPosition): boolean => Math.hypot(x, z) > AT_HOME;

/** What is wrong with someone's walks: off the floor, too deep, or not back at their place. */
function walkFindings(floor: Floor, person: PlacedPerson, place: FloorPosition): PositionFinding[] {
  const walked = person.walk.filter(isAway).map((to) => movedBy(place, to));
  const away = Math.hypot(person.walk.at(-1)?.x ?? 0, person.walk.at(-1)?.z ?? 0);
  const off = pastTheFloor(floor, walked);
  const { depth } = person;
  const deeper = depth === null ? 0 : Math.max(0, ...walked.map((place) => (depthAt(floor, place) ?? 0) - depth - DEEPER));
  return [
    ...(off > 0.01 ? [{ found: "walksOffTheFloor" as const, by: off }] : []),
    ...(deeper > 0 ? [{ found: "walksTooDeep" as const, by: deeper + DEEPER }] : []),
    ...(away > AWAY ? [{ found: "endsAway" as const, by: away }] : []),
  ];
}

/**
 * What is wrong with some places: too near each other, too near a wall, away from the rail, too far to see, too deep; and where
 * walks lead from them.
 *
 * @param floor on which they are
 * @param people who stand on it
 * @param places where they stand
 */
export function positionProblems(
  floor: Floor,
  people: readonly PlacedPerson[],
  places: readonly StandingPosition[],
): PositionProblem[] {
  const of = (id: string) => places.find(({ personId }) => personId === id);
  return people.flatMap((person, i): PositionProblem[] => {
    const place = of(person.id);
    if (!place) return [];
    const problems: PositionFinding[] = [];
    const way = wayOf(place, person);
    for (const other of people.slice(i + 1)) {
      const there = of(other.id);
      if (!there) continue;
      // Neighbours at the rail stand one behind another: a space of it is all they need.
      const isAtRail = (who: PlacedPerson, at: FloorPosition) => who.atRail > 0 && floor.rail > 0 && canHold(floor, at);
      const neighbours = isAtRail(person, place) && isAtRail(other, there);
      const [room, needed] = [distance(place, there), neighbours ? RAIL_SPACE : apart(person, other)];
      const onTheWay = nearestOnTheWay(way, wayOf(there, other));
      if (room < needed - 0.01) problems.push({ found: "tooClose", by: needed - room });
      else if (onTheWay < needed - WAY_TOLERANCE) problems.push({ found: "walksTooClose", by: needed - onTheWay });
    }
    const room = Math.min(place.x, floor.length - place.x, place.z, floor.width - place.z);
    if (person.atRail === 0 && room < person.reach / 2) problems.push({ found: "nearWall" });
    if (person.atRail > 0 && floor.rail > 0 && !canHold(floor, place))
      problems.push({ found: floor.pool === null ? "railOutOfReach" : "wallOutOfReach" });
    if (person.near && place.x > NEAR_ROW) problems.push({ found: "farFromInstructor" });
    const depth = depthAt(floor, place);
    if (depth !== null && person.depth !== null && depth > person.depth + DEEPER)
      problems.push({ found: "tooDeep", by: depth - person.depth });
    return [...problems, ...walkFindings(floor, person, place)].map((finding) => ({ personId: person.id, finding }));
  });
}
