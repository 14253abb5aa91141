import type { BodyAxes } from "../body/body-axes.ts";
import { column, type MidlineColumn } from "../body/channels.ts";
import type { PoseFrame } from "../body/pose.ts";
import { composeRotation, identityRotation, type Rotation } from "../body/rotation.ts";
import { leanOf } from "../body/seats.ts";
import { unit, type Vector } from "../body/vector.ts";
import { numberAt } from "../checked-access.ts";

/** Directions of the four parts of the trunk and head. */
export interface FigureAxes {
  readonly pelvis: BodyAxes;
  readonly abdomen: BodyAxes;
  readonly thorax: BodyAxes;
  readonly head: BodyAxes;
}

const GROUND = identityRotation();

const axesOf = (rotation: Rotation): BodyAxes => {
  const direction = (axis: 0 | 1 | 2): Vector => [
    numberAt(rotation, axis),
    numberAt(rotation, 3 + axis),
    numberAt(rotation, 6 + axis),
  ];
  return { ahead: direction(0), up: direction(1), right: direction(2) };
};

/**
 * The directions of the trunk of a solved pose, from its range columns: the same chain as the solver's.
 *
 * @param row a solved pose
 * @param frame of the pose: a raised back leans the whole trunk
 */
export function figureAxes(row: Float64Array, { seating }: Pick<PoseFrame, "seating">): FigureAxes {
  const value = (name: MidlineColumn): number => numberAt(row, column(name));
  const lean = seating.kind === "seated" ? leanOf(seating.seat) : 0;
  const [pelvis, abdomen, thorax, head] = [identityRotation(), identityRotation(), identityRotation(), identityRotation()];
  composeRotation(GROUND, value("pelvisTilt") - lean, value("pelvisList"), value("pelvisRotation"), pelvis);
  const half = [value("spineFlexion") / 2, value("spineSideBend") / 2, value("spineRotation") / 2] as const;
  composeRotation(pelvis, ...half, abdomen);
  composeRotation(abdomen, ...half, thorax);
  composeRotation(thorax, value("headFlexion"), value("headSideBend"), value("headRotation"), head);
  return { pelvis: axesOf(pelvis), abdomen: axesOf(abdomen), thorax: axesOf(thorax), head: axesOf(head) };
}

/**
 * Axes a share of the way from one to another, square to each other.
 *
 * @param a the first
 * @param b the second
 * @param share of the way, 0 to 1
 */
export function mixedAxes(a: BodyAxes, b: BodyAxes, share: number): BodyAxes {
  const mixed = (from: Vector, to: Vector): Vector => [
    from[0] + share * (to[0] - from[0]),
    from[1] + share * (to[1] - from[1]),
    from[2] + share * (to[2] - from[2]),
  ];
  const up = unit(mixed(a.up, b.up));
  const leaning = mixed(a.right, b.right);
  const along = leaning[0] * up[0] + leaning[1] * up[1] + leaning[2] * up[2];
  const right = unit([leaning[0] - along * up[0], leaning[1] - along * up[1], leaning[2] - along * up[2]]);
  const ahead: Vector = [
    up[1] * right[2] - up[2] * right[1],
    up[2] * right[0] - up[0] * right[2],
    up[0] * right[1] - up[1] * right[0],
  ];
  return { ahead, up, right };
}
