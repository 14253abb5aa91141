import type { Side } from "../side.ts";
import { RAIL_FROM, RAIL_SPACE, railSpaces } from "../venues/resources.ts";
import type { Venue } from "../venues/venue.ts";
import { clamp, distance, type FloorPosition } from "./floor-position.ts";
import { MOVES_ABOUT } from "./pool-depth.ts";
import { nearestOnTheWay, pastTheFloor, WAY_TOLERANCE, wayOf } from "./walk-ways.ts";

/**
 * A hall or pool as far as places are concerned, metres. The rail is on the right of a participant who faces the
 * instructor.
 */
export interface Floor {
  /** From the instructor's wall to the far one, and across. */
  readonly length: number;
  readonly width: number;
  /** Length of the rail along the right-hand wall, from the instructor's end; 0 without one. */
  readonly rail: number;
  /** Depth at the instructor's end and at the far one; null on land. */
  readonly pool: { readonly shallow: number; readonly deep: number } | null;
}

/** A pool whose width no one has given is drawn so wide, metres. */
const USUAL_POOL_WIDTH = 4;

/** The floor of a room or of its pool; null where no one has measured it. */
export function floorOf(
  room: Pick<Venue, "floorLength" | "floorWidth" | "rail" | "poolLength" | "shallow" | "deep"> | null,
  inWater: boolean,
): Floor | null {
  if (room === null) return null;
  const { floorLength, floorWidth, rail, poolLength, shallow, deep } = room;
  if (inWater)
    return poolLength && shallow !== null && deep !== null
      ? { length: poolLength, width: USUAL_POOL_WIDTH, rail: poolLength, pool: { shallow, deep } }
      : null;
  return floorLength && floorWidth ? { length: floorLength, width: floorWidth, rail: rail ?? 0, pool: null } : null;
}

/** Someone who needs a place. */
export interface PlacedPerson {
  readonly id: string;
  /** Metres. */
  readonly stature: number;
  /** Room for the arms and for the longest step, metres from the middle. */
  readonly reach: number;
  /** Items in which they hold the rail, and in which a helper has their hand. */
  readonly atRail: number;
  readonly helped: number;
  /** The hand with which they hold the rail or a wall; null where they hold neither, or with both alike. */
  readonly hand: Side | null;
  /** Whether they see or hear little. */
  readonly near: boolean;
  /** Depth to stand in; null on land. */
  readonly depth: number | null;
  /** Where walks take them, metres from their place, one after another; as many for everyone, none without a walk. */
  readonly walk: readonly FloorPosition[];
}

export interface StandingPosition extends FloorPosition {
  readonly personId: string;
  /** Why it is there, in a word or two. */
  readonly why: "rail" | "near" | "helper" | "depth" | "row" | "moved";
}

/** From the wall to the middle of someone who holds the rail, metres. */
const FROM_RAIL = 0.45;
/** From the instructor to the first row, metres. */
export const FIRST_ROW = 2;
/** Rows are this many times the widest reach apart where there is least room. */
const NEAREST = 1.5;
/** Nothing worth telling, metres. */
const NEARLY = 0.01;
/** What those at the rail and behind them need of the width. */
const RAIL_WAY = 1.4;
/** How deep the water is at a place; null on land. */
export const depthAt = ({ pool, length }: Pick<Floor, "pool" | "length">, { x }: Pick<FloorPosition, "x">): number | null =>
  pool === null ? null : pool.shallow + (clamp(x, 0, length) / length) * (pool.deep - pool.shallow);

/** Where on a sloping floor the water is so deep. */
function whereDeep({ pool, length }: Floor, depth: number): number {
  if (pool === null || pool.deep === pool.shallow) return length / 2;
  return clamp((length * (depth - pool.shallow)) / (pool.deep - pool.shallow), 0.5, length - 0.5);
}

/**
 * Room that two people need between their middles, metres: arms may overlap a little, since not everyone reaches at once.
 *
 * @param a one of them
 * @param b the other
 */
export const apart = (a: PlacedPerson, b: PlacedPerson): number => 0.75 * (a.reach + b.reach);

/**
 * The side on which someone who faces the instructor has the wall that is nearer.
 *
 * @param floor of the hall or pool
 * @param place metres
 */
export const wallSide = ({ width }: Pick<Floor, "width">, { z }: Pick<FloorPosition, "z">): Side =>
  z > width / 2 ? "right" : "left";

/** The spaces along the rail, from the instructor's end; in a pool along both walls. */
export function railPositions({ length, width, rail, pool }: Floor): FloorPosition[] {
  const along = Array.from({ length: railSpaces(rail, length) }, (_, i) => RAIL_FROM + (i + 0.5) * RAIL_SPACE);
  const walls = pool === null ? [width - FROM_RAIL] : [width - FROM_RAIL, FROM_RAIL];
  return along.flatMap((x) => walls.map((z) => ({ x, z })));
}

/** What walks need of the floor around a place: the furthest that anyone goes each way, metres. */
export interface WalkRoom {
  readonly front: number;
  readonly rear: number;
  readonly left: number;
  readonly right: number;
}

/**
 * What the walks of a group need of the floor around their places.
 *
 * @param people with where walks take each from their place
 */
export function walkRoom(people: readonly Pick<PlacedPerson, "walk">[]): WalkRoom {
  const places = people.flatMap(({ walk }) => walk);
  const furthest = (far: (place: FloorPosition) => number) => Math.max(0, ...places.map(far));
  return {
    front: furthest(({ x }) => -x),
    rear: furthest(({ x }) => x),
    left: furthest(({ z }) => -z),
    right: furthest(({ z }) => z),
  };
}

/**
 * Places in rows from the front, so far apart; in each row from the middle outward, where it is seen best.
 *
 * @param staggered whether every other row stands in the gaps of the one before, with one place less
 */
function rows(
  { length, width, rail }: Pick<Floor, "length" | "width" | "rail">,
  spacing: number,
  staggered: boolean,
): FloorPosition[] {
  // The way along the rail is left to those who hold it.
  const free = rail > 0 ? width - RAIL_WAY : width;
  const across = Math.max(1, Math.floor(free / spacing));
  const down = Math.max(1, Math.floor((length - FIRST_ROW) / spacing) + 1);
  return Array.from({ length: down }, (_, row) => {
    const places = staggered && row % 2 === 1 && across > 1 ? across - 1 : across;
    const left = (free - (places - 1) * spacing) / 2;
    const inRow = Array.from({ length: places }, (__, i) => i).sort(
      (a, b) => Math.abs(a - (places - 1) / 2) - Math.abs(b - (places - 1) / 2) || a - b,
    );
    return inRow.map((i) => ({ x: FIRST_ROW + row * spacing, z: left + i * spacing }));
  }).flat();
}

/**
 * Rows as wide apart as the floor lets so many people stand, never nearer than they need, with room for their walks; staggered
 * where there is room for it, so that no one stands straight behind another.
 *
 * @param reach the widest of them
 */
function roomyRows({ length, width, rail }: Floor, people: number, reach: number, walk: WalkRoom): FloorPosition[] {
  const inner = { length: length - walk.front - walk.rear, width: width - walk.left - walk.right, rail };
  const holds = (times: number, staggered: boolean): boolean =>
    rows(inner, times * reach, staggered).filter(({ x }) => x <= inner.length - reach).length >= people;
  const staggered = [2.4, 2.1, 1.8, NEAREST].find((times) => holds(times, true));
  const straight = [2.4, 2.1, 1.8].find((times) => holds(times, false)) ?? NEAREST;
  return rows(inner, (staggered ?? straight) * reach, staggered !== undefined).map(({ x, z }) => ({
    x: x + walk.front,
    z: z + walk.left,
  }));
}

/** Someone who has a place. */
type Placed = StandingPosition & { readonly person: PlacedPerson };

/** Room between someone and one who has a place. Neighbours at the rail stand one behind another: a space of it is all they need. */
const needed = (person: PlacedPerson, { person: other, why }: Placed, atRail: boolean): number =>
  atRail && why === "rail" ? RAIL_SPACE : apart(person, other);

const isFree = (placed: readonly Placed[], person: PlacedPerson, place: FloorPosition, atRail: boolean): boolean =>
  placed.every((there) => distance(there, place) >= needed(person, there, atRail) - 1e-9);

/** Whether someone's walks from a space at the rail stay on the floor and come too near no one. */
const canWalk = (floor: Floor, placed: readonly Placed[], person: PlacedPerson, place: FloorPosition): boolean =>
  pastTheFloor(floor, wayOf(place, person)) < NEARLY &&
  placed.every((there) => {
    const nearest = nearestOnTheWay(wayOf(place, person), wayOf(there, there.person));
    return nearest >= needed(person, there, true) - WAY_TOLERANCE;
  });

/** Which of two places is nearer to where the water is as deep as planned; on land neither. */
const byDepth =
  (deep: number | null) =>
  (a: FloorPosition, b: FloorPosition): number =>
    deep === null ? 0 : Math.abs(a.x - deep) - Math.abs(b.x - deep);

/**
 * The space at the rail or a wall that suits someone best.
 *
 * @param deep where the water is as deep as planned for them; null on land
 * @returns null where none is free, and for those who hold nothing
 */
function railSpaceFor(floor: Floor, placed: readonly Placed[], person: PlacedPerson, deep: number | null): FloorPosition | null {
  if (person.atRail === 0) return null;
  // A wall on the side of the other hand would turn them round.
  const isOther = ({ z }: FloorPosition) => Number(person.hand !== null && person.hand !== wallSide(floor, { z }));
  const byWall = (a: FloorPosition, b: FloorPosition) => isOther(a) - isOther(b) || byDepth(deep)(a, b);
  const spaces = railPositions(floor)
    .toSorted(byWall)
    .filter((place) => isFree(placed, person, place, true));
  const [best] = spaces;
  if (best === undefined || person.near) return best ?? null;
  // As near to the planned depth as anyone moves about: that much less water is counted on.
  const isAsDeep = ({ x }: FloorPosition): boolean => deep === null || Math.abs(x - deep) <= MOVES_ABOUT;
  const isAsGood = (place: FloorPosition): boolean =>
    isOther(place) === isOther(best) && isAsDeep(place) && canWalk(floor, placed, person, place);
  return spaces.find(isAsGood) ?? best;
}

/** Rail first, then who must see and hear, who needs a helper, the shorter in front. */
const byNeed = (a: PlacedPerson, b: PlacedPerson): number =>
  b.atRail - a.atRail ||
  Number(b.near) - Number(a.near) ||
  b.helped - a.helped ||
  a.stature - b.stature ||
  (a.id < b.id ? -1 : 1);

/**
 * Gives everyone a place by need: the rail first, then who must see and hear, who needs a helper at the end of a row,
 * the rest in rows with the shorter in front; in a pool by depth. Places that someone was moved to stay.
 *
 * @param moved places by person, as the instructor dragged them
 */
export function standingPositions(
  floor: Floor,
  people: readonly PlacedPerson[],
  moved: ReadonlyMap<string, FloorPosition>,
): StandingPosition[] {
  const placed: Placed[] = [];
  const put = (person: PlacedPerson, place: FloorPosition, why: StandingPosition["why"]) => {
    placed.push({ personId: person.id, ...place, why, person });
  };
  for (const person of people) {
    const to = moved.get(person.id);
    if (to) put(person, { x: clamp(to.x, 0, floor.length), z: clamp(to.z, 0, floor.width) }, "moved");
  }
  const left = people.filter(({ id }) => !moved.has(id));
  const reach = Math.max(0.5, ...people.map((person) => person.reach));
  const inRows = roomyRows(floor, left.length, reach, walkRoom(people));
  for (const person of left.toSorted(byNeed)) {
    const deep = person.depth === null ? null : whereDeep(floor, person.depth);
    const atRail = railSpaceFor(floor, placed, person, deep);
    if (atRail) {
      put(person, atRail, "rail");
      continue;
    }
    // Who stands in less water than the first row has, as on a chair by the hoist, is before it.
    const before = deep !== null && deep < FIRST_ROW ? inRows.map(({ z }) => ({ x: deep, z })) : [];
    const free = [...before, ...inRows.toSorted(byDepth(deep))].filter((place) => isFree(placed, person, place, false));
    const outer = free.filter(({ z }) => z < 2 * reach || z > floor.width - 2 * reach);
    const wanted = person.helped > 0 && !person.near ? [...outer, ...free] : free;
    const why = person.near ? "near" : person.helped > 0 ? "helper" : deep === null ? "row" : "depth";
    put(person, wanted[0] ?? { x: floor.length - 0.5, z: floor.width / 2 }, why);
  }
  return people.flatMap(({ id }) => placed.filter(({ personId }) => personId === id).map(({ person: _, ...place }) => place));
}
