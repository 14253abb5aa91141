import { pointAt } from "../body/body-axes.ts";
import { sidedPointColumn } from "../body/channels.ts";
import { cross, minus, unit, type Vector } from "../body/vector.ts";
import type { Side } from "../side.ts";
import { limbPart } from "./limb.ts";
import { type FigurePart, moved, type PartKind, partOf, type Ring, squareTo } from "./part.ts";

/** The directions of a hand: along its fingers, the way that its palm looks, and towards its thumb. */
export interface HandAxes {
  readonly wrist: Vector;
  readonly fingers: Vector;
  readonly palm: Vector;
  readonly thumb: Vector;
}

/**
 * The directions of a hand of a solved pose.
 *
 * @param row lengths as shares of stature
 * @param side of the hand
 */
export function handAxes(row: Float64Array, side: Side): HandAxes {
  const wrist = pointAt(row, sidedPointColumn("wristJoint", side));
  const centre = pointAt(row, sidedPointColumn("handCentre", side));
  const fingers = unit(minus(pointAt(row, sidedPointColumn("fingertip", side)), wrist));
  const palm = squareTo(fingers, unit(minus(pointAt(row, sidedPointColumn("palm", side)), centre)));
  return { wrist, fingers, palm, thumb: side === "right" ? cross(fingers, palm) : cross(palm, fingers) };
}

/** How a hand is drawn. */
export interface HandLook {
  /** 0 open to 1 a fist. */
  readonly fist: number;
  /** How many times larger than life: small pictures show hands a little larger. */
  readonly scale: number;
  /** Fingers of their own, or all four as one. */
  readonly fingers: boolean;
  readonly material: "skin" | "prosthesis" | "helper";
  readonly name: string;
}

/** How far each of a finger's three joints bends, radians: open, and so much more in a fist. */
const CURL = [
  [0.09, 1.35],
  [0.13, 1.65],
  [0.1, 1],
] as const;
/** Lengths of a finger's three bones, shares of stature. */
const BONES = [0.022, 0.0155, 0.0125] as const;
const PALM_LENGTH = 0.058;
const PALM_HALF = 0.026;
const PALM_THICK = 0.0135;
/** Each finger: how far aside from the middle of the hand towards the thumb, and its length as a share of the longest. */
const FINGERS = [
  [0.0192, 0.92],
  [0.0064, 1],
  [-0.0064, 0.95],
  [-0.0192, 0.78],
] as const;

/** The paler inside of the hand: how far from the wrist, how deep towards the palm, half its breadth. */
const PATCH = [
  [0.012, 0.0125, 0.012],
  [0.02, 0.0128, 0.0165],
  [0.036, 0.0128, 0.0215],
  [PALM_LENGTH - 0.004, 0.0105, 0.02],
] as const;

const bent = ({ fingers, palm }: HandAxes, angle: number): Vector => {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [c * fingers[0] + s * palm[0], c * fingers[1] + s * palm[1], c * fingers[2] + s * palm[2]];
};

/** A finger, or all four as one, curling towards the palm. */
function finger(
  kind: PartKind,
  axes: HandAxes,
  from: Vector,
  look: HandLook,
  long: number,
  half: number,
  deep: number,
): FigurePart {
  const rings: Ring[] = [];
  let at = from;
  let angle = 0;
  // v looks where the finger's inner side does, so that u lies across the hand on the same side for every ring.
  const across = cross(axes.palm, axes.fingers);
  const ringAt = (place: Vector, way: number, breadth: number): Ring => {
    const v = bent(axes, way + Math.PI / 2);
    return { at: place, u: across, v, half: half * breadth, front: deep * breadth, back: deep * breadth };
  };
  BONES.forEach((bone, i) => {
    const [open, closing] = CURL[i] ?? [0, 0];
    const turn = open + closing * look.fist;
    rings.push(ringAt(at, angle + turn / 2, 1 - 0.06 * i));
    angle += turn;
    at = moved(at, bent(axes, angle), bone * long * look.scale);
  });
  rings.push(ringAt(at, angle, 0.8));
  return limbPart(kind, rings, { last: deep / half });
}

/** The thumb: beside an open palm, over the fingers of a fist. */
function thumbPart(kind: PartKind, axes: HandAxes, { scale, fist }: HandLook): FigurePart {
  const { wrist, fingers, palm, thumb } = axes;
  const place = (along: number, towards: number, aside: number): Vector =>
    moved(moved(moved(wrist, fingers, scale * along), palm, scale * towards), thumb, scale * aside);
  const mixOf = (open: Vector, closed: Vector): Vector => [
    open[0] + fist * (closed[0] - open[0]),
    open[1] + fist * (closed[1] - open[1]),
    open[2] + fist * (closed[2] - open[2]),
  ];
  const root = place(0.014, 0.004, 0.018);
  const knuckle = mixOf(place(0.035, 0.012, 0.036), place(0.036, 0.024, 0.026));
  const tip = mixOf(place(0.062, 0.016, 0.045), place(0.052, 0.036, 0.004));
  const ring = (at: Vector, way: Vector, radius: number): Ring => {
    const v = squareTo(way, palm);
    return { at, u: cross(v, way), v, half: radius * scale, front: radius * scale, back: radius * scale };
  };
  const [first, second] = [unit(minus(knuckle, root)), unit(minus(tip, knuckle))];
  return limbPart(
    kind,
    [
      ring(root, first, 0.0115),
      ring(knuckle, unit([first[0] + second[0], first[1] + second[1], first[2] + second[2]]), 0.0095),
      ring(tip, second, 0.0075),
    ],
    { first: 1, last: 1 },
  );
}

/** The body of the hand from the wrist to the knuckles, and the paler patch of its palm. */
function palmParts(kind: PartKind, axes: HandAxes, { scale, fist, material }: HandLook): FigurePart[] {
  const { wrist, fingers, palm, thumb } = axes;
  // Across so that u x palm looks along the fingers.
  const u = cross(palm, fingers);
  const ring = (along: number, half: number, front: number, back: number): Ring => ({
    at: moved(wrist, fingers, scale * along),
    u,
    v: palm,
    half: scale * half,
    front: scale * front,
    back: scale * back,
  });
  const body = [
    ring(0, 0.0165, 0.012, 0.0125),
    ring(0.014, 0.0215, 0.0145, PALM_THICK),
    ring(0.034, PALM_HALF, 0.0145, PALM_THICK),
    ring(PALM_LENGTH, PALM_HALF * 0.98, 0.011, 0.0115),
  ];
  const parts = [limbPart(kind, body, { last: 0.3 })];
  if (material === "prosthesis") return parts;
  const patch = PATCH.map(
    ([along, deep, half]): Ring => ({
      at: moved(moved(moved(wrist, fingers, scale * along), palm, scale * deep), thumb, scale * 0.002),
      u,
      v: palm,
      half: scale * half,
      front: scale * 0.0035,
      back: scale * 0.003,
    }),
  );
  if (fist < 0.6) parts.push(partOf({ ...kind, material: material === "helper" ? "helper" : "palm" }, patch));
  return parts;
}

/**
 * A hand: palm, thumb and fingers.
 *
 * @param axes where it is and which way it is turned
 * @param side whose thumb
 * @param look how it is drawn
 */
export function handParts(axes: HandAxes, side: Side, look: HandLook): FigurePart[] {
  const kind: PartKind = { name: look.name, material: look.material, side };
  const { scale } = look;
  const knuckles = moved(axes.wrist, axes.fingers, scale * (PALM_LENGTH - 0.004));
  // Inner sides of open fingers are as pale as the palm: seen small, the hand is read by them.
  const fingers = look.fingers
    ? FINGERS.map(([aside, long]) =>
        finger(kind, axes, moved(knuckles, axes.thumb, scale * aside), look, long, scale * 0.0066, scale * 0.0066),
      )
    : [finger(kind, axes, knuckles, look, 0.95, scale * 0.0235, scale * 0.0075)];
  return [...palmParts(kind, axes, look), ...fingers, ...fingerPads(kind, axes, look, knuckles), thumbPart(kind, axes, look)];
}

/** The pale inner side of open fingers. */
function fingerPads(kind: PartKind, axes: HandAxes, look: HandLook, knuckles: Vector): FigurePart[] {
  if (look.material !== "skin" || look.fist >= 0.6) return [];
  const { scale } = look;
  const inner = (from: Vector, deep: number): Vector => moved(from, axes.palm, scale * deep * 0.62);
  const pad: PartKind = { ...kind, material: "palm" };
  if (!look.fingers) return [finger(pad, axes, inner(knuckles, 0.0075), look, 0.9, scale * 0.02, scale * 0.0045)];
  return FINGERS.map(([aside, long]) =>
    finger(
      pad,
      axes,
      inner(moved(knuckles, axes.thumb, scale * aside), 0.0066),
      look,
      long * 0.96,
      scale * 0.005,
      scale * 0.0042,
    ),
  );
}
