import { pointAt } from "../body/body-axes.ts";
import { pointColumn, sidedPointColumn } from "../body/channels.ts";
import { isOnSupport, type PoseFrame } from "../body/pose.ts";
import { unit, type Vector } from "../body/vector.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import { handParts } from "./hand-parts.ts";
import { limbPart, limbRings, roundStation } from "./limb.ts";
import { barOf, type FigurePart, type PartKind } from "./part.ts";
import { armrestParts, heldChairParts, seatParts } from "./seat-parts.ts";

/** How far a bar lies under the middle of the hand that holds it, share of stature. */
const UNDER_HAND = 0.017;
const METAL: PartKind = { name: "metal", material: "metal", side: null };
/** Where a chair stands behind the hips of someone who has risen from it, share of stature. */
const RISEN_FROM = 0.16;
/** The wall of a pool: how far aside its face is, its height, half its length and its thickness, shares of stature. */
export const POOL_WALL = { z: 0.3, height: 0.74, half: 0.42, thick: 0.05 } as const;

interface Held {
  readonly side: Side;
  readonly at: Vector;
}

const bar = (from: Vector, to: Vector, radius = 0.0115): FigurePart => barOf(METAL, from, to, radius, radius, [0.2, 1, 0.1]);

/** A rail along the way ahead, on a post. */
function railParts({ at: [x, y, z] }: Held): FigurePart[] {
  const height = y - UNDER_HAND;
  return [
    bar([x - 0.22, height, z], [x + 0.28, height, z], 0.0125),
    bar([x + 0.2, 0, z], [x + 0.2, height, z]),
    bar([x + 0.14, 0.005, z], [x + 0.26, 0.005, z], 0.008),
  ];
}

/** A rail across the way ahead, for both hands. */
function railAcross(held: readonly Held[]): FigurePart[] {
  const x = held.reduce((sum, { at }) => sum + at[0], 0) / held.length;
  const height = held.reduce((sum, { at }) => sum + at[1], 0) / held.length - UNDER_HAND;
  const reach = Math.max(...held.map(({ at }) => Math.abs(at[2]))) + 0.12;
  const post = reach - 0.05;
  return [
    bar([x, height, -reach], [x, height, reach], 0.0125),
    ...[-post, post].flatMap((z) => [bar([x, 0, z], [x, height, z]), bar([x - 0.05, 0.005, z], [x + 0.05, 0.005, z], 0.008)]),
  ];
}

function stickParts({ at: [x, y, z], side }: Held): FigurePart[] {
  const top = y - UNDER_HAND;
  const kind: PartKind = { name: "stick", material: "wood", side };
  return [
    barOf(kind, [x - 0.03, top, z], [x + 0.035, top, z], 0.011, 0.011, [0.1, 1, 0.2]),
    barOf(kind, [x + 0.005, 0, z], [x + 0.005, top, z], 0.0095, 0.0095, [1, 0, 0]),
  ];
}

/** A frame on four feet, open towards the person. */
function frameParts(held: readonly Held[]): FigurePart[] {
  const [x, y] = [0, 1].map((axis) => held.reduce((sum, { at }) => sum + (at[axis] ?? 0), 0) / held.length) as [number, number];
  const z = Math.max(...held.map(({ at }) => Math.abs(at[2])));
  const top = y - UNDER_HAND;
  const sides = [-z, z].flatMap((aside) => [
    bar([x - 0.09, top, aside], [x + 0.09, top, aside], 0.0125),
    bar([x - 0.115, 0, aside], [x - 0.09, top, aside]),
    bar([x + 0.13, 0, aside], [x + 0.09, top, aside]),
    bar([x - 0.1, top * 0.45, aside], [x + 0.11, top * 0.45, aside], 0.009),
  ]);
  return [
    ...sides,
    bar([x + 0.1, top - 0.02, -z], [x + 0.1, top - 0.02, z]),
    bar([x + 0.112, top * 0.45, -z], [x + 0.112, top * 0.45, z], 0.009),
  ];
}

/** A helper's hand under the hand that holds it, and their forearm. */
function helperParts({ at: [x, y, z], side }: Held): FigurePart[] {
  const s = sideSign(side);
  const wrist: Vector = [x + 0.025, y - 0.045, z + 0.075 * s];
  const elbow: Vector = [x + 0.06, y - 0.075, z + 0.24 * s];
  const fingers = unit([-0.2, 0.22, -s]);
  const palm: Vector = unit([0, 1, 0.22 * s]);
  const joint: Vector = [(wrist[0] + elbow[0]) / 2, (wrist[1] + elbow[1]) / 2, (wrist[2] + elbow[2]) / 2];
  const path = { from: elbow, joint, to: wrist, hinge: [1, 0, 0] as Vector, rounded: 0.01 };
  const thumb: Vector = [1, 0, 0];
  return [
    limbPart(
      { name: "helper", material: "helper", side: null },
      limbRings(path, [roundStation(0, 0.03), roundStation(1, 0.026), roundStation(2, 0.0165)]),
      { first: 0.4 },
    ),
    ...handParts({ wrist, fingers, palm, thumb }, side, {
      fist: 0.25,
      scale: 1,
      fingers: true,
      material: "helper",
      name: "helper",
    }),
  ];
}

function heldParts({ support, seating }: PoseFrame, held: readonly Held[]): FigurePart[] {
  const [first] = held;
  if (!first) return [];
  const ahead = held.length > 1 && held.every(({ at }) => at[0] > 0.15);
  if (seating.kind === "standing" && seating.atWall) return [];
  if (support === "chairBack") return heldChairParts(first.at[0], first.at[1] - UNDER_HAND);
  if (support === "frame") return frameParts(held);
  if (support === "stick") return held.flatMap(stickParts);
  if (support === "helper") return held.flatMap(helperParts);
  if (support === "armrests") return [];
  return ahead ? railAcross(held) : held.flatMap(railParts);
}

/** The wall of a pool, on the side of the hand that holds it. */
function poolWall(side: Side): FigurePart {
  const { z, height, half, thick } = POOL_WALL;
  const aside = (z + thick / 2) * sideSign(side);
  return barOf(
    { name: "wall", material: "wall", side: null, section: "box" },
    [-half, height / 2, aside],
    [half, height / 2, aside],
    thick / 2,
    height / 2,
    [0, 1, 0],
  );
}

/**
 * What a person sits on, rises from and holds on to.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param frame of the pose
 */
export function settingParts(row: Float64Array, frame: PoseFrame): FigurePart[] {
  const { seating } = frame;
  const pelvis = pointColumn("pelvis");
  const [x, z] = [numberAt(row, pelvis), numberAt(row, pelvis + 2)];
  const held = SIDES.filter((side) => isOnSupport(frame.hands[sideIndex(side)])).map(
    (side): Held => ({ side, at: pointAt(row, sidedPointColumn("handCentre", side)) }),
  );
  const parts = heldParts(frame, held);
  if (seating.kind === "seated")
    return [...seatParts(seating.seat, { x, z, height: seating.seatHeight }, seating.inPool), ...parts];
  if (seating.atWall) return [poolWall(held[0]?.side ?? "right"), ...parts];
  if (!seating.rising) return parts;
  const { seat, seatHeight, withArms } = seating.rising;
  const at = { x: -RISEN_FROM, z: 0, height: seatHeight };
  return [...seatParts(seat, at), ...(withArms && seat !== "armchair" ? armrestParts(at) : []), ...parts];
}
