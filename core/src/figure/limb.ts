import { cross, minus, mix, unit, type Vector } from "../body/vector.ts";
import { itemAt } from "../checked-access.ts";
import { axesAlong, type FigurePart, type PartKind, partOf, type Ring, roundedEnd, squareTo } from "./part.ts";

/** A bent limb: where its joint turns, and which way the hinge of the joint lies. */
export interface LimbPath {
  readonly from: Vector;
  readonly joint: Vector;
  readonly to: Vector;
  /** Unit direction of the joint's hinge. */
  readonly hinge: Vector;
  /** Over how much of either bone the bend is spread, share of stature. */
  readonly rounded: number;
}

/**
 * The hinge of a joint between two bones, on the side of a wished direction.
 *
 * @param path the ends of the bones
 * @param straight the hinge where the bones lie in one line
 */
export function hingeOf({ from, joint, to }: Pick<LimbPath, "from" | "joint" | "to">, straight: Vector): Vector {
  const upper = unit(minus(joint, from));
  const bent = cross(upper, unit(minus(to, joint)));
  const size = Math.hypot(...bent);
  const level = squareTo(upper, straight);
  if (size < 1e-6) return level;
  // Nearly straight bones say little about their hinge: the two are blended over the first degrees of the bend.
  const turned = bent[0] * level[0] + bent[1] * level[1] + bent[2] * level[2] < 0 ? -1 : 1;
  const sure = Math.min(1, size / 0.3);
  const blended: Vector = [
    (1 - sure) * level[0] + (sure * turned * bent[0]) / size,
    (1 - sure) * level[1] + (sure * turned * bent[1]) / size,
    (1 - sure) * level[2] + (sure * turned * bent[2]) / size,
  ];
  return squareTo(upper, blended);
}

/**
 * A place on the way along a limb and the direction there.
 *
 * @param path of the limb
 * @param along counted in bones: 0 its beginning, 1 the joint, 2 its end
 */
export function onLimb(path: LimbPath, along: number): { readonly at: Vector; readonly way: Vector } {
  const { from, joint, to, rounded } = path;
  const upper = minus(joint, from);
  const lower = minus(to, joint);
  const [long, short] = [Math.hypot(...upper) || 1e-9, Math.hypot(...lower) || 1e-9];
  const before = 1 - Math.min(0.5, rounded / long);
  const after = 1 + Math.min(0.5, rounded / short);
  if (along <= before) return { at: mix(from, joint, along), way: unit(upper) };
  if (along >= after) return { at: mix(joint, to, along - 1), way: unit(lower) };
  // A bend between the two straight bones, as a parabola that begins and ends along them.
  const begin = mix(from, joint, before);
  const end = mix(joint, to, after - 1);
  const share = along < 1 ? (0.5 * (along - before)) / (1 - before) : 0.5 + (0.5 * (along - 1)) / (after - 1);
  const [a, b] = [mix(begin, joint, share), mix(joint, end, share)];
  const way = minus(b, a);
  return { at: mix(a, b, share), way: Math.hypot(...way) > 1e-6 ? unit(way) : unit(lower) };
}

/** One station of a limb: how far along, and its three measures, shares of stature. */
export type Station = readonly [along: number, half: number, front: number, back: number];

/**
 * A station as round as wide.
 *
 * @param along how far along the limb, counted in bones
 * @param radius share of stature
 */
export const roundStation = (along: number, radius: number): Station => [along, radius, radius, radius];

/**
 * The rings of a limb at stations along its path; v lies in the plane of the bend.
 *
 * @param path of the limb
 * @param stations in order
 */
export function limbRings(path: LimbPath, stations: readonly Station[]): Ring[] {
  return stations.map(([along, half, front, back]) => {
    const { at, way } = onLimb(path, along);
    const v = squareTo(way, cross(way, path.hinge));
    return { at, u: cross(v, way), v, half, front, back };
  });
}

/**
 * A part along a limb.
 *
 * @param kind of the part
 * @param rings at least two
 * @param round which ends are rounded off, by shares of the breadth there
 */
export function limbPart(
  kind: PartKind,
  rings: readonly Ring[],
  round: { readonly first?: number; readonly last?: number } = {},
): FigurePart {
  const first = itemAt(rings, 0);
  const last = itemAt(rings, rings.length - 1);
  const start = unit(minus(first.at, itemAt(rings, 1).at));
  const end = unit(minus(last.at, itemAt(rings, rings.length - 2).at));
  return partOf(kind, [
    ...(round.first ? roundedEnd(first, start, round.first * first.half, true) : []),
    ...rings,
    ...(round.last ? roundedEnd(last, end, round.last * last.half, false) : []),
  ]);
}

/**
 * A ball drawn out along a direction: an eye, an ear, a collar.
 *
 * @param kind its name, material and side
 * @param centre its middle
 * @param direction unit direction that it is drawn out along
 * @param along half its length, share of stature
 * @param half half its breadth
 * @param wished about where v looks
 */
export function ballPart(
  kind: PartKind,
  centre: Vector,
  direction: Vector,
  along: number,
  half: number,
  wished: Vector,
): FigurePart {
  const { u, v } = axesAlong(direction, wished);
  const ring: Ring = { at: centre, u, v, half, front: half, back: half };
  const back: Vector = [-direction[0], -direction[1], -direction[2]];
  return partOf(kind, [...roundedEnd(ring, back, along, true), ring, ...roundedEnd(ring, direction, along, false)]);
}
