import { type BodyAxes, pointAt } from "../body/body-axes.ts";
import { type Build, lengthIndexes } from "../body/build.ts";
import { sidedPointColumn } from "../body/channels.ts";
import { thighRadius } from "../body/flesh.ts";
import { cross, minus, mix, unit, type Vector } from "../body/vector.ts";
import { numberAt } from "../checked-access.ts";
import { type Side, sideIndex } from "../side.ts";
import { hingeOf, type LimbPath, limbPart, limbRings, roundStation, type Station } from "./limb.ts";
import { type FigurePart, moved, partOf, type Ring, squareTo } from "./part.ts";

/** Half breadth, depth ahead and behind of a trouser leg by bones along it, shares of stature. */
const TROUSERS: readonly Station[] = [
  roundStation(0.02, thighRadius(0)),
  roundStation(0.18, thighRadius(0.18)),
  roundStation(0.5, thighRadius(0.5)),
  roundStation(0.75, thighRadius(0.78)),
  [0.88, 0.0405, 0.0425, 0.04],
  [1, 0.04, 0.043, 0.039],
  [1.12, 0.0395, 0.0405, 0.0405],
  [1.3, 0.04, 0.038, 0.0425],
  roundStation(1.6, 0.0375),
  roundStation(1.86, 0.035),
];
const HEM_BAND: readonly Station[] = [roundStation(1.76, 0.0368), roundStation(1.87, 0.0358)];
/** The ankle in its sock, under the hem. */
const ANKLE: readonly Station[] = [roundStation(1.8, 0.024), roundStation(2, 0.025)];

/** Along the shoe as a share from heel to toe: half breadth, height over the sole's middle line, shares of stature. */
const SHOE = [
  [-0.02, 0.014, 0.022],
  [0.03, 0.0225, 0.034],
  [0.12, 0.026, 0.043],
  [0.28, 0.0265, 0.046],
  [0.42, 0.0265, 0.036],
  [0.55, 0.0285, 0.0285],
  [0.7, 0.0315, 0.0245],
  [0.85, 0.0305, 0.021],
  [0.95, 0.025, 0.017],
  [1.02, 0.014, 0.0105],
] as const;
/** How thick the sole is, and how far it stands out. */
const SOLE = { thick: 0.011, out: 1.08 } as const;
/** Where the toes bend, as a share from heel to toe. */
const BALL = 0.72;

/** A foot of a solved pose: heel, ball and toe, and the way up out of it. */
function footAxes(row: Float64Array, side: Side) {
  const [heel, ball, toe, ankle] = (["heel", "ball", "toe", "ankle"] as const).map((name) =>
    pointAt(row, sidedPointColumn(name, side)),
  ) as [Vector, Vector, Vector, Vector];
  const ahead = unit(minus(ball, heel));
  const fore = Math.hypot(...minus(toe, ball)) > 1e-6 ? unit(minus(toe, ball)) : ahead;
  const wished = Math.hypot(...minus(ankle, heel)) > 1e-6 ? minus(ankle, heel) : ([0, 1, 0] as Vector);
  const up = squareTo(ahead, wished);
  return { heel, ball, toe, fore, up, left: cross(up, ahead) };
}

function shoeParts(row: Float64Array, side: Side, bare: boolean): FigurePart[] {
  const { heel, ball, toe, fore, up, left } = footAxes(row, side);
  const foreUp = cross(fore, left);
  const at = (share: number): { readonly place: Vector; readonly v: Vector } => {
    const place = share < BALL ? mix(heel, ball, share / BALL) : mix(ball, toe, (share - BALL) / (1 - BALL));
    const bent = Math.min(1, Math.max(0, (share - BALL + 0.12) / 0.24));
    return {
      place,
      v: unit([up[0] + bent * (foreUp[0] - up[0]), up[1] + bent * (foreUp[1] - up[1]), up[2] + bent * (foreUp[2] - up[2])]),
    };
  };
  const ring = (share: number, half: number, front: number, lift: number): Ring => {
    const { place, v } = at(share);
    return { at: moved(place, v, lift), u: left, v, half, front, back: 0.002 };
  };
  const upper = SHOE.map(([share, half, high]) => ring(share, half, high - SOLE.thick + 0.004, SOLE.thick - 0.002));
  const sole = SHOE.map(([share, half]): Ring => {
    const { place, v } = at(share);
    return {
      at: moved(place, v, SOLE.thick / 2),
      u: left,
      v,
      half: half * SOLE.out,
      front: SOLE.thick / 2,
      back: SOLE.thick / 2,
    };
  });
  const material = bare ? "prosthesis" : side === "left" ? "leftShoe" : "shoe";
  return [
    limbPart({ name: "shoe", material, side }, upper, { first: 0.4, last: 0.5 }),
    partOf({ name: "sole", material: "sole", side, section: "round" }, sole),
  ];
}

/**
 * The path of a leg.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param side of the leg
 * @param pelvis directions of the pelvis: a straight knee bends about its breadth
 */
export function legPathOf(row: Float64Array, side: Side, pelvis: BodyAxes): LimbPath {
  const from = pointAt(row, sidedPointColumn("hip", side));
  const joint = pointAt(row, sidedPointColumn("kneeJoint", side));
  const to = pointAt(row, sidedPointColumn("ankle", side));
  const bones = { from, joint, to };
  const left: Vector = [-pelvis.right[0], -pelvis.right[1], -pelvis.right[2]];
  return { ...bones, hinge: hingeOf(bones, left), rounded: 0.055 };
}

/** What is left of a leg that ends above or below the knee: its trouser leg is turned up there. */
function stump(side: Side, path: LimbPath, above: boolean): FigurePart[] {
  const end = above ? 1 : 2;
  const rings = limbRings(
    path,
    TROUSERS.filter(([along]) => along <= end),
  );
  return [limbPart({ name: "leg", material: "trousers", side }, rings, { first: 0.8, last: 0.8 })];
}

/**
 * Trouser leg and shoe of one side.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param side of the leg
 * @param pelvis directions of the pelvis
 * @param build whose leg it is: it may end above or below the knee, or be replaced
 */
export function legParts(row: Float64Array, side: Side, pelvis: BodyAxes, build: Build): FigurePart[] {
  const i = sideIndex(side);
  const path = legPathOf(row, side, pelvis);
  const leg = build.measured.legs[i];
  if (leg.kind === "absent" && !leg.prosthesis)
    return stump(side, path, numberAt(build.lengths, lengthIndexes("shank")[i]) === 0);
  const kind = { name: "leg", material: "trousers", side } as const;
  const rings = limbRings(path, TROUSERS);
  const shoe = shoeParts(row, side, false);
  if (leg.kind === "absent") {
    // Short trousers show where the artificial part begins.
    const end = leg.from === "upper" ? 0.6 : 1.15;
    const worn = rings.filter((_, ring) => (TROUSERS[ring]?.[0] ?? 0) <= end);
    const post = limbRings(
      path,
      TROUSERS.filter(([along]) => along >= 0.5).map(([along]) => roundStation(Math.min(2, along), 0.017)),
    );
    return [
      limbPart(kind, worn, { first: 0.8, last: 0.25 }),
      limbPart({ name: "prosthesis", material: "prosthesis", side }, [...post, ...limbRings(path, [roundStation(2, 0.017)])]),
      ...shoe,
    ];
  }
  return [
    limbPart(kind, rings, { first: 0.8 }),
    partOf({ name: "ankle", material: "skin", side }, limbRings(path, ANKLE)),
    ...(side === "left" ? [limbPart({ name: "band", material: "band", side }, limbRings(path, HEM_BAND))] : []),
    ...shoe,
  ];
}
