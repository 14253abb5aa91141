import type { BodyAxes } from "../body/body-axes.ts";
import { column, type MidlineColumn } from "../body/channels.ts";
import type { PoseFrame } from "../body/pose.ts";
import { composeRotation, identityRotation, type Rotation } from "../body/rotation.ts";
import { leanOf } from "../body/seats.ts";
import { cross, dot, mix, unit, type Vector } from "../body/vector.ts";
import { numberAt } from "../checked-access.ts";
import { moved } from "./part.ts";

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
  const up = unit(mix(a.up, b.up, share));
  const leaning = mix(a.right, b.right, share);
  const right = unit(moved(leaning, up, -dot(leaning, up)));
  return { ahead: cross(up, right), up, right };
}
