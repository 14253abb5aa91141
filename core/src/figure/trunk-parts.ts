import type { BodyAxes } from "../body/body-axes.ts";
import { pointAt } from "../body/body-axes.ts";
import { pointColumn, sidedPointColumn } from "../body/channels.ts";
import { SHARE, SPINE_HINGE } from "../body/segments.ts";
import { cross, minus, mix, unit, type Vector } from "../body/vector.ts";
import { itemAt } from "../checked-access.ts";
import { SHOULDER_INSET } from "./arm-parts.ts";
import { type FigureAxes, mixedAxes } from "./figure-axes.ts";
import { ballPart, limbPart } from "./limb.ts";
import { axesAlong, type FigurePart, moved, partOf, type Ring, roundedEnd } from "./part.ts";

/** Thickness of the girdle about the shoulders, share of stature. */
const GIRDLE = 0.036;

/** Where the axes of one part of the spine give way to those of the next, heights over the hips. */
const BLENDS = { abdomen: [0.03, 0.125], thorax: [0.115, 0.21] } as const;

/** Height over the hips, half breadth, depth ahead and behind of the trunk, from the hem to the neck, shares of stature. */
const SHIRT = [
  [0.012, 0.099, 0.068, 0.076],
  [0.05, 0.093, 0.066, 0.064],
  [0.1, 0.086, 0.062, 0.054],
  [0.15, 0.089, 0.0625, 0.056],
  [0.19, 0.0945, 0.0635, 0.06],
  [0.225, 0.097, 0.0635, 0.063],
  [0.252, 0.098, 0.059, 0.062],
  [0.272, 0.096, 0.052, 0.058],
  [0.288, 0.078, 0.045, 0.052],
  [0.3, 0.056, 0.038, 0.045],
  [0.31, 0.038, 0.033, 0.04],
] as const;

/** The same for the trousers, from the crotch to the waist. */
const HIPS = [
  [-0.05, 0.055, 0.04, 0.058],
  [-0.036, 0.084, 0.05, 0.072],
  [-0.015, 0.096, 0.059, 0.079],
  [0.02, 0.096, 0.065, 0.077],
  [0.045, 0.088, 0.062, 0.066],
] as const;

/** How far the spine's line is smoothed over its hinges, share of stature. */
const SMOOTHED = 0.036;

const blend = (height: number, [from, to]: readonly [number, number]): number => {
  const share = Math.min(1, Math.max(0, (height - from) / (to - from)));
  return share * share * (3 - 2 * share);
};

/** Directions of the trunk at a height over the hips. */
export const trunkAxesAt = ({ pelvis, abdomen, thorax }: FigureAxes, height: number): BodyAxes => {
  const low = mixedAxes(pelvis, abdomen, blend(height, BLENDS.abdomen));
  return mixedAxes(low, thorax, blend(height, BLENDS.thorax));
};

/** Places on the spine's line at a height over the hips; under the hips and over the shoulders it goes straight on. */
function spineAt(row: Float64Array, { pelvis, thorax }: FigureAxes): (height: number) => Vector {
  const [hips, lumbar, middle, top] = (["pelvis", "lumbar", "midSpine", "shoulderLine"] as const).map((name) =>
    pointAt(row, pointColumn(name)),
  ) as [Vector, Vector, Vector, Vector];
  const [low, high] = [SPINE_HINGE.low * SHARE.trunk, SPINE_HINGE.high * SHARE.trunk];
  const sharp = (height: number): Vector => {
    if (height < 0) return moved(hips, pelvis.up, height);
    if (height < low) return mix(hips, lumbar, height / low);
    if (height < high) return mix(lumbar, middle, (height - low) / (high - low));
    if (height < SHARE.trunk) return mix(middle, top, (height - high) / (SHARE.trunk - high));
    return moved(top, thorax.up, height - SHARE.trunk);
  };
  return (height) => {
    const places = [-1, -0.5, 0, 0.5, 1].map((share) => sharp(height + share * SMOOTHED));
    const mean = (axis: 0 | 1 | 2) => places.reduce((sum, place) => sum + place[axis], 0) / places.length;
    return [mean(0), mean(1), mean(2)];
  };
}

const ringsAt = (
  profile: readonly (readonly [number, number, number, number])[],
  spine: (height: number) => Vector,
  axes: FigureAxes,
): Ring[] =>
  profile.map(([height, half, front, back]) => {
    const { right, ahead } = trunkAxesAt(axes, height);
    return { at: spine(height), u: right, v: ahead, half, front, back };
  });

/** A line of buttons down the front of the shirt, so that front and back are told apart. */
function placket(spine: (height: number) => Vector, axes: FigureAxes): FigurePart {
  const rings = SHIRT.slice(0, -2).map(([height, , front]): Ring => {
    const { right, ahead, up } = trunkAxesAt(axes, height);
    return {
      at: moved(spine(height), ahead, front - 0.004),
      u: right,
      v: axesAlong(up, ahead).v,
      half: 0.0065,
      front: 0.006,
      back: 0.002,
    };
  });
  return partOf({ name: "placket", material: "placket", side: null, section: "box" }, rings);
}

/** From shoulder to shoulder, so that a lifted or a forward shoulder is seen. */
function girdle(row: Float64Array, { thorax }: FigureAxes): FigurePart {
  const top = pointAt(row, pointColumn("shoulderLine"));
  const shoulders = (["left", "right"] as const).map((side) =>
    mix(pointAt(row, sidedPointColumn("shoulder", side)), top, SHOULDER_INSET),
  );
  const [left, right] = [itemAt(shoulders, 0), itemAt(shoulders, 1)];
  const middle = moved(mix(mix(left, right, 0.5), top, 0.5), thorax.up, 0.004);
  const ring = (at: Vector, way: Vector, radius: number): Ring => {
    const { u, v } = axesAlong(way, thorax.up);
    return { at, u, v, half: radius * 1.12, front: radius, back: radius };
  };
  const across = unit(minus(right, left));
  const rings = [
    ring(left, unit(minus(middle, left)), GIRDLE),
    ring(mix(left, middle, 0.45), unit(minus(middle, left)), GIRDLE * 1.05),
    ring(middle, across, GIRDLE * 1.08),
    ring(mix(right, middle, 0.45), unit(minus(right, middle)), GIRDLE * 1.05),
    ring(right, unit(minus(right, middle)), GIRDLE),
  ];
  return limbPart({ name: "shirt", material: "shirt", side: null }, rings, { first: 0.6, last: 0.6 });
}

/**
 * Shirt, trousers about the hips and neck.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param axes of the same pose
 */
export function trunkParts(row: Float64Array, axes: FigureAxes): FigurePart[] {
  const spine = spineAt(row, axes);
  const neck = pointAt(row, pointColumn("neck"));
  const base = spine(0.29);
  const chin = moved(neck, axes.head.up, 0.034);
  const hips = ringsAt(HIPS, spine, axes);
  const bottom = itemAt(hips, 0);
  const down: Vector = [-axes.pelvis.up[0], -axes.pelvis.up[1], -axes.pelvis.up[2]];
  const neckRing = (at: Vector, way: Vector, radius: number): Ring => {
    const { v } = axesAlong(way, axes.thorax.ahead);
    return { at, u: cross(v, way), v, half: radius, front: radius, back: radius * 1.08 };
  };
  return [
    partOf({ name: "trousers", material: "trousers", side: null }, [...roundedEnd(bottom, down, 0.014, true), ...hips]),
    partOf({ name: "shirt", material: "shirt", side: null }, ringsAt(SHIRT, spine, axes)),
    girdle(row, axes),
    placket(spine, axes),
    partOf({ name: "neck", material: "skin", side: null }, [
      neckRing(base, unit(minus(neck, base)), 0.034),
      neckRing(neck, unit(minus(chin, base)), 0.0305),
      neckRing(chin, axes.head.up, 0.03),
    ]),
    ballPart(
      { name: "placket", material: "placket", side: null },
      moved(spine(0.304), axes.thorax.ahead, -0.002),
      axes.thorax.up,
      0.008,
      0.039,
      axes.thorax.ahead,
    ),
  ];
}
