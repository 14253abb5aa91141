import { distance, type FloorPosition } from "./floor-position.ts";

/** Quarter turns to the right from facing the front of the room. */
export type Turned = 0 | 1 | 2 | 3;

/** Someone on the floor, as they are in one item. */
export interface FloorFigure extends FloorPosition {
  readonly id: string;
  /** Metres. */
  readonly stature: number;
  readonly onFeet: boolean;
  /** Where they face. */
  readonly facing: Turned;
}

/** What of the instructor a participant looks at. */
export const SHOWN_PARTS = ["face", "hands", "feet"] as const;
/** A part of the instructor that a participant looks at. */
export type ShownPart = (typeof SHOWN_PARTS)[number];

/**
 * Heights over the floor and radii seen from above, shares of stature, of someone who stands and of someone who sits on a chair
 * that suits them. A trunk reaches up to the shoulders, a head from there to the crown. Our own convention, from the lengths of
 * the body model.
 */
const HEIGHTS = {
  standing: { eyes: 0.93, crown: 1, shoulders: 0.82, face: 0.91, hands: 0.6, feet: 0.03 },
  seated: { eyes: 0.7, crown: 0.77, shoulders: 0.59, face: 0.68, hands: 0.42, feet: 0.03 },
} as const;
const RADII = { trunk: 0.12, head: 0.06 } as const;
/** Half the way between the hands that are shown, share of stature. */
const HANDS_APART = 0.2;

const heightsOf = ({ onFeet }: Pick<FloorFigure, "onFeet">) => HEIGHTS[onFeet ? "standing" : "seated"];

interface Point extends FloorPosition {
  readonly height: number;
}

/** Whether someone stands or sits in the line from an eye to a point. */
function isInTheWay(body: FloorFigure, eye: Point, to: Point): boolean {
  const along = { x: to.x - eye.x, z: to.z - eye.z };
  const length = along.x ** 2 + along.z ** 2;
  if (length === 0) return false;
  const t = ((body.x - eye.x) * along.x + (body.z - eye.z) * along.z) / length;
  if (t <= 0 || t >= 1) return false;
  const beside = distance(body, { x: eye.x + t * along.x, z: eye.z + t * along.z });
  const height = eye.height + t * (to.height - eye.height);
  const { crown, shoulders } = heightsOf(body);
  if (height <= shoulders * body.stature) return beside < RADII.trunk * body.stature;
  return height <= crown * body.stature && beside < RADII.head * body.stature;
}

/** A metre ahead of someone, as they face: 0 to the instructor, then turned right by a quarter, a half and three quarters. */
export const LOOKS: Readonly<Record<Turned, FloorPosition>> = {
  0: { x: -1, z: 0 },
  1: { x: 0, z: 1 },
  2: { x: 1, z: 0 },
  3: { x: 0, z: -1 },
};

/** Eyes and neck turn so far to either side without the trunk, and so far with ease, degrees. Our own convention. */
const TURNS_TO = 100;
const AT_EASE = 60;

/** Whether a place lies further to the side than so many degrees. */
function isBeyond({ x, z, facing }: FloorFigure, to: FloorPosition, degrees: number): boolean {
  const away = distance({ x, z }, to);
  if (away === 0) return false;
  const ahead = (LOOKS[facing].x * (to.x - x) + LOOKS[facing].z * (to.z - z)) / away;
  return ahead < Math.cos((degrees * Math.PI) / 180);
}

/**
 * Whether a place lies behind someone: they cannot look there without turning round.
 *
 * @param figure who looks
 * @param to metres
 */
export const isBehind = (figure: FloorFigure, to: FloorPosition): boolean => isBeyond(figure, to, TURNS_TO);

/**
 * Whether someone has to turn the head far to look at a place.
 *
 * @param figure who looks
 * @param to metres
 */
export const isAside = (figure: FloorFigure, to: FloorPosition): boolean => isBeyond(figure, to, AT_EASE);

/**
 * Which parts of the instructor someone cannot see: all of them where the instructor is behind them, else those that are hidden
 * by others. Hands count as seen where one of them is.
 *
 * @param viewer who looks
 * @param instructor who is looked at
 * @param others who may be in the way
 * @param parts what there is to see
 */
export function unseenParts(
  viewer: FloorFigure,
  instructor: FloorFigure,
  others: readonly FloorFigure[],
  parts: readonly ShownPart[],
): ShownPart[] {
  if (isBehind(viewer, instructor)) return [...parts];
  const eye = { x: viewer.x, z: viewer.z, height: heightsOf(viewer).eyes * viewer.stature };
  const heights = heightsOf(instructor);
  const aside = LOOKS[((instructor.facing + 1) % 4) as Turned];
  const hidden = (part: ShownPart): boolean => {
    const by = part === "hands" ? [-1, 1].map((side) => side * HANDS_APART * instructor.stature) : [0];
    return by.every((metres) => {
      const to = {
        x: instructor.x + metres * aside.x,
        z: instructor.z + metres * aside.z,
        height: heights[part] * instructor.stature,
      };
      return others.some((other) => other.id !== viewer.id && isInTheWay(other, eye, to));
    });
  };
  return parts.filter(hidden);
}
