import { pointAt } from "../body/body-axes.ts";
import { type Build, lengthIndexes } from "../body/build.ts";
import { FIST_COLUMNS, pointColumn, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { cross, dot, mix, type Vector } from "../body/vector.ts";
import type { WaterEquipment } from "../body/water-equipment.ts";
import { numberAt } from "../checked-access.ts";
import { type Side, sideIndex, sideSign } from "../side.ts";
import { equipmentParts, GRIP } from "./equipment-parts.ts";
import type { FigureAxes } from "./figure-axes.ts";
import { handAxes, handParts } from "./hand-parts.ts";
import { hingeOf, type LimbPath, limbPart, limbRings, onLimb, roundStation, type Station } from "./limb.ts";
import { barOf, type FigurePart, moved, type Ring, squareTo } from "./part.ts";

/** How much the figure shows: large pictures have fingers of their own, small ones larger hands. */
export interface FigureDetail {
  /** How many times larger than life the hands are. */
  readonly hands: number;
  readonly fingers: boolean;
  /** How many times larger than life eyes and nose are, so that the gaze is told from afar. */
  readonly face: number;
  /** What hands that are free hold in water; nothing unless it is said. */
  readonly inHands?: WaterEquipment;
}

/** How far the shoulders of the drawn figure lie inside those of the model, share of their half breadth. */
export const SHOULDER_INSET = 0.16;

/** Radius of the arm by bones along it, shares of stature. */
const ARM: readonly Station[] = [
  roundStation(0.15, 0.0305),
  roundStation(0.5, 0.0285),
  roundStation(0.78, 0.0255),
  roundStation(0.9, 0.0248),
  roundStation(1, 0.0245),
  roundStation(1.1, 0.0252),
  roundStation(1.24, 0.0262),
  roundStation(1.5, 0.0235),
  roundStation(1.8, 0.0185),
  [2, 0.0165, 0.0145, 0.0145],
];
const SLEEVE: readonly Station[] = [
  roundStation(0.0, 0.0375),
  roundStation(0.2, 0.0375),
  roundStation(0.45, 0.036),
  roundStation(0.66, 0.0352),
];
/** The band at the end of the left sleeve and about the left wrist. */
const SLEEVE_BAND: readonly Station[] = [roundStation(0.55, 0.0372), roundStation(0.68, 0.0368)];
const WRIST_BAND: readonly Station[] = [roundStation(1.8, 0.0208), [1.91, 0.0192, 0.0178, 0.0178]];

/**
 * Where the drawn arm hangs: a little inside the model's shoulder, so that the figure is no broader than a usual one.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param side of the arm
 * @param axes of the trunk
 */
export const armPathOf = (row: Float64Array, side: Side, axes: FigureAxes): LimbPath => {
  const shoulder = pointAt(row, sidedPointColumn("shoulder", side));
  const top = pointAt(row, pointColumn("shoulderLine"));
  const from = mix(shoulder, top, SHOULDER_INSET);
  const joint = pointAt(row, sidedPointColumn("elbowJoint", side));
  const to = pointAt(row, sidedPointColumn("wristJoint", side));
  const bones = { from, joint, to };
  return { ...bones, hinge: hingeOf(bones, axes.thorax.right), rounded: 0.045 };
};

/** The rings near the wrist are as broad as the palm is, and turn with it. */
function turnedToPalm(rings: readonly Ring[], across: Vector): Ring[] {
  const turnedFrom = Math.max(0, rings.length - 4);
  return rings.map((ring, i) => {
    if (i < turnedFrom) return ring;
    const share = (i - turnedFrom + 1) / (rings.length - turnedFrom);
    const near = dot(ring.u, across) < 0 ? -1 : 1;
    const way = cross(ring.u, ring.v);
    const u = squareTo(way, mix(ring.u, [near * across[0], near * across[1], near * across[2]], share));
    const v = cross(way, u);
    return { ...ring, u, v };
  });
}

/** What is left of an arm that ends above or below the elbow, rounded off. */
function stump(side: Side, path: LimbPath, above: boolean): FigurePart[] {
  const end = above ? 1 : 2;
  const arm = limbRings(
    path,
    ARM.filter(([along]) => along <= end),
  );
  return [
    limbPart({ name: "arm", material: "skin", side }, arm, { last: 0.9 }),
    limbPart({ name: "sleeve", material: "shirt", side }, limbRings(path, SLEEVE), { first: 0.8 }),
    ...(side === "left" ? [limbPart({ name: "band", material: "band", side }, limbRings(path, SLEEVE_BAND))] : []),
  ];
}

/** Cloth of a sling about the forearm, by bones along the arm. */
const SLING: readonly Station[] = [
  roundStation(0.92, 0.031),
  roundStation(1.1, 0.0335),
  roundStation(1.4, 0.0315),
  roundStation(1.78, 0.0255),
];
/** An arm that is bent less hangs beside a sling, degrees. */
const IN_SLING = 45;

/** A sling that carries a bent arm from the other side of the neck. */
function slingParts(row: Float64Array, side: Side, { thorax }: FigureAxes, path: LimbPath): FigurePart[] {
  if (numberAt(row, sidedColumn("elbow", side)) < IN_SLING) return [];
  const kind = { name: "sling", material: "sling", side } as const;
  const top = pointAt(row, pointColumn("shoulderLine"));
  const across = -sideSign(side);
  const chest = moved(moved(top, thorax.ahead, 0.068), thorax.up, -0.06);
  const neck = moved(moved(moved(top, thorax.right, across * 0.045), thorax.up, 0.018), thorax.ahead, 0.02);
  const cloth = limbPart(kind, limbRings(path, SLING), { first: 0.8 });
  const { at } = onLimb(path, 1.7);
  return [cloth, barOf(kind, at, chest, 0.008, 0.004, thorax.ahead), barOf(kind, chest, neck, 0.008, 0.004, thorax.ahead)];
}

/**
 * Sleeve, arm and hand of one side.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param side of the arm
 * @param axes of the trunk
 * @param build whose arm it is: it may end above or below the elbow, or be replaced
 * @param detail how the hand is drawn
 */
export function armParts(row: Float64Array, side: Side, axes: FigureAxes, build: Build, detail: FigureDetail): FigurePart[] {
  const i = sideIndex(side);
  const path = armPathOf(row, side, axes);
  const left = (bone: "forearm" | "hand") => numberAt(build.lengths, lengthIndexes(bone)[i]) > 0;
  if (!left("hand")) return stump(side, path, !left("forearm"));
  const arm = build.measured.arms[i];
  const hand = handAxes(row, side);
  const replaced = arm.kind === "absent";
  const inHand = detail.inHands ?? "bare";
  const rings = turnedToPalm(limbRings(path, ARM), hand.thumb);
  const seam = replaced && arm.from === "upper" ? 0.5 : 1.5;
  const before = rings.filter((_, ring) => (ARM[ring]?.[0] ?? 0) <= seam);
  const after = rings.filter((_, ring) => (ARM[ring]?.[0] ?? 0) >= seam);
  return [
    limbPart({ name: "arm", material: "skin", side }, replaced ? before : rings, { first: 0.8 }),
    ...(replaced ? [limbPart({ name: "prosthesis", material: "prosthesis", side }, after)] : []),
    limbPart({ name: "sleeve", material: "shirt", side }, limbRings(path, SLEEVE), { first: 0.8 }),
    ...(arm.kind === "carried" ? slingParts(row, side, axes, path) : []),
    ...(side === "left"
      ? [
          limbPart({ name: "band", material: "band", side }, limbRings(path, SLEEVE_BAND)),
          limbPart({ name: "band", material: "band", side }, limbRings(path, WRIST_BAND)),
        ]
      : []),
    ...handParts(hand, side, {
      fist: Math.max(GRIP[inHand], replaced ? 0.4 : numberAt(row, FIST_COLUMNS[i])),
      scale: detail.hands,
      fingers: detail.fingers,
      material: replaced ? "prosthesis" : "skin",
      name: "hand",
    }),
    ...equipmentParts(inHand, hand, side),
  ];
}
